import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { Sym } from '../../parts/Sym';
import { Problem } from '../../parts/Problem';
import { MaterialName, sizeOf } from '../../parts/Situation';
import { Accepted, TermsLine } from '../../parts/TermsLine';
import { SINCE } from '../../parts/since';
import { useAddressText } from '../../parts/useAddressText';
import { day } from '../../parts/units';

// A table of components, which few entries have.
const Stages = lazy(() => import('./ThemedStages'));

type Entry = Schemas['LookupEntry'];
// What is read first: of a cut with width and depth, or of a hole.
const BIG = ['spindleSpeed', 'feedRate', 'depth', 'width', 'programmedDepth', 'feedInUse', 'heightCut'];
const MORE = [
  'feedPerTooth',
  'cuttingSpeed',
  'crestDiameter',
  'rootDiameter',
  'infeeds',
  'firstInfeed',
  'springPasses',
  'runIn',
  'runOut',
  'shimInclination',
  'passesToHeight',
  'rounds',
  'pathDiameter',
  'passesAcross',
  'passesDown',
  'teethInCut',
  'pecks',
  'returnSpeed',
  'returnFeed',
  'holeBefore',
  'depthOfHoleBefore',
];

/** For gloved hands and a phone: type a shop number, read four big figures and the one warning that matters. */
export function LookupPage() {
  const [search, setSearch] = useSearchParams();
  const box = useRef<HTMLInputElement>(null);
  const [q, setQ] = useAddressText('q', ['record']);
  const open = search.get('record');
  const answer = useQuery({
    queryKey: ['lookup', q],
    queryFn: () => data(client.GET('/api/v1/lookup', { params: { query: { q } } })),
    placeholderData: keepPreviousData,
  });
  const entries = answer.data?.entries ?? [];
  const chosen = entries.find((e) => e.record === open) ?? (entries.length === 1 ? entries[0] : undefined);
  useEffect(() => document.querySelector<HTMLInputElement>('#lookup')?.focus({ preventScroll: true }), []);

  return (
    <div className="page lookup">
      {!chosen && <h1 className="sr">Lookup</h1>}
      <div ref={box} className="ask">
        <label htmlFor="lookup">Shop number, material or machine</label>
        <input
          id="lookup"
          type="search"
          autoComplete="off"
          placeholder="A-1042 42CrMo4"
          value={q}
          onChange={(e) => setQ(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && entries[0] && setSearch({ q, record: entries[0].record })}
        />
      </div>
      <Problem error={answer.error} />
      {answer.data?.edition === 0 && <p>No edition has been published yet, so there are no approved figures to show.</p>}
      {answer.data && answer.data.edition > 0 && (
        <p className="muted small">
          Edition {answer.data.edition}, published {day(answer.data.publishedAt!)}. Approved figures only.
        </p>
      )}
      <div className="answers">
        <ul>
          {entries.map((e) => (
            <li key={e.record}>
              <button
                aria-pressed={e === chosen}
                className={`since-${e.since.what}`}
                onClick={() => setSearch({ ...(q && { q }), record: e.record })}
              >
                <b>{e.situation.assembly}</b>
                <MaterialName name={e.situation.material} group={e.group} />
                <span>
                  {e.situation.operationName}, {e.situation.machine}
                </span>
                {SINCE[e.since.what] && <em>{SINCE[e.since.what]}</em>}
              </button>
            </li>
          ))}
          {answer.data && answer.data.edition > 0 && entries.length === 0 && (
            <li className="muted">Nothing approved fits these words. Take one away, or ask the tooling engineer.</li>
          )}
        </ul>
        {chosen && <Card entry={chosen} edition={answer.data!.edition} />}
      </div>
    </div>
  );
}

function Card({ entry, edition }: { entry: Entry; edition: number }) {
  const units = useUnits();
  const s = entry.situation;
  const of = (code: string) => entry.figures.find((f) => f.code === code);
  return (
    <article className={`card notched lookupcard since-${entry.since.what}`} aria-label={`Figures of ${s.assembly} in ${s.material}`}>
      <h1>
        {s.assembly} <MaterialName name={s.material} group={entry.group} hardness={s.hardness} />
      </h1>
      <p>
        {s.operationName}, {sizeOf(s, units)}, {units.text(s.projection, 'length')} out, on <b>{s.machine}</b>
      </p>
      {entry.warning && (
        <p className="warn" role="alert">
          {units.sentence(entry.warning)}
        </p>
      )}
      {entry.since.what !== 'withdrawn' && (
        <>
          <dl className="bigfour">
            {BIG.map(of).map(
              (f) =>
                f && (
                  <div key={f.code} data-figure={f.code}>
                    <dt>
                      {f.name} <Sym text={f.symbol} />
                    </dt>
                    <dd>
                      {units.number(f.value, f.quantity)} <small>{units.unit(f.quantity)}</small>
                    </dd>
                  </div>
                ),
            )}
          </dl>
          <div className="rows">
            {MORE.map(of).map(
              (f) =>
                f && (
                  <div key={f.code}>
                    <span>{f.name}</span>
                    <b>{units.text(f.value, f.quantity)}</b>
                  </div>
                ),
            )}
            {entry.lengthRegister > 0 && (
              <div>
                <span>Registers, length and diameter</span>
                <b>
                  {entry.lengthRegister}, {entry.diameterRegister}
                </b>
              </div>
            )}
            {entry.stockPlace && (
              <div>
                <span>Kept in</span>
                <b>{entry.stockPlace}</b>
              </div>
            )}
          </div>
          {entry.directions && <p className="directions">{units.sentence(entry.directions)}</p>}
          {entry.way.length > 0 && (
            <details>
              <summary>Stage by stage</summary>
              <Suspense fallback={<p className="muted">Fetching the stages…</p>}>
                <Stages stages={entry.way} />
              </Suspense>
            </details>
          )}
          <Accepted cautions={entry.cautions} />
          {entry.note && <p>{entry.note}</p>}
          <TermsLine terms={entry.terms} ended={entry.since.what === 'ended'} />
        </>
      )}
      <p className="muted small">
        {entry.record} revision {entry.revision}, approved by {entry.approvedBy}, edition {edition}
      </p>
    </article>
  );
}
