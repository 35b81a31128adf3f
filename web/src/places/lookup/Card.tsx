import { Suspense } from 'react';
import { lazily } from '../../api/busy';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { MaterialName, sizeOf } from '../../parts/Situation';
import { Sym } from '../../parts/Sym';
import { Accepted, TermsLine } from '../../parts/TermsLine';
import { moment } from '../../parts/units';
import { Report } from './Report';

// What became of figures so that nobody runs them.
const FORBIDDEN = ['stopped', 'broken', 'ended', 'withdrawn'];
// A table of components, which few entries have.
const Stages = lazily(() => import('./ThemedStages'));

type Entry = Schemas['LookupEntry'];
// So many of what is set at the machine stand large.
const LARGE = 4;

/** The figures of one record as they are needed at the machine. */
export function Card(props: {
  entry: Entry;
  edition: number;
  asOf: string | undefined;
  differs: readonly string[];
  onOpen: (record: string) => void;
}) {
  const { entry, edition, asOf, differs, onOpen } = props;
  const units = useUnits();
  const s = entry.situation;
  const stated = (f: Schemas['Figure']) =>
    `${entry.notStated.includes(f.code) ? 'not stated, taken as ' : ''}${units.text(f.value, f.quantity)}`;
  return (
    <article className={`card notched lookupcard since-${entry.since.what}`} aria-label={`Figures of ${s.assembly} in ${s.material}`}>
      <h1>
        {s.assembly} <MaterialName name={s.material} group={entry.group} hardness={s.hardness} />
      </h1>
      <p>
        {s.operationName}, {sizeOf(s, units)}, {units.text(s.projection, 'length')} out, on <b>{s.machine}</b>
      </p>
      {differs.length > 0 && (
        <p className="warn" role="alert">
          Not what you asked for: {differs.join('; ')}. Ask the tooling engineer before you run it.
        </p>
      )}
      {entry.warning && (
        <p className={FORBIDDEN.includes(entry.since.what) ? 'warn forbidden' : 'warn'} role="alert">
          {units.sentence(entry.warning)}
        </p>
      )}
      {entry.since.what !== 'holds' && (
        <div className="meanwhile">
          {entry.meanwhile.length === 0 ? (
            <p>Nothing else is approved for this operation in this material on {s.machine}.</p>
          ) : (
            <>
              <p>What holds meanwhile, for the same operation, material and machine:</p>
              {entry.meanwhile.map((m) => (
                <button key={m.record} onClick={() => onOpen(m.record)}>
                  <b>{m.situation.assembly}</b> {sizeOf(m.situation, units)}
                </button>
              ))}
            </>
          )}
        </div>
      )}
      {entry.since.what !== 'withdrawn' && entry.since.what !== 'stopped' && (
        <>
          <dl className="bigfour">
            {entry.figures.slice(0, LARGE).map((f) => (
              <div key={f.code} data-figure={f.code}>
                <dt>
                  {f.name} <Sym text={f.symbol} />
                </dt>
                <dd>
                  {units.number(f.value, f.quantity)} <small>{units.unit(f.quantity)}</small>
                </dd>
              </div>
            ))}
          </dl>
          <div className="rows">
            {entry.figures.slice(LARGE).map((f) => (
              <Row key={f.code} name={f.name} value={stated(f)} />
            ))}
            {entry.picked.map((p) => (
              <Row key={p.code} name={p.name} value={p.words} />
            ))}
            {entry.lengthRegister > 0 && (
              <Row name="Registers, length and diameter" value={`${entry.lengthRegister}, ${entry.diameterRegister}`} />
            )}
            {entry.places.length > 0 && <Row name="Stood in when this was published" value={entry.places.join(', ')} />}
            {entry.stockPlace && <Row name="Kept in" value={entry.stockPlace} />}
          </div>
          {entry.holdsFor.length > 0 && (
            <>
              <h2>These figures hold for</h2>
              <div className="rows">
                {entry.holdsFor.map((f) => (
                  <Row key={f.code} name={f.name} value={stated(f)} />
                ))}
              </div>
            </>
          )}
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
      {differs.length === 0 && <Report key={entry.record} record={entry.record} revision={entry.revision} edition={edition} />}
      <p className="muted small">
        {entry.record} revision {entry.revision}, approved by {entry.approvedBy}, edition {edition}
        {asOf && `, as of ${moment(asOf)}`}
      </p>
    </article>
  );
}

function Row({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <span>{name}</span>
      <b>{value}</b>
    </div>
  );
}
