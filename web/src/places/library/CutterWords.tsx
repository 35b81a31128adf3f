import { Checkbox, Input, Select } from 'antd';
import { useMayWork } from '../../parts/session';
import { CheckRow } from '../../parts/SheetRows';
import { cuttingMaterialWords, type Cutter, type Family } from '../../parts/shelf';

const USES: [Family['use'], string][] = [
  ['milling', 'Milling'],
  ['holes', 'Holes'],
  ['turning', 'Turning'],
];

const GROUPS: NonNullable<Cutter['groups']> = ['P', 'M', 'K', 'N', 'S', 'H'];

interface Props {
  form: { definition: Cutter; set: <K extends keyof Cutter & string>(key: K, value: Cutter[K]) => void };
  family: Family;
  families: readonly Family[];
  refused: Record<string, string>;
  onFamily: (code: string) => void;
}

/** What a cutter is in words: number, family, what it is made of and what it may cut. */
export function CutterWords({ form, family, families, refused, onFamily }: Props) {
  const mayWork = useMayWork();
  const cutter = form.definition;
  const select = <K extends keyof Cutter & string>(key: K, label: string, options: { value: string; label: string }[]) => (
    <label className="line">
      {label}
      <Select
        aria-label={label}
        value={cutter[key] as string}
        disabled={!mayWork}
        onChange={(v) => form.set(key, v as Cutter[K])}
        options={options}
      />
    </label>
  );
  const input = (key: 'number' | 'grade' | 'coating', label: string) => (
    <>
      <label className="line">
        {label}
        <Input
          value={cutter[key] ?? ''}
          disabled={!mayWork}
          status={refused[key] ? 'error' : ''}
          onChange={(e) => form.set(key, e.target.value)}
        />
      </label>
      {refused[key] && <p className="refusal">{refused[key]}</p>}
    </>
  );
  return (
    <>
      {input('number', 'Number')}
      <label className="line">
        Family
        <Select
          aria-label="Family"
          showSearch={{ optionFilterProp: 'label' }}
          value={family.code}
          disabled={!mayWork}
          onChange={onFamily}
          popupMatchSelectWidth={260}
          listHeight={360}
          options={USES.map(([use, title]) => ({
            label: title,
            options: families.filter((f) => f.use === use).map((f) => ({ value: f.code, label: f.name })),
          }))}
        />
      </label>
      {family.picks.map((p) => (
        <label key={p.code} className="line">
          {p.name}
          <Select
            aria-label={p.name}
            value={cutter.picks?.[p.code] ?? p.default}
            disabled={!mayWork}
            onChange={(v) => form.set('picks', { ...cutter.picks, [p.code]: v })}
            options={p.picks.map((o) => ({ value: o.code, label: o.words }))}
          />
        </label>
      ))}
      {select(
        'material',
        'Cutting material',
        Object.entries(cuttingMaterialWords).map(([value, label]) => ({ value, label })),
      )}
      {input('grade', 'Grade')}
      {input('coating', 'Coating')}
      {select('hand', 'Hand', [
        { value: 'right', label: 'right' },
        { value: 'left', label: 'left' },
        { value: 'neutral', label: 'neutral' },
      ])}
      <CheckRow form={form} field="throughCoolant" about="Coolant" words="comes through it" />
      <div className="line">
        May cut
        <Checkbox.Group
          value={cutter.groups}
          disabled={!mayWork}
          onChange={(g) =>
            form.set(
              'groups',
              GROUPS.filter((x) => g.includes(x)),
            )
          }
          options={[...GROUPS]}
        />
      </div>
      {refused.groups && <p className="refusal">{refused.groups}</p>}
      <label className="line">
        Remarks
        <Input.TextArea
          autoSize={{ minRows: 2 }}
          maxLength={2000}
          value={cutter.remarks ?? ''}
          disabled={!mayWork}
          onChange={(e) => form.set('remarks', e.target.value)}
        />
      </label>
    </>
  );
}
