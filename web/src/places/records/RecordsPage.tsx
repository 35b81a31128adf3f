import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Segmented, Table } from 'antd';
import { Link, useNavigate } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { ListAllAgain, ListPages, ListPick, ListWords, useListing, type Listing } from '../../parts/listing';
import { Problem } from '../../parts/Problem';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { useMachines, useMaterials, useOperations } from '../../parts/shelf';
import { day } from '../../parts/units';
import { Review } from './Review';
import { Settle } from './Settle';
import { StaleLine } from './Stale';

type Shown = Schemas['RecordState'] | 'all' | 'stale' | 'waits';
const SHOWN: [Shown, string][] = [
  ['waits', 'Waits for you'],
  ['all', 'All'],
  ['draft', 'Drafts'],
  ['inReview', 'In review'],
  ['approved', 'Approved'],
  ['withdrawn', 'Withdrawn'],
  ['stale', 'Stale'],
];
const ORDERS: Record<string, string> = {
  changed: 'changed last',
  number: 'by number',
  moved: 'moved most',
  limit: 'nearest to a limit',
};
const FILTERS = ['text', 'material', 'machine', 'operation', 'cutter', 'by', 'limit', 'counts'];
const PAGE = 50;
const AGAIN = 2000;

/** Drafts, proposals and approved data, as the database finds them; whoever has something waiting sees that first. */
export function RecordsPage() {
  const navigate = useNavigate();
  const list = useListing(PAGE);
  const usual = useListed(new URLSearchParams({ take: '1' }), !list.get('state')).data?.waiting ? 'waits' : 'all';
  const shown = (list.get('state') ?? usual) as Shown;
  const asked = new URLSearchParams({ ...list.filters([...FILTERS, 'order']), skip: String(list.rows.skip), take: String(PAGE) });
  if (shown === 'waits') asked.set('waits', 'true');
  else if (shown === 'stale') asked.set('stands', 'stale');
  else if (shown !== 'all') asked.set('state', shown);
  if (shown === 'stale' && !list.get('order')) asked.set('order', 'moved');
  const records = useListed(asked);
  const { rows = [], total = 0, counts = {}, stale = 0, waiting = 0, judging = 0 } = records.data ?? {};
  const all = Object.entries(counts).reduce((sum, [state, n]) => (state === 'discarded' ? sum : sum + n), 0);
  const countOf = (state: Shown) =>
    state === 'waits' ? waiting : state === 'all' ? all : state === 'stale' ? stale : (counts[state] ?? 0);
  return (
    <div className="page">
      <header>
        <h1>Records</h1>
        <Segmented<Shown>
          value={shown}
          onChange={(state) => list.change({ state })}
          options={SHOWN.map(([value, words]) => ({ value, label: `${words} ${countOf(value)}` }))}
        />
        <span className="grow" />
        {judging > 0 && (
          <span className="muted" role="status">
            {judging} of them are being recalculated: something they rest on was revised.
          </span>
        )}
        <Link to="/records/coverage">Coverage</Link>
      </header>
      <Filters usual={shown === 'stale' ? 'moved' : 'changed'} list={list} />
      <Problem error={records.error} />
      {shown === 'stale' && records.isSuccess ? (
        <Settle rows={rows} />
      ) : (shown === 'waits' || shown === 'inReview') && records.isSuccess ? (
        <Review rows={rows} />
      ) : (
        <Table
          size="small"
          rowKey="number"
          loading={records.isPending}
          dataSource={rows}
          pagination={false}
          footer={total > PAGE ? () => <ListPages list={list} total={total} /> : undefined}
          onRow={(r) => ({ onClick: () => void navigate(`/records/${r.number}`), className: 'clickable' })}
          locale={{
            emptyText: records.isPending
              ? 'Fetching the records…'
              : all === 0 && !list.text
                ? 'No record yet. Calculate something and save it as a draft.'
                : 'No record is like this.',
          }}
          columns={[
            { title: 'Record', width: 110, render: (_, r) => <Link to={`/records/${r.number}`}>{`${r.number} rev ${r.revision}`}</Link> },
            { title: 'Stands', width: 105, render: (_, r) => <StateMark state={r.state} sentBack={r.sentBack} ended={r.ended} /> },
            {
              title: 'For',
              render: (_, r) => (
                <span>
                  <SituationSentence s={r.situation} /> <StaleLine record={r} />
                </span>
              ),
            },
            { title: 'Note', width: 220, render: (_, r) => <span className="muted small">{r.note}</span> },
            { title: 'Limit', width: 62, align: 'right', render: (_, r) => <span className="mono">{Math.round(r.worstUse * 100)} %</span> },
            { title: 'By', width: 70, render: (_, r) => r.proposedBy },
            { title: 'Changed', width: 112, render: (_, r) => <span className="muted">{day(r.changedAt)}</span> },
          ]}
        />
      )}
    </div>
  );
}

/** A page of the list; while records are recalculated it is fetched again. */
function useListed(query: URLSearchParams, enabled = true) {
  return useQuery({
    queryKey: ['records', 'list', query.toString()],
    queryFn: () => data(client.GET('/api/v1/records', { params: { query: Object.fromEntries(query) as never } })),
    enabled,
    placeholderData: keepPreviousData,
    refetchInterval: (q) => (q.state.data?.judging ? AGAIN : false),
  });
}

function Filters({ usual, list }: { usual: string; list: Listing }) {
  const operations = (useOperations().data ?? []).map((o) => ({ value: o.code, label: o.name }));
  const materials = (useMaterials().data ?? []).map((m) => ({ value: String(m.id), label: m.definition.name }));
  const machines = (useMachines().data ?? []).map((m) => ({ value: String(m.id), label: m.definition.name }));
  const orders = Object.entries(ORDERS).map(([value, label]) => ({ value, label }));
  return (
    <div className="filters noprint">
      <ListWords list={list} label="Words" example="words: number, cutter, material, note" />
      <ListPick list={list} of="operation" label="any operation" options={operations} />
      <ListPick list={list} of="material" label="any material" options={materials} />
      <ListPick list={list} of="machine" label="any machine" options={machines} />
      <ListPick list={list} of="order" label="Order" none={ORDERS[usual]} options={orders} />
      <ListAllAgain list={list} keys={FILTERS} />
    </div>
  );
}
