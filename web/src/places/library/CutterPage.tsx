import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Input, Select } from 'antd';
import { useNavigate } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { SheetFrame } from '../../parts/SheetFrame';
import { NumberRows, type NumberRow } from '../../parts/SheetRows';
import { cutterWords, type CutterSheet } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { CutterDrawing, type LengthField } from './CutterDrawing';
import { History } from './History';
import { UsedIn } from './UsedIn';

type Cutter = Schemas['Cutter'];

const BLANK: Cutter = {
  number: '',
  family: 'squareEndMill',
  material: 'carbide',
  coating: '',
  cuttingDiameter: 12,
  teeth: 4,
  largestDepth: 25,
  fluteLength: 26,
  usableLength: 26,
  neckDiameter: 0,
  shankDiameter: 12,
  overallLength: 83,
  helixAngle: 38,
  leastChip: 0.004,
  largestChip: 0.08,
  largestWidthRatio: 1,
  largestSpeed: 0,
  groups: ['P'],
  remarks: '',
};
const NAMES: Record<string, string> = {
  number: 'Number',
  material: 'Cutting material',
  coating: 'Coating',
  cuttingDiameter: 'Cutting diameter DC',
  teeth: 'Teeth ZEFF',
  largestDepth: 'Largest depth APMX',
  fluteLength: 'Flute length LCF',
  usableLength: 'Usable length LU',
  neckDiameter: 'Neck diameter DN',
  shankDiameter: 'Shank diameter DMM',
  overallLength: 'Overall length OAL',
  helixAngle: 'Helix angle FHA',
  leastChip: 'Least chip',
  largestChip: 'Largest chip',
  largestWidthRatio: 'Largest width / DC',
  largestSpeed: 'Largest speed RPMX',
  groups: 'May cut',
  remarks: 'Remarks',
};
/** The symbol stands beside the box, so the words go without it. */
const ROW_NAMES = Object.fromEntries(Object.entries(NAMES).map(([key, name]) => [key, name.replace(/ (ZEFF|FHA|RPMX)$/, '')]));
const PLAIN: NumberRow<Cutter>[] = [
  ['teeth', 'ZEFF', 'count'],
  ['helixAngle', 'FHA', 'angle'],
  ['leastChip', 'h_min', 'chip'],
  ['largestChip', 'h_max', 'chip'],
  ['largestWidthRatio', 'a_e/DC', 'ratio'],
  ['largestSpeed', 'RPMX', 'spindleSpeed'],
];

const calls = storedCalls<Cutter, CutterSheet>('library/cutters');

/** A cutter: its dimensioned drawing, and what the drawing cannot show beside it. */
export function CutterPage() {
  return (
    <StoredPage calls={calls} word="cutter">
      {(sheet, key) => <Editor key={key} sheet={sheet} />}
    </StoredPage>
  );
}

function Editor({ sheet }: { sheet: CutterSheet | undefined }) {
  const navigate = useNavigate();
  const units = useUnits();
  const mayWork = useMayWork();
  const form = useSheetForm<Cutter, CutterSheet>({
    sheet,
    blank: BLANK,
    calls,
    onSaved: (saved) => void navigate(`/library/cutters/${saved.id}`, { replace: true }),
  });
  const cutter = form.definition;
  const preview = useQuery({
    queryKey: ['cutter-preview', cutter],
    queryFn: () => data(client.POST('/api/v1/library/cutters/preview', { body: cutter })),
    enabled: mayWork,
    placeholderData: keepPreviousData,
  });
  const faults = Object.fromEntries((preview.data?.faults ?? []).map((f) => [f.field, f.sentence]));
  const refused = { ...form.refused, ...(form.changed ? faults : {}) };
  const profile = preview.data?.profile.length ? preview.data.profile : (sheet?.profile ?? []);

  return (
    <SheetFrame
      title={sheet ? `${sheet.definition.number}, ${cutterWords(cutter, (mm) => units.size(mm))}` : 'A new cutter'}
      back={{ to: '/library/cutters', words: 'Cutters' }}
      sheet={sheet}
      form={form}
      fields={Object.keys(BLANK)}
      names={NAMES}
      extra={
        sheet && mayWork && <Button onClick={() => void navigate(`/library/assemblies/new?cutter=${sheet.id}`)}>Put it in a holder</Button>
      }
    >
      <div className="card notched">
        <CutterDrawing
          cutter={cutter}
          profile={profile}
          field={(key: LengthField) => form.number(key) as never}
          refused={refused}
          disabled={!mayWork}
        />
        {(['cuttingDiameter', 'neckDiameter', 'shankDiameter', 'largestDepth', 'fluteLength', 'usableLength', 'overallLength'] as const)
          .filter((k) => refused[k])
          .map((k) => (
            <p key={k} className="refusal">
              {refused[k]}
            </p>
          ))}
      </div>
      <div className="columns">
        <section>
          <h2>What the drawing cannot show</h2>
          <NumberRows form={form} rows={PLAIN} names={ROW_NAMES} refused={refused} />
        </section>
        <section>
          <h2>Which it is</h2>
          <label className="line">
            Number
            <Input
              value={cutter.number}
              disabled={!mayWork}
              status={refused.number ? 'error' : ''}
              onChange={(e) => form.set('number', e.target.value)}
            />
          </label>
          {refused.number && <p className="refusal">{refused.number}</p>}
          <label className="line">
            Of
            <Select
              aria-label="Cutting material"
              value={cutter.material!}
              disabled={!mayWork}
              onChange={(m) => form.set('material', m)}
              options={[
                { value: 'carbide', label: 'solid carbide' },
                { value: 'highSpeedSteel', label: 'high-speed steel' },
              ]}
            />
          </label>
          <label className="line">
            Coating
            <Input value={cutter.coating ?? ''} disabled={!mayWork} onChange={(e) => form.set('coating', e.target.value)} />
          </label>
          <div className="line">
            May cut
            <Checkbox.Group
              value={cutter.groups as string[]}
              disabled={!mayWork}
              onChange={(g) => form.set('groups', ['P', 'M', 'K', 'N', 'S', 'H'].filter((x) => g.includes(x)) as Cutter['groups'])}
              options={['P', 'M', 'K', 'N', 'S', 'H']}
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
        </section>
        <section>
          <UsedIn part={(a) => a.cutterId === sheet?.id} none="It stands in no holder yet." />
          {sheet && <History kind="cutters" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
      </div>
    </SheetFrame>
  );
}
