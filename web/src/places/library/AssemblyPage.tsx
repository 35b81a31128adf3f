import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Input, InputNumber, Select } from 'antd';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { NumberField } from '../../parts/NumberField';
import { SheetFrame } from '../../parts/SheetFrame';
import { byId, cutterWords, useCutters, useHolders, type AssemblySheet } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { AssemblyDrawing } from './AssemblyDrawing';
import { History } from './History';

type Assembly = Schemas['Assembly'];
const NAMES: Record<string, string> = {
  number: 'Shop number',
  cutterId: 'Cutter',
  holderId: 'Holder',
  projection: 'Out of the holder',
  lengthRegister: 'Length register',
  diameterRegister: 'Diameter register',
  stockPlace: 'Kept in',
};

const calls = storedCalls<Assembly, AssemblySheet>('library/assemblies');

/** An assembly: a cutter in a holder at a projection. */
export function AssemblyPage() {
  const [search] = useSearchParams();
  const cutters = useCutters();
  const holders = useHolders();
  return (
    <StoredPage calls={calls} word="assembly">
      {(sheet, key) =>
        cutters.data && holders.data ? (
          <Editor key={key} sheet={sheet} startCutter={Number(search.get('cutter') ?? 0)} />
        ) : (
          <p className="page muted">Fetching the library…</p>
        )
      }
    </StoredPage>
  );
}

