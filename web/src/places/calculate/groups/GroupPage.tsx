import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import { useNavigate } from 'react-router';
import { ApiError, client, data, type Schemas } from '../../../api/client';
import { useMayWork, useUnits } from '../../../parts/session';
import { NumberField } from '../../../parts/NumberField';
import { Problem } from '../../../parts/Problem';
import { SheetFrame } from '../../../parts/SheetFrame';
import { WordRows } from '../../../parts/SheetRows';
import { useMachines, useMaterials } from '../../../parts/shelf';
import { storedCalls, StoredPage } from '../../../parts/stored';
import { clock } from '../../../parts/units';
import { useSheetForm } from '../../../parts/useSheetForm';
import { Chain } from './Chain';
import { PatternFields } from './PatternFields';
import { Plan } from './Plan';
import { TargetFields } from './TargetFields';
import { ORDERS, type Group } from './words';

type GroupSheet = Schemas['SheetOfHoleGroup'];

const NAMES: Record<string, string> = {
  name: 'Name',
  materialId: 'Work material',
  machineId: 'Machine',
  target: 'Each hole',
  pattern: 'Pattern',
  order: 'Order',
  changeTime: 'Time to change a tool',
  picked: 'Picked cutters',
};

const BLANK = {
  target: {
    kind: 'threaded',
    diameter: 10,
    thread: { text: 'M10', ownId: 0 },
    depth: 20,
    through: false,
    tolerance: 'H7',
    chamfer: 0.5,
    seatDiameter: 18,
    seatDepth: 11,
  },
  pattern: {
    form: 'circle',
    start: { x: 0, y: 0 },
    diameter: 100,
    count: 6,
    rows: 2,
    angle: 0,
    lastAngle: 90,
    step: 20,
    rowStep: 20,
    typed: [],
  },
  order: 'nearestNext',
  picked: {},
} as const;

const calls = storedCalls<Group, GroupSheet>('hole-groups');

/** A group of alike holes: one change is a change of all of them. */
export function GroupPage() {
  const materials = useMaterials();
  const machines = useMachines();
  if (!materials.data || !machines.data) return <p className="page muted">Fetching materials and machines…</p>;
  return (
    <StoredPage calls={calls} word="hole group">
      {(sheet, key) => <Editor key={key} sheet={sheet} materials={materials.data} machines={machines.data} />}
    </StoredPage>
  );
}

function Editor(props: {
  sheet: GroupSheet | undefined;
  materials: Schemas['SheetOfWorkMaterial'][];
  machines: Schemas['SheetOfMachine'][];
}) {
  const { sheet, materials, machines } = props;
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const units = useUnits();
  const form = useSheetForm<Group, GroupSheet>({
    sheet,
    blank: { name: '', materialId: materials[0]!.id, machineId: machines[0]!.id, ...structuredClone(BLANK) } as unknown as Group,
    calls,
    onSaved: (saved) => void navigate(`/calculate/groups/${saved.id}`, { replace: true }),
  });
  const group = form.definition;
  const solved = useQuery({
    queryKey: ['hole-group', 'solved', { ...group, name: '' }],
    queryFn: ({ signal }) =>
      data(
        client.POST('/api/v1/hole-groups/solve', {
          params: { query: { kept: sheet?.id } },
          body: { ...group, name: group.name || 'a new group' },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const refused = solved.error instanceof ApiError ? { ...solved.error.byField, ...form.refused } : form.refused;
  const shown = ['target', 'pattern', 'order', 'changeTime', 'name'];
  const result = solved.data;
  const pick = (code: 'materialId' | 'machineId', all: { id: number; definition: { name: string } }[]) => (
    <label className="line">
      {NAMES[code]}
      <Select
        aria-label={NAMES[code]}
        value={group[code]}
        disabled={!mayWork}
        onChange={(id) => form.setMany({ [code]: id })}
        options={all.map((m) => ({ value: m.id, label: m.definition.name }))}
      />
    </label>
  );
  return (
    <SheetFrame
      title={sheet ? sheet.definition.name : 'A new hole group'}
      back={{ to: '/calculate/groups', words: 'Hole groups' }}
      sheet={sheet}
      form={form}
      add="Keep this group"
      fields={shown}
      names={NAMES}
    >
      <div className={`group ${solved.error ? 'stale-figures' : ''}`}>
        <section>
          <h2>Each hole</h2>
          <WordRows form={form} rows={['name']} names={NAMES} refused={refused} />
          {pick('materialId', materials)}
          {pick('machineId', machines)}
          <TargetFields target={group.target!} form={form} refused={refused} disabled={!mayWork} />
        </section>
        <section>
          <h2>Where they lie</h2>
          <PatternFields pattern={group.pattern!} form={form} refused={refused} disabled={!mayWork} />
          <label className="line">
            {NAMES.order}
            <Select
              aria-label={NAMES.order}
              value={group.order}
              disabled={!mayWork}
              onChange={(order) => form.setMany({ order })}
              options={Object.entries(ORDERS).map(([value, label]) => ({ value, label }))}
            />
          </label>
          <NumberField
            label={NAMES.changeTime!}
            symbol="t_c"
            quantity="time"
            {...form.number('changeTime')}
            value={group.changeTime ?? result?.changeTime}
            note={group.changeTime == null && result ? 'as this machine usually takes' : undefined}
            refused={refused.changeTime}
            disabled={!mayWork}
          />
        </section>
        <section className="plan">
          {result && <Plan result={result} order={group.order!} />}
          {result && (
            <div className="totals">
              <div>
                <span>Time of the group</span>
                <b>{result.verdict === 'fails' ? '–' : clock(result.time)}</b> min
              </div>
              <div>
                <span>making {result.positions.length} holes</span>
                {clock(result.making)}
              </div>
              <div>
                <span>between them, {units.text(result.travel, 'length')} for each tool</span>
                {clock(result.travelling)}
              </div>
              <div>
                <span>changing tools</span>
                {clock(result.changing)}
              </div>
            </div>
          )}
        </section>
      </div>
      <Problem
        error={solved.error && !(solved.error instanceof ApiError && Object.keys(solved.error.byField).length > 0) ? solved.error : null}
      />
      {result && (
        <Chain
          result={result}
          group={group}
          disabled={!mayWork}
          onPick={(operation, id) => {
            const picked = { ...group.picked };
            if (id) picked[operation] = id;
            else delete picked[operation];
            form.setMany({ picked });
          }}
        />
      )}
    </SheetFrame>
  );
}
