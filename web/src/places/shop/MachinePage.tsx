import { Button, Segmented, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { SheetFrame } from '../../parts/SheetFrame';
import { NumberRows, WordRows, type NumberRow } from '../../parts/SheetRows';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { CurveTable } from './CurveTable';
import { WorkSpindle } from './WorkSpindle';
import { SpindleCurve } from './SpindleCurve';
import { Plate } from './Plate';
import { Standing, Store } from './ToolStore';

type Machine = Schemas['Machine'];
type MachineSheet = Schemas['SheetOfMachine'];

// What is not known of a machine may stay 0; what limits every cut is typed from its plate or its papers.
const BLANK: Machine = {
  name: '',
  kind: '',
  interface: '',
  synchronousLimit: 0,
  runUpTime: 0,
  axisThrust: 0,
  axisAcceleration: 0,
  coolantThrough: null,
  feedStep: 0,
  curve: [],
  store: { kind: 'byHand', places: 0 },
  source: '',
};
const NAMES: Record<string, string> = {
  name: 'Name',
  kind: 'Kind',
  interface: 'Spindle interface',
  leastSpeed: 'Lowest spindle speed',
  largestSpeed: 'Highest spindle speed',
  largestFeed: 'Largest axis feed',
  rapidFeed: 'Rapid traverse',
  efficiency: 'Efficiency, motor to edge',
  synchronousLimit: 'Taps in step to',
  runUpTime: 'Runs up to its highest speed in',
  axisThrust: 'Largest thrust of the axis',
  axisAcceleration: 'Acceleration of the axes',
  feedStep: 'Taps by feed rate, in steps of',
  coolantThrough: 'Coolant through the spindle',
  curve: 'Power and torque',
  main: 'Main spindle',
  counter: 'Counter spindle',
  tailstock: 'A centre supports the work',
  store: 'Tool store',
  source: 'Where the figures come from',
};
const PLATE: NumberRow<Machine>[] = [
  ['leastSpeed', '', 'spindleSpeed'],
  ['largestSpeed', '', 'spindleSpeed'],
];
const LIMITS: NumberRow<Machine>[] = [
  ['largestFeed', '', 'feedRate'],
  ['rapidFeed', '', 'feedRate'],
  ['efficiency', '', 'ratio'],
  ['synchronousLimit', '', 'spindleSpeed'],
  ['runUpTime', '', 'duration'],
  ['axisThrust', '', 'force'],
  ['axisAcceleration', '', 'acceleration'],
  ['feedStep', '', 'feedRate'],
];
type Part = 'plate' | 'limits' | 'places';
const PARTS: [Part, string][] = [
  ['plate', 'Plate'],
  ['limits', 'Limits'],
  ['places', 'Places'],
];

const partOf = (field: string): Part =>
  field.startsWith('store') ? 'places' : LIMITS.some(([key]) => key === field) || field === 'coolantThrough' ? 'limits' : 'plate';

const calls = storedCalls<Machine, MachineSheet>('shop/machines');

/** A machine with what limits a cut on it; power and torque are entered point by point. */
export function MachinePage() {
  return (
    <StoredPage calls={calls} word="machine">
      {(sheet, key) => <Editor key={key} sheet={sheet} />}
    </StoredPage>
  );
}

function Editor({ sheet }: { sheet: MachineSheet | undefined }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const form = useSheetForm<Machine, MachineSheet>({
    sheet,
    blank: BLANK,
    calls,
    onSaved: (saved) => void navigate(`/shop/machines/${saved.id}`, { replace: true }),
  });
  const machine = form.definition;
  // A new machine takes shape part by part; one that is there is seen whole.
  const [part, setPart] = useState<Part>('plate');
  // What is refused is seen, whatever part it belongs to.
  const shows = (of: Part) => Boolean(sheet) || part === of || Object.keys(form.refused).some((field) => partOf(field) === of);
  const at = PARTS.findIndex(([code]) => code === part);
  return (
    <SheetFrame
      means="machine"
      title={sheet ? sheet.definition.name : 'A new machine'}
      back={{ to: '/shop/machines', words: 'Machines' }}
      sheet={sheet}
      rests="shop/machines"
      form={form}
      add="Add to the shop"
      fields={[...[...PLATE, ...LIMITS].map(([key]) => key as string), 'main', 'store', 'name', 'kind', 'interface']}
      names={NAMES}
    >
      {!sheet && (
        <nav className="guided" aria-label="Parts of a machine">
          <Segmented<Part>
            value={part}
            onChange={setPart}
            options={PARTS.map(([value, label], i) => ({ value, label: `${i + 1} · ${label}` }))}
          />
          {at < PARTS.length - 1 && <Button onClick={() => setPart(PARTS[at + 1]![0])}>Next: {PARTS[at + 1]![1].toLowerCase()}</Button>}
        </nav>
      )}
      <div className="columns">
        <section>
          {shows('plate') && (
            <>
              <h2>What its plate says</h2>
              <WordRows form={form} rows={['name', 'kind', 'interface', 'source']} names={NAMES} refused={form.refused} />
              <NumberRows form={form} rows={PLATE} names={NAMES} refused={form.refused} />
              {!sheet && <Plate onCurve={(curve) => form.set('curve', curve)} />}
            </>
          )}
          {shows('limits') && (
            <>
              <h2>What else limits a cut</h2>
              <NumberRows form={form} rows={LIMITS} names={NAMES} refused={form.refused} />
            </>
          )}
          {shows('limits') &&
            (['coolantThrough', ...(machine.main ? (['tailstock'] as const) : [])] as const).map((field) => (
              <label className="line" key={field}>
                {NAMES[field]}
                <Select
                  aria-label={NAMES[field]}
                  disabled={!mayWork}
                  value={machine[field] == null ? 'unknown' : machine[field] ? 'yes' : 'no'}
                  onChange={(v) => form.setMany({ [field]: v === 'unknown' ? null : v === 'yes' })}
                  options={[
                    { value: 'unknown', label: 'nobody has said' },
                    { value: 'yes', label: 'yes' },
                    { value: 'no', label: 'no' },
                  ]}
                />
              </label>
            ))}
          {shows('places') && (
            <Store
              store={machine.store ?? BLANK.store!}
              entry={(key) => form.entry('store', key)}
              refused={form.refused}
              onKind={(kind) =>
                form.set('store', kind === 'byHand' ? { kind, places: 0 } : { ...machine.store, kind, places: machine.store?.places || 1 })
              }
            />
          )}
          {sheet && <Standing machineId={sheet.id} places={machine.store?.places ?? 0} />}
        </section>
        <section className="wide">
          <h2>Power and torque over speed</h2>
          <div className="card notched">
            <SpindleCurve curve={machine.curve ?? []} least={machine.leastSpeed ?? 0} most={machine.largestSpeed ?? 0} />
          </div>
          <CurveTable
            points={machine.curve ?? []}
            field="curve"
            refused={form.refused}
            disabled={!mayWork}
            onChange={(curve) => form.set('curve', curve)}
          />
          <WorkSpindle
            field="main"
            spindle={machine.main ?? null}
            entry={(key) => form.entry('main', key)}
            refused={form.refused}
            onSpindle={(main) => form.setMany({ main, ...(!main && { counter: null }) })}
          />
          {machine.main && (
            <WorkSpindle
              field="counter"
              spindle={machine.counter ?? null}
              entry={(key) => form.entry('counter', key)}
              refused={form.refused}
              onSpindle={(counter) => form.setMany({ counter })}
            />
          )}
        </section>
      </div>
    </SheetFrame>
  );
}
