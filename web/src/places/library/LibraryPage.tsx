import { Button, Input, Segmented, Select, Table, type TableColumnsType } from 'antd';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useMayWork, useUnits } from '../../app/session';
import { groupColours } from '../../app/theme';
import { Problem } from '../../parts/Problem';
import {
  byId,
  cuttingMaterialWords,
  useAssemblies,
  useCutters,
  useHolders,
  type AssemblySheet,
  type CutterSheet,
  type HolderSheet,
} from '../../parts/shelf';
import { useAddressText } from '../../parts/useAddressText';
import { girthOf, lengthOf, ScaleBar, Silhouette } from '../../parts/Silhouette';

type Kind = 'cutters' | 'holders' | 'assemblies';
const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'];
const PICTURE = 300;
const ROW = 58;

/** Lists of cutters, holders and assemblies, each row with its true-to-scale silhouette in one common scale. */
export function LibraryPage() {
  const kind = (useParams().kind ?? 'assemblies') as Kind;
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const set = (key: string, value: string | undefined) =>
    setSearch(
      (s) => {
        if (value) s.set(key, value);
        else s.delete(key);
        return s;
      },
      { replace: true },
    );
  const [q, setQ] = useAddressText('q');
  const words = q.toLowerCase().split(/\s+/).filter(Boolean);
  const group = search.get('group') ?? undefined;
  const matches = (text: string) => words.every((w) => text.toLowerCase().includes(w));

  return (
    <div className="page">
      <header>
        <h1>Library</h1>
        <Segmented<Kind>
          value={kind}
          onChange={(k) => void navigate(`/library/${k}`)}
          options={[
            { value: 'assemblies', label: 'Assemblies' },
            { value: 'cutters', label: 'Cutters' },
            { value: 'holders', label: 'Holders' },
          ]}
        />
        <Input
          className="filter"
          allowClear
          aria-label="Filter"
          placeholder="12 carbide, A-10, collet …"
          value={q}
          onChange={(e) => setQ(e.target.value)}
        />
        {kind !== 'holders' && (
          <Select
            allowClear
            aria-label="Material it may cut"
            placeholder="cuts group"
            value={group}
            onChange={(g) => set('group', g)}
            options={GROUPS.map((g) => ({ value: g, label: `cuts ${g}` }))}
            style={{ width: 110 }}
          />
        )}
        <span className="grow" />
        {mayWork && (
          <>
            {kind === 'cutters' && <Button onClick={() => void navigate('/library/cutters/new')}>Add a cutter</Button>}
            {kind === 'holders' && <Button onClick={() => void navigate('/library/holders/new')}>Add a holder</Button>}
            {kind === 'assemblies' && <Button onClick={() => void navigate('/library/assemblies/new')}>Put an assembly together</Button>}
          </>
        )}
      </header>
      {kind === 'cutters' && <Cutters matches={matches} group={group} />}
      {kind === 'holders' && <Holders matches={matches} />}
      {kind === 'assemblies' && <Assemblies matches={matches} group={group} />}
    </div>
  );
}

function Groups({ groups }: { groups: readonly string[] }) {
  return (
    <span className="groups">
      {groups.map((g) => (
        <i key={g} style={{ borderBottomColor: groupColours[g] }}>
          {g}
        </i>
      ))}
    </span>
  );
}

function Cutters({ matches, group }: { matches: (text: string) => boolean; group: string | undefined }) {
  const cutters = useCutters();
  const units = useUnits();
  const rows = (cutters.data ?? []).filter(({ definition: d }) => {
    const text = `${d.number} ${d.cuttingDiameter}mm Ø${units.size(d.cuttingDiameter)} z${d.teeth} ${cuttingMaterialWords[d.material!]} ${d.coating} ${d.remarks} square end mill`;
    return matches(text) && (!group || d.groups!.includes(group as never));
  });
  const columns: TableColumnsType<CutterSheet> = [
    {
      title: 'Number',
      dataIndex: ['definition', 'number'],
      width: 90,
      render: (n, r) => <Link to={`/library/cutters/${r.id}`}>{n}</Link>,
      sorter: (a, b) => a.definition.number.localeCompare(b.definition.number),
    },
    ...silhouetteColumn<CutterSheet>(rows, (r) => r.definition.helixAngle),
    number('Ø DC', (r) => r.definition.cuttingDiameter, units.size.bind(units)),
    number('z', (r) => r.definition.teeth, String),
    number('Flutes LCF', (r) => r.definition.fluteLength, units.size.bind(units)),
    number('Usable LU', (r) => r.definition.usableLength, units.size.bind(units)),
    {
      title: 'Of',
      render: (_, r) => `${cuttingMaterialWords[r.definition.material!]}${r.definition.coating ? `, ${r.definition.coating}` : ''}`,
    },
    { title: 'May cut', render: (_, r) => <Groups groups={r.definition.groups!} /> },
    { title: 'Remarks', render: (_, r) => <span className="muted small">{r.definition.remarks}</span> },
  ];
  return <List rows={rows} all={cutters.data?.length} columns={columns} error={cutters.error} loading={cutters.isPending} word="cutter" />;
}

