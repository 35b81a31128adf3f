import { useQuery } from '@tanstack/react-query';
import { Button, Table } from 'antd';
import { Link, useParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { SituationSentence } from '../../parts/Situation';

const COLUMNS: [string, string][] = [
  ['spindleSpeed', 'n'],
  ['feedRate', 'v_f'],
  ['width', 'a_e'],
  ['depth', 'a_p'],
];

/** One edition, as it was published. */
export function EditionPage() {
  const number = Number(useParams().number);
  const units = useUnits();
  const mayWork = useMayWork();
  const edition = useQuery({
    queryKey: ['editions', number],
    queryFn: () => data(client.GET('/api/v1/editions/{number}', { params: { path: { number } } })),
  });
  if (edition.error)
    return (
      <div className="page">
        <Problem error={edition.error} />
      </div>
    );
  if (!edition.data) return <p className="page muted">Fetching the edition…</p>;
  const { summary, entries } = edition.data;
  return (
    <div className="page">
      <header>
        <div>
          <Link to="/editions">Editions</Link>
          <h1>Edition {summary.number}</h1>
          <p>{summary.note}</p>
          <p className="muted small">
            Published {new Date(summary.publishedAt).toLocaleString()} by {summary.publishedBy}. SHA-256 of its contents{' '}
            <span className="mono">{summary.digest}</span>
          </p>
        </div>
        <span className="grow" />
        <Button className="noprint" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      <Table<Schemas['EditionEntryView']>
        size="small"
        rowKey="record"
        pagination={false}
        dataSource={entries}
        columns={[
          {
            title: 'Record',
            width: 110,
            render: (_, e) =>
              mayWork ? (
                <Link to={`/records/${e.record}?rev=${e.revision}`}>{`${e.record} rev ${e.revision}`}</Link>
              ) : (
                `${e.record} rev ${e.revision}`
              ),
          },
          { title: 'For', render: (_, e) => <SituationSentence s={e.situation} /> },
          ...COLUMNS.map(([code, symbol]) => ({
            title: symbol.replace('_', ''),
            align: 'right' as const,
            render: (_: unknown, e: Schemas['EditionEntryView']) => {
              const f = e.result.figures.find((x) => x.code === code);
              return <span className="mono nowrap">{f ? units.text(f.value, f.quantity) : ''}</span>;
            },
          })),
          { title: 'Approved by', render: (_, e) => e.approvedBy },
        ]}
      />
    </div>
  );
}
