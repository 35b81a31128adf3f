import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Suspense, useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { lazily } from '../../api/busy';
import type { Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { MaterialName } from '../../parts/Situation';
import { SINCE } from '../../parts/since';
import { useAddressText } from '../../parts/useAddressText';
import { day, moment } from '../../parts/units';
import { Age } from './age';
import { useSayRead } from '../editions/useSayRead';
import { ask } from './asking';
import { Card } from './Card';
import { isAddress, wordsOf } from './codes';
import { DevicePart } from './DevicePart';
import { KeptReports } from './Report';

// Reads codes in a picture, which only who scans one needs.
const Scan = lazily(() => import('./Scan'));

type Entry = Schemas['LookupEntry'];
/** For gloved hands and a phone: type a shop number, read four big figures and the one warning that matters. */
export function LookupPage() {
  const [search, setSearch] = useSearchParams();
  const box = useRef<HTMLInputElement>(null);
  const [q, setQ] = useAddressText('q', ['record']);
  const open = search.get('record');
  const answer = useQuery({
    queryKey: ['lookup', q],
    queryFn: () => ask(q),
    placeholderData: keepPreviousData,
  });
  const found = answer.data?.entries ?? [];
  const nearest = answer.data?.nearest ?? [];
  const entries = [...found, ...nearest.map((n) => n.entry)];
  const chosen = entries.find((e) => e.record === open) ?? (found.length === 1 ? found[0] : undefined);
  const kept = answer.data?.kept;
  const [scanning, setScanning] = useState(false);
  const choose = (record: string) => setSearch({ ...(q && { q }), record });
  // What a code says, be it from the camera or from a scanner that types it.
  const read = (code: string) => {
    const { words, record } = wordsOf(code);
    setScanning(false);
    setQ(words);
    if (record) setSearch({ q: words, record });
  };
  useEffect(() => document.querySelector<HTMLInputElement>('#lookup')?.focus({ preventScroll: true }), []);

  return (
    <div className="page lookup">
      {!chosen && <h1 className="sr">Lookup</h1>}
      <div ref={box} className="ask">
        <label htmlFor="lookup">Shop number, material, operation, size, place or machine</label>
        <input
          id="lookup"
          type="search"
          autoComplete="off"
          placeholder="A-1042 42CrMo4"
          value={q}
          onChange={(e) => setQ(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            if (isAddress(q)) read(q);
            else if (found[0]) setSearch({ q, record: found[0].record });
          }}
        />
        {navigator.mediaDevices !== undefined && (
          <button className="scan" aria-pressed={scanning} onClick={() => setScanning(!scanning)}>
            {scanning ? 'Close' : 'Scan a code'}
          </button>
        )}
      </div>
      {scanning && (
        <Suspense fallback={<p className="muted">Opening the camera…</p>}>
          <Scan onCode={read} />
        </Suspense>
      )}
      {kept && (
        <p className="warn" role="alert">
          The server is not reached. This is {kept.machine}’s part of edition {kept.edition} as this device keeps it, <Age at={kept.at} />{' '}
          old. What was withdrawn or forbidden since {moment(kept.at)} is not known here: ask before you run what matters.
        </p>
      )}
      <KeptReports />
      <Problem error={answer.error} />
      {answer.data?.asksReading && <ReadIt edition={answer.data.edition} />}
      {answer.data?.edition === 0 && (
        <p>No edition has been published yet, so there are no approved figures to show. An approver publishes one under Editions.</p>
      )}
      {answer.data && answer.data.edition > 0 && (
        <p className="muted small">
          Edition {answer.data.edition}, published {day(answer.data.publishedAt!)}. Approved figures only.
          {answer.data.total > found.length && ` ${found.length} of ${answer.data.total} are shown: add a word.`}
        </p>
      )}
      <div className="answers">
        <ul>
          {found.map((e) => (
            <Choice key={e.record} entry={e} chosen={e === chosen} onChoose={choose} />
          ))}
          {answer.data && answer.data.edition > 0 && found.length === 0 && (
            <li className="muted">
              Nothing approved fits these words. Take one away, or ask the tooling engineer.
              {nearest.length > 0 && <b> Nearest to it, and not the same:</b>}
            </li>
          )}
          {nearest.map((n) => (
            <Choice key={n.entry.record} entry={n.entry} differs={n.differs} chosen={n.entry === chosen} onChoose={choose} />
          ))}
        </ul>
        {chosen && (
          <Card
            entry={chosen}
            edition={answer.data!.edition}
            asOf={kept?.at}
            differs={nearest.find((n) => n.entry === chosen)?.differs ?? []}
            onOpen={(record) => setSearch({ q: record, record })}
          />
        )}
      </div>
      <DevicePart edition={kept ? 0 : (answer.data?.edition ?? 0)} />
    </div>
  );
}

function ReadIt({ edition }: { edition: number }) {
  const say = useSayRead(edition);
  return (
    <div className="report" role="status">
      <p>
        You are asked to read edition {edition}:{' '}
        <Link to={edition > 1 ? `/editions/${edition}/differences` : `/editions/${edition}`}>what is new in it</Link>.
      </p>
      <button disabled={say.isPending} onClick={() => say.mutate()}>
        I have read it
      </button>
      <Problem error={say.error} />
    </div>
  );
}

function Choice(props: { entry: Entry; differs?: readonly string[]; chosen: boolean; onChoose: (record: string) => void }) {
  const { entry: e, differs = [], chosen, onChoose } = props;
  return (
    <li>
      <button aria-pressed={chosen} className={`since-${e.since.what}`} onClick={() => onChoose(e.record)}>
        <b>{e.situation.assembly}</b>
        <MaterialName name={e.situation.material} group={e.group} />
        <span>
          {e.situation.operationName}, {e.situation.machine}
        </span>
        {SINCE[e.since.what] && <em>{SINCE[e.since.what]}</em>}
        {differs.length > 0 && <em>{differs.join('; ')}</em>}
      </button>
    </li>
  );
}
