import { Missing } from '../../parts/Missing';
import { useMutation } from '@tanstack/react-query';
import { Button, Segmented, Table } from 'antd';
import { Link, useNavigate, useParams } from 'react-router';
import { useMayWork, useUnits } from '../../parts/session';
import { MaterialName } from '../../parts/Situation';
import { Problem } from '../../parts/Problem';
import { Untried } from '../../parts/Untried';
import { useCharts, useMachines, useMaterials, useMethods, useOperations, useShelfChanged } from '../../parts/shelf';
import { chartCalls, SpeedChartTable } from './SpeedChartTable';
import { SpindleCurve } from './SpindleCurve';
import { Threads } from './Threads';

type Kind = 'materials' | 'machines' | 'charts' | 'methods' | 'threads';

const KINDS: Record<Kind, string> = {
  materials: 'Work materials',
  machines: 'Machines',
  charts: 'Speed chart',
  methods: 'Methods',
  threads: 'Threads',
};

/** What the workshop cuts, on what, and where its starting figures stand. */
export function ShopPage() {
  const kind = (useParams().kind ?? 'materials') as Kind;
  const navigate = useNavigate();
  const mayWork = useMayWork();
  if (!(kind in KINDS)) return <Missing />;
  return (
    <div className="page">
      <header>
        <h1>
          Shop<span className="sr">: {KINDS[kind].toLowerCase()}</span>
        </h1>
        <Segmented<Kind>
          value={kind}
          onChange={(k) => void navigate(`/shop/${k}`)}
          options={Object.entries(KINDS).map(([value, label]) => ({ value: value as Kind, label }))}
        />
        <span className="grow" />
        {mayWork && (kind === 'materials' || kind === 'charts') && (
          <Button onClick={() => void navigate(`/shop/starters?kind=${kind === 'charts' ? 'rows' : kind}`)}>Starting values</Button>
        )}
        {mayWork && kind === 'materials' && <Button onClick={() => void navigate('/shop/materials/new')}>Add a work material</Button>}
        {mayWork && kind === 'methods' && <Button onClick={() => void navigate('/shop/methods/new')}>Add a method</Button>}
        {mayWork && kind === 'machines' && <Button onClick={() => void navigate('/shop/machines/new')}>Add a machine</Button>}
      </header>
      {kind === 'materials' && <Materials />}
      {kind === 'machines' && <Machines />}
      {kind === 'charts' && <Charts />}
      {kind === 'methods' && <Methods />}
      {kind === 'threads' && <Threads />}
    </div>
  );
}

function Methods() {
  const methods = useMethods();
  const units = useUnits();
  const operations = useOperations();
  return (
    <>
      <Problem error={methods.error} />
      <Table
        size="small"
        rowKey="id"
        pagination={false}
        loading={methods.isPending}
        dataSource={methods.data ?? []}
        locale={{ emptyText: 'No methods yet. Type values in Calculate and save them as a method, or add one here.' }}
        columns={[
          { title: 'Method', render: (_, m) => <Link to={`/shop/methods/${m.id}`}>{m.definition.name}</Link> },
          { title: 'Operation', render: (_, m) => operations.data?.find((o) => o.code === m.definition.operation)?.name },
          {
            title: 'What it sets',
            render: (_, m) => {
              const operation = operations.data?.find((o) => o.code === m.definition.operation);
              return (m.definition.choices ?? [])
                .map((c) => {
                  const field = operation?.fields.find((f) => f.code === c.field);
                  const name = field?.symbol.replace('_', ' ') || c.field;
                  if (c.basis === 'value') return `${name} ${field ? units.text(c.amount, field.quantity) : c.amount}`;
                  return `${name} ${units.number(c.amount, 'ratio')} × ${c.basis === 'ofDiameter' ? 'D' : 'flutes'}`;
                })
                .join(', ');
            },
          },
          { title: 'When it is good', render: (_, m) => <span className="muted small">{m.definition.remarks}</span> },
          { title: 'Revision', align: 'right', render: (_, m) => <span className="mono">{m.revision}</span> },
        ]}
      />
    </>
  );
}

