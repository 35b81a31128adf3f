import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { MaterialName } from '../../parts/Situation';
import { SINCE } from '../../parts/since';
import { useAddressText } from '../../parts/useAddressText';
import { day } from '../../parts/units';
import { Card } from './Card';
import { KeptReports } from './Report';

type Entry = Schemas['LookupEntry'];
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
  const found = answer.data?.entries ?? [];
  const nearest = answer.data?.nearest ?? [];
  const entries = [...found, ...nearest.map((n) => n.entry)];
  const chosen = entries.find((e) => e.record === open) ?? (found.length === 1 ? found[0] : undefined);
  const choose = (record: string) => setSearch({ ...(q && { q }), record });
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
          onKeyDown={(e) => e.key === 'Enter' && found[0] && setSearch({ q, record: found[0].record })}
        />
      </div>
      <KeptReports />
      <Problem error={answer.error} />
      {answer.data?.edition === 0 && <p>No edition has been published yet, so there are no approved figures to show.</p>}
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
            differs={nearest.find((n) => n.entry === chosen)?.differs ?? []}
            onOpen={(record) => setSearch({ q: record, record })}
          />
        )}
      </div>
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
