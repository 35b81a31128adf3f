import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { client, data, notReached, type Schemas } from '../../api/client';
import { OUTCOMES } from '../../parts/outcomes';
import { useApp } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { forgetReport, keepReport, keptReports, type Report as Kept } from '../../parts/device';
import { shrunk } from './shrunk';

type Outcome = Schemas['ReportOutcome'];
const NUMBERS = [
  ['speedOverride', 'Spindle override, %'],
  ['feedOverride', 'Feed override, %'],
  ['lifeMinutes', 'Life of an edge, min in the cut'],
  ['lifePieces', 'Life of an edge, pieces'],
  ['load', 'Load shown, %'],
  ['pieces', 'Pieces made in this run'],
] as const;
type Field = (typeof NUMBERS)[number][0];

/** What happened at the machine, in three taps: report, how it did, send. All else may be said and need not be. */
export function Report({ record, revision, edition }: { record: string; revision: number; edition: number }) {
  const queries = useQueryClient();
  const person = useApp().session?.name ?? '';
  const [outcome, setOutcome] = useState<Outcome>();
  const [numbers, setNumbers] = useState<Partial<Record<Field, string>>>({});
  const [marks, setMarks] = useState({ chatter: false, broke: false });
  const [texts, setTexts] = useState({ finish: '', note: '' });
  const [photo, setPhoto] = useState('');
  const [open, setOpen] = useState(false);
  // One key for one report, however often it is sent.
  const [key, setKey] = useState(newKey);
  const unclear = NUMBERS.filter(([field]) => numbers[field] && !Number.isFinite(read(numbers[field])));
  const clear = () => {
    setKey(newKey());
    setOutcome(undefined);
    setNumbers({});
    setMarks({ chatter: false, broke: false });
    setTexts({ finish: '', note: '' });
    setPhoto('');
    take.reset();
    setOpen(false);
  };
  const take = useMutation({ mutationFn: shrunk, onSuccess: setPhoto });
  const send = useMutation({
    mutationFn: async () => {
      const report: Kept = {
        key,
        record,
        revision,
        edition,
        ranAt: new Date().toISOString(),
        outcome: outcome!,
        ...Object.fromEntries(NUMBERS.filter(([f]) => numbers[f]).map(([f]) => [f, read(numbers[f])])),
        ...marks,
        ...texts,
        ...(photo && { photo }),
      };
      try {
        await data(client.POST('/api/v1/reports', { body: report }));
        return true;
      } catch (error) {
        if (!notReached(error)) throw error;
        await keepReport(person, report);
        return false;
      }
    },
    onSuccess: async (sent) => {
      clear();
      if (sent) await queries.invalidateQueries({ queryKey: ['lookup'] });
      else await queries.invalidateQueries({ queryKey: ['keptReports'] });
    },
  });
  if (!open)
    return (
      <div className="report noprint">
        <button
          onClick={() => {
            send.reset();
            setOpen(true);
          }}
        >
          Report back
        </button>
        {send.isSuccess && (
          <span role="status">
            {send.data
              ? 'Thank you, your report is with the tooling engineer.'
              : 'The server cannot be reached. Your report is kept on this device; send it when there is a network again.'}
          </span>
        )}
      </div>
    );
  return (
    <form
      className="report noprint"
      aria-label={`Report on ${record}`}
      onSubmit={(e) => {
        e.preventDefault();
        if (outcome && unclear.length === 0) send.mutate();
      }}
    >
      <div role="radiogroup" aria-label="How did it do?">
        {(Object.entries(OUTCOMES) as [Outcome, string][]).map(([value, words]) => (
          <button
            key={value}
            type="button"
            role="radio"
            aria-checked={outcome === value}
            className={value}
            onClick={() => setOutcome(value)}
          >
            {words}
          </button>
        ))}
      </div>
      <button type="submit" className="send" disabled={!outcome || unclear.length > 0 || send.isPending}>
        {send.isPending ? 'Sending…' : 'Send'}
      </button>
      <button type="button" onClick={() => setOpen(false)}>
        Not now
      </button>
      <Problem error={send.error} />
      <details>
        <summary>Say more</summary>
        <div className="more">
          {NUMBERS.map(([field, words]) => (
            <label key={field}>
              {words}
              <input
                inputMode="decimal"
                value={numbers[field] ?? ''}
                aria-invalid={unclear.some(([f]) => f === field)}
                onChange={(e) => setNumbers({ ...numbers, [field]: e.target.value })}
              />
              {unclear.some(([f]) => f === field) && <em>This is no number; write it as 85 or 12.5.</em>}
            </label>
          ))}
          <label className="tick">
            <input type="checkbox" checked={marks.chatter} onChange={(e) => setMarks({ ...marks, chatter: e.target.checked })} /> it
            chattered
          </label>
          <label className="tick">
            <input type="checkbox" checked={marks.broke} onChange={(e) => setMarks({ ...marks, broke: e.target.checked })} /> something
            broke
          </label>
          <label>
            Finish
            <input maxLength={200} value={texts.finish} onChange={(e) => setTexts({ ...texts, finish: e.target.value })} />
          </label>
          <label>
            What else
            <textarea rows={2} maxLength={2000} value={texts.note} onChange={(e) => setTexts({ ...texts, note: e.target.value })} />
          </label>
          <div className="photo">
            <label className="take">
              {photo ? 'Another photo' : 'Add a photo'}
              <input
                type="file"
                accept="image/*"
                capture="environment"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = '';
                  if (file) take.mutate(file);
                }}
              />
            </label>
            {photo && (
              <>
                <img src={`data:image/jpeg;base64,${photo}`} alt="The photo as it will be sent" />
                <button type="button" onClick={() => setPhoto('')}>
                  Without it
                </button>
              </>
            )}
            <Problem error={take.error} />
          </div>
        </div>
      </details>
    </form>
  );
}

