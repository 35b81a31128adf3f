import { Button, Input, InputNumber } from 'antd';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useMayWork, useUnits } from '../../parts/session';
import { NumberField } from '../../parts/NumberField';
import { SheetFrame } from '../../parts/SheetFrame';
import { CheckRow } from '../../parts/SheetRows';
import type { Assembly, AssemblySheet } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { usePreview } from '../../parts/usePreview';
import { useSheetForm } from '../../parts/useSheetForm';
import { pathOf } from '../calculate/address';
import { AssemblyDrawing } from './AssemblyDrawing';
import { Extensions, PartPicker, Places } from './AssemblyParts';
import { History } from './History';
import { ReachPanel, useReach } from './ReachPanel';
import { More } from './More';
import { SolidPanel } from './SolidPanel';
import { UsedIn } from './UsedIn';

const NAMES: Record<string, string> = {
  number: 'Shop number',
  cutterId: 'Cutter',
  holderId: 'Holder',
  projection: 'Out of the holder',
  extensions: 'Extensions',
  places: 'Places',
  lengthRegister: 'Length register',
  diameterRegister: 'Diameter register',
  runOut: 'Run-out measured',
  stockPlace: 'Kept in',
  retired: 'Retired',
};

const calls = storedCalls<Assembly, AssemblySheet>('library/assemblies');

/** An assembly: a cutter in a holder at a projection, with extensions where needed. */
export function AssemblyPage() {
  const [search] = useSearchParams();
  return (
    <StoredPage calls={calls} word="assembly">
      {(sheet, key) => <Editor key={key} sheet={sheet} startCutter={Number(search.get('cutter') ?? 0)} back={search.get('back')} />}
    </StoredPage>
  );
}

