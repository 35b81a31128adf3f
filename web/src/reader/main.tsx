import { StrictMode, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { becameOf, fetchFile, found, against, holdsFor, setAtMachine, shown, type Index, type Published, type Valued } from './folder';
import './reader.css';

const MOST_SHOWN = 40;
// So many of what is set at the machine stand large.
const LARGE = 4;
const MACHINE = 'incisura.reader.machine';

/** Approved figures, read from the folder this page lies in. */
function Reader() {
  const [index, setIndex] = useState<Index>();
  const [machine, setMachine] = useState(() => localStorage.getItem(MACHINE) ?? '');
  const [read, setRead] = useState<{ machine: string; records: Published[] }>();
  const [text, setText] = useState('');
  const [error, setError] = useState('');
  const fail = (e: unknown) => setError(e instanceof Error ? e.message : String(e));
  useEffect(() => void fetchFile<Index>('index.json').then(setIndex, fail), []);
  const part = index?.parts.find((p) => p.machine === machine) ?? index?.parts[0];
  useEffect(() => {
    if (!part) return;
    let current = true;
    fetchFile<{ records: Published[] }>(part.file, part.sha256).then(
      ({ records }) => current && setRead({ machine: part.machine, records }),
      (e: unknown) => current && fail(e),
    );
    return () => {
      current = false;
    };
  }, [part]);
  if (error)
    return (
      <main>
        <p className="stop" role="alert">
          {error}
        </p>
      </main>
    );
  if (!index) return null;
  const newest = index.editions[0];
  const records = part && read?.machine === part.machine ? found(read.records, text) : undefined;
  return (
    <main>
      <header>
        <h1>{index.workshop || 'Approved cutting data'}</h1>
        <p>
          {newest
            ? `Edition ${newest.number} of ${day(newest.publishedAt)}, as things stood on ${moment(index.at)}. ` +
              'What was withdrawn later is not told here.'
            : 'No edition was published yet.'}
        </p>
      </header>
      {index.parts.length > 1 && (
        <nav aria-label="Machines">
          {index.parts.map((p) => (
            <button
              key={p.machine}
              aria-pressed={p.machine === part?.machine}
              onClick={() => {
                localStorage.setItem(MACHINE, p.machine);
                setMachine(p.machine);
              }}
            >
              {p.machine} <small>{p.records}</small>
            </button>
          ))}
        </nav>
      )}
      {part && (
        <input
          type="search"
          aria-label="Shop number, material or operation"
          placeholder="shop number, material, operation"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      )}
      {records?.length === 0 && <p>Nothing approved fits these words.</p>}
      {records?.slice(0, MOST_SHOWN).map((r) => (
        <Card key={r.record} r={r} index={index} />
      ))}
      {records && records.length > MOST_SHOWN && <p>And {records.length - MOST_SHOWN} more: type another word.</p>}
      {newest && (
        <footer>
          All editions as signed files:{' '}
          {index.editions.map((e) => (
            <a key={e.number} href={e.file} download>
              {e.number}
            </a>
          ))}
        </footer>
      )}
    </main>
  );
}

function Card({ r, index }: { r: Published; index: Index }) {
  const became = becameOf(index, r, new Date().toISOString().slice(0, 10));
  const value = (v: { quantity: string; value: number }) => shown(index.units, v.quantity, v.value);
  const stated = (v: Valued) => `${v.assumed ? 'not stated, taken as ' : ''}${value(v).join(' ')}`;
  const set = setAtMachine(r);
  const cautions = r.findings.filter((f) => f.severity !== 'info');
  return (
    <article className={became?.stop ? 'stopped' : ''}>
      <h2>
        {r.assembly.number} <span>{[r.operation.name, r.operation.thread].filter(Boolean).join(' ')}</span>
      </h2>
      <p>
        {r.material.name} {r.material.condition}, {r.machine.name}, {value({ quantity: 'length', value: r.assembly.projection }).join(' ')}{' '}
        out of the holder
        {r.assembly.places.length > 0 && `, place ${r.assembly.places.map((p) => p.place).join(', ')}`}
      </p>
      {became && (
        <p className={became.stop ? 'stop' : 'warn'} role={became.stop ? 'alert' : undefined}>
          {became.words}
        </p>
      )}
      <dl className="large">
        {set.slice(0, LARGE).map((f) => (
          <div key={f.code}>
            <dt>{f.name}</dt>
            <dd>
              {value(f)[0]} <small>{value(f)[1]}</small>
            </dd>
          </div>
        ))}
      </dl>
      {cautions.map((f) => (
        <p key={f.says} className="warn">
          {f.says} {r.accepted.filter((a) => a.says === f.says).map((a) => `${a.by}: ${a.reason}`)}
        </p>
      ))}
      {against(r).map((a) => (
        <p key={a.says} className="warn">
          {a.says} Used nevertheless: {a.reason} ({a.by})
        </p>
      ))}
      <dl>
        {set.slice(LARGE).map((f) => (
          <div key={f.code}>
            <dt>{f.name}</dt>
            <dd>{stated(f)}</dd>
          </div>
        ))}
        {holdsFor(r).map((s) => (
          <div key={s.code}>
            <dt>For {s.name[0]!.toLowerCase() + s.name.slice(1)}</dt>
            <dd>{stated(s)}</dd>
          </div>
        ))}
        {r.options.map((o) => (
          <div key={o.code}>
            <dt>{o.name}</dt>
            <dd>{o.words}</dd>
          </div>
        ))}
      </dl>
      {r.note && <p className="note">{r.note}</p>}
      <p className="small">
        {r.record} revision {r.revision}, approved by {r.approvedBy}
        {r.until && `, until ${r.until}`}
        {r.pieces !== undefined && `, for ${r.pieces} pieces`}
      </p>
    </article>
  );
}

const day = (at: string) => new Date(at).toLocaleDateString(undefined, { dateStyle: 'medium' });
const moment = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Reader />
  </StrictMode>,
);
