import { useQuery } from '@tanstack/react-query';
import { Segmented, Table } from 'antd';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { day } from '../../parts/units';

type State = Schemas['RecordState'] | 'all';
const STATES: [State, string][] = [
  ['all', 'All'],
  ['draft', 'Drafts'],
  ['inReview', 'In review'],
  ['approved', 'Approved'],
  ['withdrawn', 'Withdrawn'],
];

/** Drafts, proposals and approved data; an approver sees first what waits for a decision. */
export function RecordsPage() {
  const { session } = useApp();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const records = useQuery({ queryKey: ['records'], queryFn: () => data(client.GET('/api/v1/records')) });
  const all = records.data ?? [];
  const waiting = all.filter((r) => r.state === 'inReview').length;
  const state = (search.get('state') ?? (session?.role === 'approver' && waiting > 0 ? 'inReview' : 'all')) as State;
  const rows = all.filter((r) => state === 'all' || r.state === state);
  return (
    <div className="page">
      <header>
        <h1>Records</h1>
        <Segmented<State>
          value={state}
          onChange={(s) => setSearch({ state: s }, { replace: true })}
          options={STATES.map(([value, words]) => ({
            value,
            label: `${words} ${value === 'all' ? all.length : all.filter((r) => r.state === value).length}`,
          }))}
        />
      </header>
      <Problem error={records.error} />
      <Table
        size="small"
        rowKey="number"
        loading={records.isPending}
        dataSource={rows}
        pagination={rows.length > 50 ? { pageSize: 50, showSizeChanger: false } : false}
        onRow={(r) => ({ onClick: () => void navigate(`/records/${r.number}`), className: 'clickable' })}
        locale={{ emptyText: all.length === 0 ? 'No record yet. Calculate something and save it as a draft.' : 'No record stands here.' }}
        columns={[
          { title: 'Record', width: 110, render: (_, r) => <Link to={`/records/${r.number}`}>{`${r.number} rev ${r.revision}`}</Link> },
          { title: 'Stands', width: 105, render: (_, r) => <StateMark state={r.state} /> },
          {
            title: 'For',
            render: (_, r) => (
              <span>
                <SituationSentence s={r.situation} />
                {r.staleBy.length > 0 && (
                  <span className={r.broken ? 'stale broken' : 'stale'}>
                    {' '}
                    · stale{r.broken ? ', breaks a limit now' : ''}: {r.staleBy.join(', ')} revised since
                  </span>
                )}
              </span>
            ),
          },
          { title: 'Note', width: 260, render: (_, r) => <span className="muted small">{r.note}</span> },
          { title: 'By', width: 80, render: (_, r) => r.proposedBy },
          { title: 'Changed', width: 112, render: (_, r) => <span className="muted">{day(r.changedAt)}</span> },
        ]}
      />
    </div>
  );
}
