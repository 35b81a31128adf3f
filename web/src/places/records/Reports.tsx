import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { OUTCOMES } from '../../parts/outcomes';
import { Problem } from '../../parts/Problem';
import { moment } from '../../parts/units';

type Report = Schemas['FloorReportView'];
const useReports = (number: string) =>
  useQuery({
    queryKey: ['reports', number],
    queryFn: () => data(client.GET('/api/v1/records/{number}/reports', { params: { path: { number } } })),
  });

/** What was reported from a machine and waits for a decision; until then nobody is to run the record. */
export function OpenReports({ number }: { number: string }) {
  const open = (useReports(number).data?.reports ?? []).filter((r) => r.open);
  if (open.length === 0) return null;
  return (
    <section className="card stalebox" role="alert">
      <b>
        {open.some((r) => r.report.outcome === 'doNotRun')
          ? 'Readers are told not to run it until somebody decides.'
          : 'A machine told something; say what comes of it.'}
      </b>
      <ul className="bare reports">
        {open.map((r) => (
          <OneReport key={r.id} report={r} number={number} />
        ))}
      </ul>
    </section>
  );
}

/** What came back from the machines about a record, summed up. */
export function Reports({ number }: { number: string }) {
  const reports = useReports(number);
  const { summaries = [], reports: all = [] } = reports.data ?? {};
  return (
    <>
      <h2>From the machines</h2>
      <Problem error={reports.error} />
      {reports.data && all.length === 0 && <p className="muted">Nobody has reported on it yet.</p>}
      {summaries.map((s) => (
        <p key={s.revision}>
          Revision {s.revision}: {told(s)}
        </p>
      ))}
      <ul className="bare reports">
        {all
          .filter((r) => !r.open)
          .map((r) => (
            <OneReport key={r.id} report={r} number={number} />
          ))}
      </ul>
    </>
  );
}

function OneReport({ report: r, number }: { report: Report; number: string }) {
  const queries = useQueryClient();
  const [text, setText] = useState('');
  const decide = useMutation({
    mutationFn: () =>
      data(client.POST('/api/v1/records/{number}/reports/{id}/decision', { params: { path: { number, id: r.id } }, body: { text } })),
    onSuccess: () =>
      Promise.all([queries.invalidateQueries({ queryKey: ['reports', number] }), queries.invalidateQueries({ queryKey: ['records'] })]),
  });
  return (
    <li className={r.open ? 'open' : ''}>
      <b className={r.report.outcome}>{OUTCOMES[r.report.outcome]}</b> {moment(r.report.ranAt)} <b>{r.by}</b>, edition {r.report.edition},
      revision {r.report.revision}
      {details(r.report).length > 0 && <>: {details(r.report).join(', ')}</>}
      {r.report.note && <div className="quote">{r.report.note}</div>}
      {r.hasPhoto && <Photo number={number} id={r.id} />}
      {r.decision && (
        <div className="quote">
          {r.settledBy} decided on {moment(r.settledAt!)}: {r.decision}
        </div>
      )}
      {r.open && (
        <div className="acts noprint">
          <Input
            aria-label={`Decision on the report of ${r.by}`}
            placeholder={
              r.report.outcome === 'doNotRun'
                ? 'what was decided and why: an approver who had no hand in it lets it be run again'
                : 'what comes of it'
            }
            maxLength={2000}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <Button type="primary" disabled={!text.trim()} loading={decide.isPending} onClick={() => decide.mutate()}>
            {r.report.outcome === 'doNotRun' ? 'May be run again' : 'Noted'}
          </Button>
          <Problem error={decide.error} />
        </div>
      )}
    </li>
  );
}

// Fetched only when somebody wants to see it.
function Photo({ number, id }: { number: string; id: number }) {
  const [shown, setShown] = useState(false);
  return shown ? (
    <img className="reportphoto" src={`/api/v1/records/${number}/reports/${id}/photo`} alt="Sent with the report" />
  ) : (
    <Button type="link" size="small" onClick={() => setShown(true)}>
      Photo
    </Button>
  );
}

const details = (r: Schemas['FloorReportRequest']): string[] =>
  [
    r.speedOverride != null && `spindle at ${r.speedOverride} %`,
    r.feedOverride != null && `feed at ${r.feedOverride} %`,
    r.lifeMinutes != null && `an edge lasted ${r.lifeMinutes} min`,
    r.lifePieces != null && `an edge lasted ${r.lifePieces} pieces`,
    r.load != null && `load ${r.load} %`,
    r.pieces != null && `${r.pieces} pieces made`,
    r.finish && `finish ${r.finish}`,
    r.chatter && 'it chattered',
    r.broke && 'something broke',
  ].filter((t): t is string => !!t);

const spread = (words: string, unit: string, s: Schemas['ReportSpread'] | null): string | false =>
  s !== null && `${words} ${s.count === 1 ? s.middle : `${s.least} to ${s.most}, middle ${s.middle}`} ${unit} (${s.count} said so)`;

// How many, and how far they lie apart; nothing is averaged away.
const told = (s: Schemas['ReportSummary']): string =>
  [
    s.asGiven > 0 && `${s.asGiven} ran it as given`,
    s.withChanges > 0 && `${s.withChanges} with changes`,
    s.doNotRun > 0 && `${s.doNotRun} said not to run it`,
    s.chattered > 0 && `${s.chattered} heard chatter`,
    s.broke > 0 && `at ${s.broke} something broke`,
    spread('spindle at', '%', s.speedOverride),
    spread('feed at', '%', s.feedOverride),
    spread('an edge lasted', 'min', s.lifeMinutes),
    spread('an edge lasted', 'pieces', s.lifePieces),
    spread('load', '%', s.load),
  ]
    .filter(Boolean)
    .join('; ') + '.';
