import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { fieldWords, text as words } from '../../parts/differences';
import { ListAllAgain, ListPages, ListPick, ListWords, useListing } from '../../parts/listing';
import { Problem } from '../../parts/Problem';
import { moment } from '../../parts/units';

type Entry = Schemas['HistoryEntry'];
const PAGE = 100;
const SHOWN = 5;
const FILTERS = ['text', 'kind', 'by', 'from', 'until', 'of'] as const;
const PLACES: Partial<Record<string, (e: Entry) => string>> = {
  cutter: (e) => `/library/cutters/${e.of}`,
  holder: (e) => `/library/holders/${e.of}`,
  assembly: (e) => `/library/assemblies/${e.of}`,
  material: (e) => `/shop/materials/${e.of}`,
  machine: (e) => `/shop/machines/${e.of}`,
  method: (e) => `/shop/methods/${e.of}`,
  thread: (e) => `/shop/threads/${e.of}`,
  chart: () => '/shop/charts',
  'hole group': (e) => `/calculate/groups/${e.of}`,
  record: (e) => `/records/${e.name}?rev=${e.revision}`,
  edition: (e) => `/editions/${e.of}`,
  key: () => '/editions',
};
// What is done says what it is done to, or nothing is.
const WITHOUT = new Set(['edition', 'absence', 'door']);
// Kinds whose page needs no number.
const NAMED = new Set(['chart', 'record', 'key']);
const ACTS: Partial<Record<string, string>> = {
  added: 'added',
  changed: 'changed',
  edit: 'worked on',
  submit: 'submitted',
  approve: 'approved',
  sendBack: 'sent back',
  takeBack: 'took back',
  keep: 'kept',
  withdraw: 'withdrew',
  discard: 'gave up',
  published: 'published',
  read: 'said they have read',
  reported: 'reported from the machine on',
  decided: 'decided on a report about',
  commented: 'commented on',
  made: 'told pieces made with',
  named: 'named a deputy for',
  ended: 'ended the absence of',
  newPassword: 'gave a new password to',
  signedIn: 'came in',
  refused: 'was not let in',
  signedOut: 'signed out',
  tookAlong: 'took along',
  together: 'changed at once',
  tookBackTogether: 'took back what was changed at once:',
  invited: 'made a link for',
  dataRemoved: 'removed what told who was',
  factorMade: 'made a second factor for',
  factorRemoved: 'took the second factor away from',
};

// A value as it lies in the history, which is JSON.
function value(json: string | null): string {
  if (json === null) return '—';
  try {
    return words(JSON.parse(json));
  } catch {
    return json;
  }
}

/** Everything that was ever changed, newest first: found, taken along as a file, and compared with what is there. */
export function HistoryPage() {
  const list = useListing(PAGE);
  const asked = list.filters(FILTERS);
  const history = useQuery({
    queryKey: ['history', asked, list.page],
    queryFn: () => data(client.GET('/api/v1/history', { params: { query: { ...asked, ...list.rows } as never } })),
    placeholderData: keepPreviousData,
  });
  const check = useMutation({ mutationFn: () => data(client.GET('/api/v1/history/check')) });
  const { rows = [], total = 0, kinds = [], people = [] } = history.data ?? {};
  const file = (format: string) => `/api/v1/history/export.${format}?${new URLSearchParams(asked)}`;
  const own = (all: readonly string[]) => all.map((one) => ({ value: one, label: one }));
  return (
    <div className="page">
      <header>
        <h1>History of changes</h1>
        <span className="muted">
          {total} {total === 1 ? 'entry' : 'entries'}, newest first
        </span>
        <span className="grow" />
        <span className="noprint">
          <a href={file('csv')}>CSV</a> <a href={file('xlsx')}>XLSX</a> <a href={file('json')}>JSON</a>
        </span>
        <Button loading={check.isPending} onClick={() => check.mutate()}>
          Compare with what is there
        </Button>
      </header>
      {check.data && (
        <section className={`card ${check.data.faults.length ? 'stalebox' : 'holdsbox'}`} role="status">
          {check.data.faults.length === 0 ? (
            <>
              All {check.data.entries} entries are in order, and everything is as they wrote it. The last one is{' '}
              <span className="mono">{check.data.head.slice(0, 16)}…</span>
            </>
          ) : (
            <ul>
              {check.data.faults.map((f, i) => (
                <li key={i}>{f.says}</li>
              ))}
            </ul>
          )}
        </section>
      )}
      <div className="filters noprint">
        <ListWords list={list} label="Words" example="words: name, field, value, reason" />
        <ListPick list={list} of="kind" label="anything" options={own(kinds)} width={150} />
        <ListPick list={list} of="by" label="anybody" options={own(people)} width={150} />
        <label className="dates">
          from{' '}
          <Input type="date" aria-label="From" value={list.get('from') ?? ''} onChange={(e) => list.change({ from: e.target.value })} />
        </label>
        <label className="dates">
          to <Input type="date" aria-label="To" value={list.get('until') ?? ''} onChange={(e) => list.change({ until: e.target.value })} />
        </label>
        <ListAllAgain list={list} keys={FILTERS} />
      </div>
      <Problem error={history.error ?? check.error} />
      <ol className="changes" aria-label="Changes">
        {rows.map((e) => (
          <Change key={e.entry} entry={e} />
        ))}
      </ol>
      {rows.length === 0 && history.isSuccess && <p className="muted">Nothing is like this.</p>}
      <ListPages list={list} total={total} />
    </div>
  );
}

function Change({ entry: e }: { entry: Entry }) {
  const path = e.of === 0 && !NAMED.has(e.kind) ? undefined : PLACES[e.kind]?.(e);
  return (
    <li>
      <span className="muted">{moment(e.at)}</span>
      <div>
        <b>{e.by}</b>
        {e.inPlaceOf && ` in place of ${e.inPlaceOf}`} {ACTS[e.act] ?? e.act} {WITHOUT.has(e.kind) ? '' : e.kind}{' '}
        {path ? <Link to={path}>{e.name}</Link> : <b>{e.name}</b>}
        {e.revision > 0 && <span className="muted"> revision {e.revision}</span>}
        {e.reason && <span className="quote">{e.reason}</span>}
        {e.changes.slice(0, SHOWN).map((c) => (
          <Field key={c.field} change={c} />
        ))}
        {e.changes.length > SHOWN && (
          <details>
            <summary className="small">{e.changes.length - SHOWN} more fields</summary>
            {e.changes.slice(SHOWN).map((c) => (
              <Field key={c.field} change={c} />
            ))}
          </details>
        )}
      </div>
    </li>
  );
}

// What an element of a list is called, with codes as words: squareEndMill is square end mill.
const pathOf = (field: string) =>
  field
    .replace(/^chosen\.(numbers|options)\./, '')
    .replace(/\[[^\]]*\]/g, (which) => which.replace(/(?<=[a-z])[A-Z](?=[a-z])/g, (c) => ` ${c.toLowerCase()}`));

const Field = ({ change: c }: { change: Schemas['FieldDifference'] }) => (
  <div className="small">
    <span className="muted">{fieldWords({}, pathOf(c.field))}:</span> {value(c.from)} → {value(c.to)}
  </div>
);