function Editor({ sheet, startCutter, back }: { sheet: AssemblySheet | undefined; startCutter: number; back: string | null }) {
  const navigate = useNavigate();
  const units = useUnits();
  const mayWork = useMayWork();
  const form = useSheetForm<Assembly, AssemblySheet>({
    sheet,
    blank: {
      number: '',
      cutterId: startCutter,
      holderId: 0,
      projection: 0,
      extensions: [],
      lengthRegister: 0,
      diameterRegister: 0,
      runOut: 0,
      stockPlace: '',
      places: [],
      retired: false,
    },
    calls,
    onSaved: (saved) => void navigate(back && !sheet ? withAssembly(back, saved.id) : `/library/assemblies/${saved.id}`, { replace: true }),
  });
  const assembly = form.definition;
  const chosen = assembly.cutterId !== 0 && assembly.holderId !== 0;
  const preview = usePreview('assemblies', assembly, sheet, form.changed, chosen);
  const refused = { ...form.refused, ...(chosen ? preview.sentences : {}) };
  const built = chosen ? preview.built : undefined;
  const sound = built !== undefined && preview.faults.every((f) => f.field === 'number' || f.field.startsWith('places'));
  const reach = useReach(assembly, sound);
  // Other turning tools have no wall beside them that they work along.
  const reaches = preview.profile.shape === 'revolved' || built?.cutter.dimensions?.CDX !== undefined;
  const joint = built?.joints[0];
  const asked = reach.asked && reach.answer.data && !reach.answer.isError ? reach.answer.data : undefined;

  return (
    <SheetFrame
      means="assembly"
      title={sheet ? `${sheet.definition.number}, assembly` : 'A new assembly'}
      back={back && !sheet ? { to: back, words: 'Back to the calculation' } : { to: '/library/assemblies', words: 'Assemblies' }}
      sheet={sheet}
      rests="library/assemblies"
      form={form}
      fields={Object.keys(NAMES)}
      names={NAMES}
      extra={
        sheet && (
          <>
            {mayWork && <Button onClick={() => void navigate(pathOf({ assembly: sheet.id }))}>Calculate with it</Button>}
            <More list="assemblies" id={sheet.id} />
          </>
        )
      }
    >
      <div className="assembly">
        <div className="card notched drawing-card">
          {built && preview.profile.elements.length > 0 ? (
            <AssemblyDrawing profile={preview.profile} built={built} reach={asked && { wall: reach.wall, touches: asked.touches }} />
          ) : (
            <p className="muted hint">
              {chosen ? 'The drawing appears when the projection fits.' : 'Choose a cutter and a holder; the drawing appears here.'}
            </p>
          )}
        </div>
        <section>
          <h2>What it is made of</h2>
          <PartPicker
            list="cutters"
            label="Cutter"
            value={assembly.cutterId}
            disabled={!mayWork}
            refused={refused.cutterId}
            onChange={(id) => form.set('cutterId', id)}
            {...(mayWork && {
              add: { to: `/library/cutters/new${back ? `?back=${encodeURIComponent(back)}` : ''}`, words: 'Add a cutter' },
            })}
          />
          <NumberField
            label={joint && joint.holder !== built?.holder.number ? `Out of ${joint.holder}` : 'Out of the holder'}
            quantity="length"
            {...form.number('projection')}
            refused={refused.projection}
            least={joint?.least}
            most={joint?.most}
            note={
              joint && joint.least <= joint.most
                ? joint.flush
                  ? `seats flush, so ${units.text(joint.least, 'length')}`
                  : `${units.text(joint.least, 'length')} to ${units.text(joint.most, 'length')}` +
                    `; ${units.text(Math.max(0, joint.grip), 'length')} gripped`
                : undefined
            }
            meant={
              joint && joint.least <= joint.most && assembly.projection === 0
                ? Math.ceil(joint.least) <= joint.most
                  ? Math.ceil(joint.least)
                  : joint.least
                : undefined
            }
            disabled={!mayWork}
          />
          <Extensions
            extensions={assembly.extensions ?? []}
            built={built}
            refused={refused}
            disabled={!mayWork}
            onChange={(extensions) => form.set('extensions', extensions)}
          />
          <PartPicker
            list="holders"
            label="Holder"
            value={assembly.holderId}
            disabled={!mayWork}
            refused={refused.holderId}
            narrow={{ role: 'holder' }}
            onChange={(id) => form.set('holderId', id)}
          />
          <NumberField
            label="Run-out measured"
            quantity="deviation"
            {...form.number('runOut')}
            refused={refused.runOut}
            note="as a dial reads it at the tip; 0 takes what is stated with the holder"
            disabled={!mayWork}
          />
          {built && (
            <p className="comes-to">
              Gauge length <b>{units.text(built.gaugeLength, 'length')}</b>, about <b>{units.text(built.mass, 'mass')}</b>, up to{' '}
              <b>{units.text(built.largestSpeed, 'spindleSpeed')}</b>
            </p>
          )}
          <SolidPanel profile={preview.profile} label={assembly.number || 'The assembly'} />
          {sheet && <History kind="assemblies" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
        <section>
          {reaches && (
            <ReachPanel
              reach={reach}
              mayTake={mayWork}
              most={joint?.most}
              onProjection={(mm) => form.set('projection', mm, { text: units.editable(mm, 'length'), system: units.system, base: mm })}
            />
          )}
          <h2>Where to find it</h2>
          <label className="line">
            Shop number
            <Input
              value={assembly.number}
              disabled={!mayWork}
              status={refused.number && form.changed ? 'error' : ''}
              onChange={(e) => form.set('number', e.target.value)}
            />
          </label>
          {form.refused.number && <p className="refusal">{form.refused.number}</p>}
          <label className="line">
            Kept in
            <Input value={assembly.stockPlace ?? ''} disabled={!mayWork} onChange={(e) => form.set('stockPlace', e.target.value)} />
          </label>
          <Places places={assembly.places ?? []} refused={refused} disabled={!mayWork} onChange={(places) => form.set('places', places)} />
          {(
            [
              ['lengthRegister', 'Length register'],
              ['diameterRegister', 'Diameter register'],
            ] as const
          ).map(([key, label]) => (
            <label key={key} className="line">
              {label}
              <InputNumber
                min={0}
                max={9999}
                precision={0}
                value={assembly[key] ?? 0}
                disabled={!mayWork}
                onChange={(v) => form.set(key, v ?? 0)}
              />
            </label>
          ))}
          <CheckRow form={form} field="retired" about="Use" words="taken apart" />
          {sheet && <UsedIn list="assemblies" id={sheet.id} none="No record rests on it yet." />}
          {sheet && <Link to={`/lookup?q=${encodeURIComponent(sheet.definition.number)}`}>Look its figures up</Link>}
        </section>
      </div>
    </SheetFrame>
  );
}

/** The address of a calculation with another assembly in it. */
function withAssembly(address: string, id: number): string {
  const [path, query = ''] = address.split('?');
  const search = new URLSearchParams(query);
  search.set('assembly', String(id));
  return `${path}?${search.toString()}`;
}