function Materials() {
  const materials = useMaterials();
  const units = useUnits();
  const mono = (text: string) => <span className="mono">{text}</span>;
  return (
    <>
      <Problem error={materials.error} />
      <Table
        size="small"
        rowKey="id"
        pagination={false}
        loading={materials.isPending}
        dataSource={materials.data ?? []}
        locale={{ emptyText: 'No work materials yet. Take starting values over, or add the ones you cut with figures of your own.' }}
        columns={[
          {
            title: 'Material',
            render: (_, m) => (
              <Link to={`/shop/materials/${m.id}`}>
                <MaterialName name={m.definition.name} group={m.definition.group} />
              </Link>
            ),
          },
          { title: 'Sub-group', render: (_, m) => m.definition.subGroup },
          { title: 'Condition', render: (_, m) => m.definition.condition },
          { title: 'HB', align: 'right', render: (_, m) => mono(units.number(m.definition.hardness!, 'hardness')) },
          {
            title: `R_m, ${units.unit('stress')}`,
            align: 'right',
            render: (_, m) => mono(units.number(m.definition.tensileStrength!, 'stress')),
          },
          {
            title: `k_c1.1, ${units.unit('stress')}`,
            align: 'right',
            render: (_, m) => mono(units.number(m.definition.specificCuttingForce!, 'stress')),
          },
          { title: 'm_c', align: 'right', render: (_, m) => mono(String(m.definition.chipExponent)) },
          { title: 'k_r', align: 'right', render: (_, m) => mono(String(m.definition.radialRatio)) },
          {
            title: 'From',
            render: (_, m) => (
              <span className="muted small">
                <Untried untried={m.definition.untried} /> {m.definition.source}
              </span>
            ),
          },
        ]}
      />
    </>
  );
}

function Machines() {
  const machines = useMachines();
  const mayWork = useMayWork();
  const units = useUnits();
  return (
    <>
      <Problem error={machines.error} />
      {machines.data?.length === 0 && (
        <section className="card">
          <h2>No machine yet</h2>
          <p>A machine’s plate says what its spindle can do; without one nothing can be calculated.</p>
          {mayWork ? <Link to="/shop/machines/new">Add a machine</Link> : <p className="muted">An engineer can add one here.</p>}
        </section>
      )}
      <div className="machines">
        {(machines.data ?? []).map(({ id, definition: m }) => (
          <section key={id} className="card notched">
            <h2>
              <Link to={`/shop/machines/${id}`}>{m.name}</Link> <span className="muted">{m.kind}</span>
            </h2>
            <SpindleCurve curve={m.curve ?? []} least={m.leastSpeed!} most={m.largestSpeed!} />
            <div className="rows">
              <div>
                <span>Spindle</span>
                <b>
                  {units.number(m.leastSpeed!, 'spindleSpeed')} – {units.text(m.largestSpeed!, 'spindleSpeed')}, {m.interface}
                </b>
              </div>
              <div>
                <span>Axis feed, rapid</span>
                <b>
                  {units.number(m.largestFeed!, 'feedRate')}, {units.text(m.rapidFeed!, 'feedRate')}
                </b>
              </div>
              <div>
                <span>Taps in step to</span>
                <b>{m.synchronousLimit ? units.text(m.synchronousLimit, 'spindleSpeed') : 'not'}</b>
              </div>
              <div>
                <span>Efficiency</span>
                <b>{m.efficiency}</b>
              </div>
            </div>
            <p className="muted small">{m.source}</p>
          </section>
        ))}
      </div>
    </>
  );
}

function Charts() {
  const charts = useCharts();
  const operations = useOperations();
  const mayWork = useMayWork();
  const shelfChanged = useShelfChanged();
  const make = useMutation({
    mutationFn: () => chartCalls.create({ name: 'Speed chart of the shop', rows: [], cycles: [] }),
    onSuccess: shelfChanged,
  });
  return (
    <>
      <Problem error={charts.error ?? make.error} />
      {charts.data?.length === 0 && (
        <section className="card">
          <h2>No speed chart yet</h2>
          <p>
            The chart holds the shop’s own starting figures: cutting speed and feed by family of cutter, cutting material, work material and
            operation. Calculations propose from it; without it every value has to be typed.
          </p>
          {mayWork ? (
            <Button type="primary" loading={make.isPending} onClick={() => make.mutate()}>
              Make a speed chart
            </Button>
          ) : (
            <p className="muted">An engineer can make one here.</p>
          )}
        </section>
      )}
      {(charts.data ?? []).map((chart) => (
        <SpeedChartTable key={chart.id} chart={chart} operations={operations.data ?? []} />
      ))}
    </>
  );
}