function Editor({ sheet, startCutter }: { sheet: AssemblySheet | undefined; startCutter: number }) {
  const navigate = useNavigate();
  const units = useUnits();
  const mayWork = useMayWork();
  const cutters = byId(useCutters().data);
  const holders = byId(useHolders().data);
  const form = useSheetForm<Assembly, AssemblySheet>({
    sheet,
    blank: { number: '', cutterId: startCutter, holderId: 0, projection: 0, lengthRegister: 0, diameterRegister: 0, stockPlace: '' },
    calls,
    onSaved: (saved) => void navigate(`/library/assemblies/${saved.id}`, { replace: true }),
  });
  const assembly = form.definition;
  const cutter = cutters.get(assembly.cutterId)?.definition;
  const holder = holders.get(assembly.holderId)?.definition;
  const preview = useQuery({
    queryKey: ['assembly-preview', assembly],
    queryFn: () => data(client.POST('/api/v1/library/assemblies/preview', { body: assembly })),
    enabled: mayWork && cutter !== undefined && holder !== undefined,
    placeholderData: keepPreviousData,
  });
  const faults = Object.fromEntries((preview.data?.faults ?? []).map((f) => [f.field, f.sentence]));
  const refused = { ...form.refused, ...(form.changed ? faults : {}) };
  const profile = preview.data?.profile.length ? preview.data.profile : (sheet?.profile ?? []);
  const fits = cutter
    ? [...holders.values()].filter(
        (h) => cutter.shankDiameter >= h.definition.leastClamping && cutter.shankDiameter <= h.definition.largestClamping,
      )
    : [...holders.values()];
  const shortest = cutter && holder ? Math.max(cutter.fluteLength, cutter.overallLength - holder.boreDepth) : undefined;
  const longest = cutter && holder ? cutter.overallLength - holder.leastGrip : undefined;
  const range =
    shortest !== undefined && longest !== undefined && shortest <= longest
      ? `${units.text(shortest, 'length')} to ${units.text(longest, 'length')}`
      : undefined;

  return (
    <SheetFrame
      title={sheet ? `${sheet.definition.number}, assembly` : 'A new assembly'}
      back={{ to: '/library/assemblies', words: 'Assemblies' }}
      sheet={sheet}
      form={form}
      fields={['number', 'cutterId', 'holderId', 'projection', 'stockPlace', 'lengthRegister', 'diameterRegister']}
      names={NAMES}
      extra={sheet && mayWork && <Button onClick={() => void navigate(`/calculate?assembly=${sheet.id}`)}>Calculate with it</Button>}
    >
      <div className="assembly">
        <div className="card notched drawing-card">
          {profile.length > 0 && cutter && holder ? (
            <AssemblyDrawing profile={profile} cutter={cutter} projection={assembly.projection} />
          ) : (
            <p className="muted hint">
              {cutter && holder
                ? 'The drawing appears when the projection fits.'
                : 'Choose a cutter and a holder; the drawing appears here.'}
            </p>
          )}
        </div>
        <section>
          <h2>What it is made of</h2>
          <label className="line">
            Cutter
            <Select
              showSearch={{ optionFilterProp: 'label' }}
              value={assembly.cutterId || undefined}
              aria-label="Cutter"
              placeholder="choose a cutter"
              disabled={!mayWork}
              onChange={(v) => form.set('cutterId', v)}
              options={[...cutters.values()].map((c) => ({
                value: c.id,
                label: `${c.definition.number} ${cutterWords(c.definition, (mm) => units.size(mm))}`,
              }))}
            />
          </label>
          {refused.cutterId && <p className="refusal">{refused.cutterId}</p>}
          {cutter && <Link to={`/library/cutters/${assembly.cutterId}`}>Open cutter {cutter.number}</Link>}
          <label className="line">
            Holder
            <Select
              showSearch={{ optionFilterProp: 'label' }}
              value={assembly.holderId || undefined}
              aria-label="Holder"
              placeholder="choose a holder"
              disabled={!mayWork}
              onChange={(v) => form.set('holderId', v)}
              options={[...holders.values()].map((h) => ({
                value: h.id,
                disabled: !fits.includes(h),
                label: `${h.definition.number} ${h.definition.kind}, ${h.definition.interface}${fits.includes(h) ? '' : ' (does not clamp this shank)'}`,
              }))}
            />
          </label>
          {refused.holderId && <p className="refusal">{refused.holderId}</p>}
          {holder && <Link to={`/library/holders/${assembly.holderId}`}>Open holder {holder.number}</Link>}
          <NumberField
            label="Out of the holder"
            quantity="length"
            {...form.number('projection')}
            refused={refused.projection}
            least={shortest}
            most={longest}
            note={range && `${range}: flutes outside, ${units.text(holder!.leastGrip, 'length')} gripped`}
            disabled={!mayWork}
          />
          {cutter && holder && assembly.projection > 0 && (
            <p className="muted">
              Gripped {units.text(cutter.overallLength - assembly.projection, 'length')} of {units.text(holder.boreDepth, 'length')}, gauge
              length {units.text(assembly.projection + holder.segments.reduce((sum, s) => sum + s.length, 0), 'length')}
            </p>
          )}
          <h2>Where to find it</h2>
          <label className="line">
            Shop number
            <Input
              value={assembly.number}
              disabled={!mayWork}
              status={refused.number ? 'error' : ''}
              onChange={(e) => form.set('number', e.target.value)}
            />
          </label>
          {refused.number && <p className="refusal">{refused.number}</p>}
          <label className="line">
            Kept in
            <Input value={assembly.stockPlace ?? ''} disabled={!mayWork} onChange={(e) => form.set('stockPlace', e.target.value)} />
          </label>
          <label className="line">
            Length register
            <InputNumber
              min={0}
              max={9999}
              precision={0}
              value={assembly.lengthRegister ?? 0}
              disabled={!mayWork}
              onChange={(v) => form.set('lengthRegister', v ?? 0)}
            />
          </label>
          <label className="line">
            Diameter register
            <InputNumber
              min={0}
              max={9999}
              precision={0}
              value={assembly.diameterRegister ?? 0}
              disabled={!mayWork}
              onChange={(v) => form.set('diameterRegister', v ?? 0)}
            />
          </label>
          {sheet && <History kind="assemblies" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
      </div>
    </SheetFrame>
  );
}