function Holders({ matches }: { matches: (text: string) => boolean }) {
  const holders = useHolders();
  const units = useUnits();
  const rows = (holders.data ?? []).filter(({ definition: d }) => matches(`${d.number} ${d.kind} ${d.interface} ${d.remarks}`));
  const columns: TableColumnsType<HolderSheet> = [
    { title: 'Number', dataIndex: ['definition', 'number'], width: 90, render: (n, r) => <Link to={`/library/holders/${r.id}`}>{n}</Link> },
    ...silhouetteColumn<HolderSheet>(rows, () => 0),
    { title: 'Kind', render: (_, r) => r.definition.kind },
    { title: 'Interface', render: (_, r) => r.definition.interface },
    {
      title: 'Clamps Ø',
      render: (_, r) => (
        <span className="mono">
          {r.definition.leastClamping === r.definition.largestClamping
            ? units.size(r.definition.largestClamping)
            : `${units.size(r.definition.leastClamping)} – ${units.size(r.definition.largestClamping)}`}
        </span>
      ),
    },
    number('Least grip', (r) => r.definition.leastGrip, units.size.bind(units)),
    number(
      'Most rev/min',
      (r) => r.definition.largestSpeed,
      (n) => units.number(n, 'spindleSpeed'),
    ),
  ];
  return <List rows={rows} all={holders.data?.length} columns={columns} error={holders.error} loading={holders.isPending} word="holder" />;
}

function Assemblies({ matches, group }: { matches: (text: string) => boolean; group: string | undefined }) {
  const assemblies = useAssemblies();
  const cutters = byId(useCutters().data);
  const holders = byId(useHolders().data);
  const units = useUnits();
  const rows = (assemblies.data ?? []).filter(({ definition: d }) => {
    const cutter = cutters.get(d.cutterId)?.definition;
    const holder = holders.get(d.holderId)?.definition;
    const text = `${d.number} ${cutter?.number} ${cutter?.cuttingDiameter}mm Ø${cutter ? units.size(cutter.cuttingDiameter) : ''} z${cutter?.teeth} ${cuttingMaterialWords[cutter?.material ?? '']} ${holder?.kind} ${holder?.interface} ${d.stockPlace}`;
    return matches(text) && (!group || cutter?.groups!.includes(group as never));
  });
  const cutterOf = (r: AssemblySheet) => cutters.get(r.definition.cutterId)?.definition;
  const columns: TableColumnsType<AssemblySheet> = [
    {
      title: 'Shop number',
      dataIndex: ['definition', 'number'],
      width: 110,
      render: (n, r) => <Link to={`/library/assemblies/${r.id}`}>{n}</Link>,
      sorter: (a, b) => a.definition.number.localeCompare(b.definition.number),
    },
    ...silhouetteColumn<AssemblySheet>(rows, (r) => cutterOf(r)?.helixAngle),
    number('Ø DC', (r) => cutterOf(r)?.cuttingDiameter ?? 0, units.size.bind(units)),
    number('z', (r) => cutterOf(r)?.teeth ?? 0, String),
    number('Out of holder', (r) => r.definition.projection, units.size.bind(units)),
    {
      title: 'Holder',
      render: (_, r) =>
        `${holders.get(r.definition.holderId)?.definition.kind ?? ''}, ${holders.get(r.definition.holderId)?.definition.interface ?? ''}`,
    },
    { title: 'May cut', render: (_, r) => <Groups groups={cutterOf(r)?.groups ?? []} /> },
    { title: 'Kept in', render: (_, r) => <span className="muted">{r.definition.stockPlace}</span> },
  ];
  return (
    <List
      rows={rows}
      all={assemblies.data?.length}
      columns={columns}
      error={assemblies.error}
      loading={assemblies.isPending}
      word="assembly"
      plural="assemblies"
    />
  );
}

interface Row {
  id: number;
  profile: CutterSheet['profile'];
}

function number<T>(title: string, value: (row: T) => number, text: (value: number) => string): TableColumnsType<T>[number] {
  return {
    title,
    align: 'right',
    render: (_, row) => <span className="mono">{text(value(row))}</span>,
    sorter: (a, b) => value(a) - value(b),
    showSorterTooltip: false,
  };
}

// The scale lets the longest tool of the whole list fit, so that rows can be compared by eye.
function silhouetteColumn<T extends Row>(rows: readonly T[], helix: (row: T) => number | undefined): TableColumnsType<T> {
  const longest = Math.max(60, ...rows.map((r) => lengthOf(r.profile)));
  const thickest = Math.max(10, ...rows.map((r) => girthOf(r.profile)));
  const scale = Math.min(2.4, (PICTURE - 4) / longest, ROW / thickest);
  return [
    {
      title: <ScaleTitle scale={scale} />,
      width: PICTURE + 16,
      render: (_, r) => (
        <Silhouette
          profile={r.profile}
          helix={helix(r)}
          scale={scale}
          width={PICTURE}
          height={Math.max(16, girthOf(r.profile) * scale + 3)}
        />
      ),
    },
  ];
}

function ScaleTitle({ scale }: { scale: number }) {
  const units = useUnits();
  return <ScaleBar scale={scale} text={(mm) => `${units.size(mm)} ${units.system}`} />;
}

function List<T extends Row>(props: {
  rows: T[];
  all: number | undefined;
  columns: TableColumnsType<T>;
  error: unknown;
  loading: boolean;
  word: string;
  plural?: string;
}) {
  const { rows, all, columns, error, loading, word, plural } = props;
  const many = plural ?? `${word}s`;
  return (
    <>
      <Problem error={error} />
      <Table<T>
        size="small"
        rowKey="id"
        loading={loading}
        dataSource={rows}
        columns={columns}
        pagination={rows.length > 100 ? { pageSize: 100, showSizeChanger: false } : false}
        locale={{ emptyText: all === 0 ? `No ${word} yet. Add the first one above.` : `No ${word} fits these words. Take some away.` }}
      />
      <p className="muted small">
        {all === undefined ? '' : rows.length === all ? `${all} ${all === 1 ? word : many}` : `${rows.length} of ${all} ${many}`}
      </p>
    </>
  );
}
