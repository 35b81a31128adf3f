import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Segmented, Select } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { StillMissing } from '../firstday/Missing';
import { ListPick, ListWords, useListing } from '../../parts/listing';
import { Problem } from '../../parts/Problem';
import { useMachines, useMaterials, useOperations, usePicks } from '../../parts/shelf';
import { FillGaps } from './FillGaps';
import { Grid } from './Grid';
import { STATES } from './marks';

type View = 'operation' | 'cutter' | 'machines';
const VIEWS: { value: View; label: string }[] = [
  { value: 'operation', label: 'One operation' },
  { value: 'cutter', label: 'One cutter' },
  { value: 'machines', label: 'Machines' },
];
// What the rows and columns of each view are called in the address of the list.
const AXES: Record<View, { row: string; column: string }> = {
  operation: { row: 'cutter', column: 'material' },
  cutter: { row: 'material', column: 'operation' },
  machines: { row: 'machine', column: 'operation' },
};
const MOST = 500;

/** What is approved and what is missing, counted so that every number leads to the records behind it. */
export function CoveragePage() {
  const navigate = useNavigate();
  const list = useListing(MOST);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const operations = useOperations().data ?? [];
  const materials = useMaterials().data ?? [];
  const machines = useMachines().data ?? [];
  const view = (list.get('view') ?? 'operation') as View;
  // What was chosen is of the table that is shown.
  const change = (values: Record<string, string | undefined>) => {
    setChosen(new Set());
    list.change(values);
  };
  const operation = list.get('operation') ?? operations[0]?.code;
  const cutter = list.get('cutter');
  const asked = {
    view,
    take: MOST,
    ...(view === 'operation' && { operation: operation ?? '', text: list.text }),
    ...(view === 'cutter' && { cutter: Number(cutter) }),
    ...(list.get('machine') && { machine: Number(list.get('machine')) }),
    ...(view === 'machines' && list.get('material') && { material: Number(list.get('material')) }),
  };
  const ready = view === 'machines' || (view === 'operation' ? Boolean(operation) : Boolean(cutter));
  const answer = useQuery({
    queryKey: ['coverage', asked],
    queryFn: () => data(client.GET('/api/v1/coverage', { params: { query: asked } })),
    enabled: ready,
    placeholderData: keepPreviousData,
  });
  const fixed = new URLSearchParams();
  for (const [key, on] of [
    ['operation', view === 'operation'],
    ['cutter', view === 'cutter'],
    ['machine', true],
    ['material', view === 'machines'],
  ] as const) {
    const value = key === 'operation' ? operation : list.get(key);
    if (on && value) fixed.set(key, value);
  }
  const listOf = (counts: string, more: Record<string, string> = {}) =>
    `/records?${new URLSearchParams({ state: 'all', counts, ...Object.fromEntries(fixed), ...more })}`;
  const gapOf = (key: string): Omit<Schemas['Gap'], 'machineId'> => {
    const [row, column] = key.split(' ') as [string, string];
    return view === 'operation'
      ? { operation: operation!, cutterId: Number(row), materialId: Number(column) }
      : { operation: column, cutterId: Number(cutter), materialId: Number(row) };
  };
  const nameOf = (gap: Schemas['Gap']) =>
    [
      operations.find((o) => o.code === gap.operation)?.name,
      materials.find((m) => m.id === gap.materialId)?.definition.name,
      view === 'operation' ? answer.data?.rows.find((r) => r.key === String(gap.cutterId))?.name : '',
    ]
      .filter(Boolean)
      .join(', ');
  const total = answer.data?.total;
  return (
    <div className="page">
      <header>
        <div>
          <Link to="/records">Records</Link>
          <h1>Coverage</h1>
        </div>
        <Segmented<View> value={view} onChange={(to) => change({ view: to, text: undefined })} options={VIEWS} />
      </header>
      <div className="filters noprint">
        {view === 'operation' && (
          <>
            <Select
              aria-label="Operation"
              style={{ width: 230 }}
              showSearch={{ optionFilterProp: 'label' }}
              value={operation}
              onChange={(code) => change({ operation: code })}
              options={operations.map((o) => ({ value: o.code, label: o.name }))}
            />
            <ListWords list={list} label="Cutters" example="cutters: words of them" width={220} />
          </>
        )}
        {view === 'cutter' && <CutterPick value={cutter} onChange={(id) => change({ cutter: id })} />}
        <ListPick
          list={{ ...list, change }}
          of="machine"
          label="Machine"
          none="any machine"
          options={machines.map((m) => ({ value: String(m.id), label: m.definition.name }))}
        />
        {view === 'machines' && (
          <ListPick
            list={{ ...list, change }}
            of="material"
            label="Material"
            none="any material"
            options={materials.map((m) => ({ value: String(m.id), label: m.definition.name }))}
          />
        )}
      </div>
      <Problem error={answer.error} />
      {total && (
        <p className="coverkey">
          {STATES.map(({ state, mark, words }) => (
            <span key={state} className={state}>
              <i>{mark}</i> {state === 'lookedFor' ? words : <Link to={listOf(state)}>{words}</Link>} {total[state]}
            </span>
          ))}
        </p>
      )}
      {!ready && <p className="muted">Choose a cutter.</p>}
      {answer.data?.totalRows === 0 && !list.text && <StillMissing of={['machine', 'material', 'cutter']} />}
      {answer.data && ready && answer.data.totalRows > 0 && (
        <Grid
          key={JSON.stringify(asked)}
          answer={answer.data}
          chosen={view === 'machines' ? undefined : chosen}
          onChosen={setChosen}
          onOpen={(row, column) => void navigate(listOf('any', { [AXES[view].row]: row.key, [AXES[view].column]: column.key }))}
        />
      )}
      {answer.data && answer.data.totalRows > MOST && (
        <p className="muted">
          The first {MOST} of {answer.data.totalRows}; words find the others.
        </p>
      )}
      {view !== 'machines' && (
        <FillGaps
          gaps={[...chosen].map(gapOf)}
          machine={list.get('machine') ?? undefined}
          nameOf={nameOf}
          onDone={() => setChosen(new Set())}
        />
      )}
    </div>
  );
}

function CutterPick({ value, onChange }: { value: string | undefined; onChange: (id: string) => void }) {
  const [typed, setTyped] = useState('');
  const picks = usePicks('cutters', { text: typed });
  return (
    <Select
      aria-label="Cutter"
      placeholder="which cutter"
      style={{ width: 230 }}
      showSearch={{ filterOption: false, onSearch: setTyped }}
      value={value}
      onChange={onChange}
      options={(picks.data?.rows ?? []).map((r) => ({ value: String(r.sheet.id), label: r.sheet.definition.number }))}
    />
  );
}
