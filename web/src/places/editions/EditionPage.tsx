import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Table } from 'antd';
import { Link, useParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { ListPages, ListWords, useListing } from '../../parts/listing';
import { Problem } from '../../parts/Problem';
import { Accepted, TermsLine } from '../../parts/TermsLine';
import { SituationSentence } from '../../parts/Situation';
import { SINCE } from '../../parts/since';
import { moment } from '../../parts/units';
import { useSayRead } from './useSayRead';

const PAGE = 100;
const COLUMNS: [string, string][] = [
  ['spindleSpeed', 'n'],
  ['feedRate', 'v_f'],
  ['width', 'a_e'],
  ['depth', 'a_p'],
];

/** One edition, as it was published, with what became of it since. */
export function EditionPage() {
  const number = Number(useParams().number);
  const list = useListing(PAGE, 'q');
  const since = list.get('since');
  const edition = useQuery({
    queryKey: ['editions', number, list.text, since, list.page],
    queryFn: () =>
      data(client.GET('/api/v1/editions/{number}', { params: { path: { number }, query: { q: list.text, since, ...list.rows } } })),
    placeholderData: keepPreviousData,
  });
  if (edition.error)
    return (
      <div className="page">
        <Problem error={edition.error} />
      </div>
    );
  if (!edition.data) return <p className="page muted">Fetching the edition…</p>;
  const { summary, entries, newest, lookedAt, counts, total, read } = edition.data;
  const changed = Object.entries(counts).reduce((sum, [what, n]) => (what === 'holds' ? sum : sum + n), 0);
  return (
    <div className="page">
      <header>
        <div>
          <Link to="/editions">Editions</Link>
          <h1>Edition {summary.number}</h1>
          <p>{summary.note}</p>
          <p className="muted small">
            Published {moment(summary.publishedAt)} by {summary.publishedBy}, {summary.count} records,{' '}
            {summary.signedWith ? (
              <>
                signed with <span className="mono">{summary.signedWith}</span>
              </>
            ) : (
              'not signed, since it is from before editions were'
            )}
            . SHA-256 of its file <span className="mono breaks">{summary.digest}</span>
          </p>
        </div>
        <span className="grow" />
        <Button className="noprint" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      <Files summary={summary} />
      {newest > summary.number && (
        <p className="warn" role="status">
          Edition {newest} has been published since; this one is kept as it was.{' '}
          <Link to={`/editions/${newest}`}>Open edition {newest}</Link>
          {' · '}
          <Link to={`/editions/${newest}/differences?from=${summary.number}`}>what differs</Link>
        </p>
      )}
      {summary.asksReading && <Reading number={summary.number} read={read} />}
      <p className={changed > 0 ? 'warn' : 'muted small'} role={changed > 0 ? 'alert' : undefined}>
        {changed === 0
          ? 'Every figure holds'
          : `${changed} of ${summary.count} entries ${changed === 1 ? 'does not hold as it was' : 'do not hold as they were'} published`}
        , as of {moment(lookedAt)}. Valid until withdrawn: before running a printed figure, look it up.
      </p>
      <div className="filters noprint">
        <ListWords list={list} label="Find in this edition" example="record, material, machine, shop number" />
        {(Object.keys(SINCE) as Schemas['Since'][]).map(
          (what) =>
            (counts[what] ?? 0) > 0 && (
              <button
                key={what}
                type="button"
                className="sieve"
                aria-pressed={since === what}
                onClick={() => list.change({ since: since === what ? undefined : what })}
              >
                {SINCE[what] || 'holds'} {counts[what]}
              </button>
            ),
        )}
      </div>
      <Entries entries={entries} />
      <ListPages list={list} total={total} />
    </div>
  );
}

/** The edition as files, to be kept and checked anywhere. */
function Files({ summary }: { summary: Schemas['EditionSummary'] }) {
  const of = (what: string) => `/api/v1/editions/${summary.number}/${what}`;
  return (
    <p className="files noprint">
      <b>Take it along:</b> <a href={of('file')}>JSON</a>
      {summary.signedWith && (
        <>
          {' '}
          with its <a href={of('signature')}>signature</a>
        </>
      )}
      {' · '}
      <a href={of('figures')}>figures alone</a>
      {' · '}
      <a href={of('table.csv')}>CSV</a>
      {' · '}
      <a href={of('table.xlsx')}>XLSX</a>
      {' · '}data cards <a href={of('cards.pdf?size=a4')}>A4</a> <a href={of('cards.pdf?size=a6')}>A6</a>
      {summary.number > 1 && (
        <>
          {' · '}
          <Link to={`/editions/${summary.number}/differences?from=${summary.number - 1}`}>
            what differs from edition {summary.number - 1}
          </Link>
        </>
      )}
    </p>
  );
}

/** Whoever reads it says so once; who publishes sees who has. */
function Reading({ number, read }: { number: number; read: string | null }) {
  const mayWork = useMayWork();
  const readers = useQuery({
    queryKey: ['readers', number],
    queryFn: () => data(client.GET('/api/v1/editions/{number}/readers', { params: { path: { number } } })),
    enabled: mayWork,
  });
  const say = useSayRead(number);
  const all = readers.data ?? [];
  return (
    <section className="card noprint reading">
      {read ? (
        <p>You said on {moment(read)} that you have read it.</p>
      ) : (
        <p>
          Its readers are asked to say that they have read it.{' '}
          <Button type="primary" loading={say.isPending} onClick={() => say.mutate()}>
            I have read it
          </Button>
        </p>
      )}
      {all.length > 0 && (
        <details>
          <summary>
            {all.filter((r) => r.readAt).length} of {all.length} people have read it
          </summary>
          <ul className="bare">
            {all.map((r) => (
              <li key={r.name}>
                {r.fullName} {r.readAt ? <span className="muted">{moment(r.readAt)}</span> : <b>not yet</b>}
              </li>
            ))}
          </ul>
        </details>
      )}
      <Problem error={say.error ?? readers.error} />
    </section>
  );
}

function Entries({ entries }: { entries: readonly Schemas['EditionEntryView'][] }) {
  const units = useUnits();
  const mayWork = useMayWork();
  return (
    <Table<Schemas['EditionEntryView']>
      size="small"
      rowKey="record"
      pagination={false}
      dataSource={[...entries]}
      locale={{ emptyText: 'No record of this edition has these words.' }}
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
            const f = e.figures.find((x) => x.code === code);
            return <span className="mono nowrap">{f ? units.text(f.value, f.quantity) : ''}</span>;
          },
        })),
        { title: 'Approved by', render: (_, e) => e.approvedBy },
      ]}
    />
  );
}
