import { useQuery } from '@tanstack/react-query';
import { Button, Table } from 'antd';
import { Link, useParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { Accepted, TermsLine } from '../../parts/TermsLine';
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
  const { summary, entries, newest, lookedAt } = edition.data;
  const changed = entries.filter((e) => e.since.what !== 'holds');
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
      {newest > summary.number && (
        <p className="warn" role="status">
          Edition {newest} has been published since; this one is kept as it was.{' '}
          <Link to={`/editions/${newest}`}>Open edition {newest}</Link>
        </p>
      )}
      <p className={changed.length > 0 ? 'warn' : 'muted small'} role={changed.length > 0 ? 'alert' : undefined}>
        {changed.length === 0 ? 'Every figure holds' : `${changed.length} of ${entries.length} entries do not hold as they were published`},
        as of {new Date(lookedAt).toLocaleString()}. Valid until withdrawn: before running a printed figure, look it up.
      </p>
      <Table<Schemas['EditionEntryView']>
        size="small"
        rowKey="record"
        pagination={false}
        dataSource={entries}
        rowClassName={(e) => (e.since.what === 'holds' ? '' : `since-${e.since.what}`)}
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
          {
            title: 'For',
            render: (_, e) => (
              <>
                <SituationSentence s={e.situation} />
                <Accepted cautions={e.cautions} />
                {(e.terms.until || e.terms.pieces || e.terms.evidence.source) && (
                  <TermsLine terms={e.terms} ended={e.since.what === 'ended'} />
                )}
                {e.since.what !== 'holds' && <p className="warn small">{e.since.warning && units.sentence(e.since.warning)}</p>}
              </>
            ),
          },
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