/** What is kept on this device; nothing of it is sent before its writer says so. */
export function KeptReports() {
  const queries = useQueryClient();
  const person = useApp().session?.name ?? '';
  const kept = useQuery({ queryKey: ['keptReports', person], queryFn: () => keptReports(person), staleTime: 0 });
  const all = kept.data ?? [];
  const send = useMutation({
    mutationFn: async () => {
      for (const report of await keptReports(person)) {
        await data(client.POST('/api/v1/reports', { body: report }));
        await forgetReport(report.key);
      }
    },
    onSettled: () =>
      Promise.all([queries.invalidateQueries({ queryKey: ['keptReports'] }), queries.invalidateQueries({ queryKey: ['lookup'] })]),
  });
  if (all.length === 0 && !send.isError) return send.isSuccess ? <p role="status">What was kept is sent.</p> : null;
  return (
    <div className="report" role="status">
      <p>
        {all.length === 1 ? 'A report waits' : `${all.length} reports wait`} on this device: {all.map((r) => r.record).join(', ')}.
      </p>
      <button disabled={send.isPending} onClick={() => send.mutate()}>
        Send now
      </button>
      {send.isError && all.length > 0 && (
        <button
          onClick={() => {
            send.reset();
            void forgetReport(all[0]!.key).then(() => queries.invalidateQueries({ queryKey: ['keptReports'] }));
          }}
        >
          Throw {all[0]?.record} away
        </button>
      )}
      <Problem error={send.error} />
    </div>
  );
}

// The browser's own makes none where the page came without HTTPS, as in a shop's own network.
const newKey = (): string => {
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = (b[6]! & 0x0f) | 0x40;
  b[8] = (b[8]! & 0x3f) | 0x80;
  const hex = Array.from(b, (x) => x.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
};

// A comma before decimals is meant as a point; 1,200 is not said.
const read = (text: string | undefined): number => {
  const plain = (text ?? '').trim().replace(/ %$/, '');
  return /^\d+([.,]\d{1,2})?$/.test(plain) ? Number(plain.replace(',', '.')) : NaN;
};
