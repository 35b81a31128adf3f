import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Input, Segmented, Select, Table } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
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
const PAGE = 50;
const AGAIN = 2000;

/** Drafts, proposals and approved data, as the database finds them; whoever has something waiting sees that first. */
export function RecordsPage() {
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const usual = useListed(new URLSearchParams({ take: '1' }), !search.has('state')).data?.waiting ? 'waits' : 'all';
  const shown = (search.get('state') ?? usual) as Shown;
  const page = Math.max(1, Number(search.get('page')) || 1);
  const [text, setText] = useState(search.get('text') ?? '');
  const change = (values: Record<string, string | undefined>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        next.delete('page');
        for (const [key, value] of Object.entries(values))
          if (value) next.set(key, value);
          else next.delete(key);
        return next;
      },
      { replace: true },
    );
  useEffect(() => {
    const later = setTimeout(() => text.trim() !== (search.get('text') ?? '') && change({ text: text.trim() }), 250);
    return () => clearTimeout(later);
  });

  const asked = new URLSearchParams({ skip: String((page - 1) * PAGE), take: String(PAGE) });
  for (const key of ['text', 'material', 'machine', 'operation', 'order', 'cutter', 'by', 'limit', 'counts'])
    if (search.get(key)) asked.set(key, search.get(key)!);
  if (shown === 'waits') asked.set('waits', 'true');
  else if (shown === 'stale') asked.set('stands', 'stale');
  else if (shown !== 'all') asked.set('state', shown);
  if (shown === 'stale' && !search.get('order')) asked.set('order', 'moved');
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
          onChange={(state) => change({ state })}
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
      <Filters usual={shown === 'stale' ? 'moved' : 'changed'} search={search} text={text} onText={setText} change={change} />
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
          pagination={
            total > PAGE && { current: page, total, pageSize: PAGE, showSizeChanger: false, onChange: (n) => change({ page: String(n) }) }
          }
          onRow={(r) => ({ onClick: () => void navigate(`/records/${r.number}`), className: 'clickable' })}
          locale={{
            emptyText:
              all === 0 && !search.get('text') ? 'No record yet. Calculate something and save it as a draft.' : 'No record is like this.',
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

interface FiltersProps {
  usual: string;
  search: URLSearchParams;
  text: string;
  onText: (text: string) => void;
  change: (values: Record<string, string | undefined>) => void;
}

function Filters({ usual, search, text, onText, change }: FiltersProps) {
  const materials = useMaterials().data ?? [];
  const machines = useMachines().data ?? [];
  const operations = useOperations().data ?? [];
  const pick = (key: string, label: string, options: { value: string; label: string }[]) => (
    <Select
      aria-label={label}
      allowClear
      showSearch={{ optionFilterProp: 'label' }}
      placeholder={label}
      style={{ width: 168 }}
      value={search.get(key) ?? undefined}
      onChange={(value: string | undefined) => change({ [key]: value })}
      options={options}
    />
  );
  const set = ['text', 'material', 'machine', 'operation', 'cutter', 'by', 'limit', 'counts'].filter((key) => search.get(key));
  return (
    <div className="filters noprint">
      <Input
        allowClear
        aria-label="Words"
        placeholder="words: number, cutter, material, note"
        style={{ width: 290 }}
        value={text}
        onChange={(e) => onText(e.target.value)}
      />
      {pick(
        'operation',
        'any operation',
        operations.map((o) => ({ value: o.code, label: o.name })),
      )}
      {pick(
        'material',
        'any material',
        materials.map((m) => ({ value: String(m.id), label: m.definition.name })),
      )}
      {pick(
        'machine',
        'any machine',
        machines.map((m) => ({ value: String(m.id), label: m.definition.name })),
      )}
      {pick(
        'order',
        ORDERS[usual]!,
        Object.entries(ORDERS).map(([value, label]) => ({ value, label })),
      )}
      {set.length > 0 && (
        <Button
          type="link"
          onClick={() => {
            onText('');
            change(Object.fromEntries(set.map((key) => [key, undefined])));
          }}
        >
          All again
        </Button>
      )}
    </div>
  );
}
