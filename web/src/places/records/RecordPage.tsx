import { Button } from 'antd';
import { Suspense } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { Derivation } from '../../parts/Derivation';
import { Findings } from '../../parts/Findings';
import { LimitLadder } from '../../parts/LimitLadder';
import { Sym } from '../../parts/Sym';
import { Problem } from '../../parts/Problem';
import { TermsLine } from '../../parts/TermsLine';
import { moment, signed } from '../../parts/units';
import { useOperations } from '../../parts/shelf';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { AlongTheAxis } from './AlongTheAxis';
import { lazily } from '../../api/busy';
import { Figures } from '../calculate/Figures';
import { Decide, Withdraw } from './Decide';
import { newestOf } from '../../parts/revisions';
import { Comments } from './Comments';
import { Made } from './Made';
import { OpenReports, Reports } from './Reports';
import { Stale } from './Stale';
import { Cautions } from './Terms';
import { may, useRecord } from './useRecord';

type RevisionView = Schemas['RecordRevisionView'];
const DONE: Record<Schemas['RecordAct'], string> = {
  edit: 'worked on it',
  submit: 'submitted it for review',
  approve: 'approved it',
  sendBack: 'sent it back',
  takeBack: 'took it back',
  keep: 'said that it still holds',
  withdraw: 'withdrew it',
  discard: 'gave it up',
};

const CutPicture = lazily(() => import('./CutPicture'));

/** A record: what is proposed, how it came about, what changed, and what is to be decided. */
export function RecordPage() {
  const { number } = useParams();
  const [search, setSearch] = useSearchParams();
  const record = useRecord(number);
  const mayWork = useMayWork();
  if (record.isPending) return <p className="page muted">Fetching the record…</p>;
  if (record.error)
    return (
      <div className="page">
        <Problem error={record.error} />
      </div>
    );
  const newest = newestOf(record.data);
  const inForce = record.data.revisions.find((r) => r.number === record.data.inForce);
  const revision = record.data.revisions.find((r) => String(r.number) === search.get('rev')) ?? newest;
  return (
    <div className="page record">
      <header>
        <div>
          <Link to="/records">Records</Link>
          <h1>
            {record.data.number} <span className="muted">revision {revision.number}</span>{' '}
            <StateMark state={revision.state} sentBack={revision.sentBack} ended={revision.ended} />
          </h1>
          <p className="situation">
            <SituationSentence s={revision.situation} />
          </p>
        </div>
        <span className="grow" />
        {record.data.revisions.length > 1 && (
          <span className="noprint">
            {record.data.revisions.map((r) => (
              <Button
                key={r.number}
                size="small"
                type={r === revision ? 'primary' : 'default'}
                onClick={() => setSearch({ rev: String(r.number) })}
              >
                rev {r.number}
              </Button>
            ))}
          </span>
        )}
      </header>
      <OpenReports number={record.data.number} />
      <Stale revision={revision} />
      <div className="review">
        <section>
          {revision === newest && <Decide key={newest.number} record={record.data} revision={newest} />}
          {inForce && revision.number === inForce.number && revision !== newest && <Withdraw record={record.data} revision={inForce} />}
          <Suspense fallback={null}>
            <CutPicture assembly={record.data.assemblyId} revision={revision} />
          </Suspense>
          <h2>Why it is proposed</h2>
          <p className={revision.note ? '' : 'muted'}>{revision.note || 'No note was given.'}</p>
          {revision.leftover && (
            <p className={revision.leftover.changed ? 'warn' : ''} role={revision.leftover.changed ? 'status' : undefined}>
              Takes the leftover of <Link to={`/records/${revision.leftover.record}`}>{revision.leftover.record}</Link>, revision{' '}
              {revision.leftover.revision}. {revision.leftover.changed}
            </p>
          )}
          <TermsLine terms={revision.terms} ended={revision.ended} made={revision.made} />
          {revision === inForce && revision.terms.pieces !== null && !revision.ended && (
            <Made number={record.data.number} version={revision.version} />
          )}
          {revision.method && <p className="muted">By the method {revision.method}.</p>}
          <SinceSentBack revision={revision} />
          <Under revision={revision} />
          <Departures revision={revision} />
          <Against revision={revision} />
          <h2>Findings</h2>
          {(revision.cautions.length === 0 || revision.result.findings.some((f) => f.severity !== 'caution')) && (
            <Findings findings={revision.result.findings.filter((f) => f.severity !== 'caution' || revision.cautions.length === 0)} />
          )}
          {!(revision === newest && (may(revision, 'submit') || may(revision, 'sendBack'))) && (
            <Cautions cautions={revision.cautions} reasons={{}} />
          )}
          <Reports number={record.data.number} />
          {inForce && mayWork && (
            <p className="noprint">
              <Link to={`/shop/charts?tried=${record.data.number}`}>Make a row of the speed chart of it</Link>
            </p>
          )}
          <h2>What happened</h2>
          <ol className="history">
            {revision.events.map((e, i) => (
              <li key={i}>
                {moment(e.at)} <b>{e.by}</b>
                {e.inPlaceOf && ` in place of ${e.inPlaceOf}`} {DONE[e.act]}
                {e.reason && <div className="quote">{e.reason}</div>}
              </li>
            ))}
          </ol>
        </section>
        <section className="outcome">
          <Figures result={revision.result} />
          <LimitLadder limits={revision.result.limits} />
          <Comments number={record.data.number} revision={revision} />
        </section>
      </div>
      <AlongTheAxis revision={revision} />
      <details className="how">
        <summary>
          How every figure came about: {revision.result.steps.length} steps, engine {revision.result.engineVersion}
        </summary>
        <Derivation result={revision.result} />
      </details>
    </div>
  );
}

/** What it rests on that was revised since the approval before, and by whom: told, not barred. */
function Under({ revision }: { revision: RevisionView }) {
  if (revision.changedUnder.length === 0) return null;
  return (
    <>
      <h2>Revised under it since revision {revision.approvedBefore} was approved</h2>
      <ul>
        {revision.changedUnder.map((c) => (
          <li key={`${c.kind} ${c.id}`}>
            {c.kind} {c.name}, revision {c.from} to {c.to}
            {c.by.length > 0 && (
              <>
                , by <b>{c.by.join(', ')}</b>
              </>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What became of it since a reviewer sent it back, with the reason. */
function SinceSentBack({ revision }: { revision: RevisionView }) {
  if (!revision.sinceSentBack) return null;
  const reason = revision.events.findLast((e) => e.act === 'sendBack');
  return (
    <>
      <h2>Since it was sent back</h2>
      {reason && (
        <p>
          <b>{reason.by}</b> sent it back: <span className="quote">{reason.reason}</span>
        </p>
      )}
      {revision.sinceSentBack.length === 0 ? (
        <p className="muted">No figure has changed since.</p>
      ) : (
        <table className="compare">
          <thead>
            <tr>
              <th>what was chosen</th>
              <th>sent back</th>
              <th>now</th>
            </tr>
          </thead>
          <Changes of={revision.chosenSince} />
          <thead>
            <tr>
              <th>what follows from it</th>
              <th />
              <th />
            </tr>
          </thead>
          <Changes of={revision.sinceSentBack} />
        </table>
      )}
    </>
  );
}

function Changes({ of }: { of: readonly Schemas['FigureChange'][] }) {
  const units = useUnits();
  return (
    <tbody>
      {of.map((c) => (
        <tr key={c.code} className="differs">
          <td>
            {c.name} <Sym text={c.symbol} />
          </td>
          <td className="mono">{c.from === null ? '' : units.text(c.from, c.quantity)}</td>
          <td className="mono">{c.to === null ? '' : units.text(c.to, c.quantity)}</td>
        </tr>
      ))}
    </tbody>
  );
}

/** What was typed, beside what the chart would have proposed. */
function Departures({ revision }: { revision: RevisionView }) {
  const units = useUnits();
  const operation = useOperations().data?.find((o) => o.code === revision.situation.operation);
  const fields = operation?.fields ?? [];
  const states = new Map(revision.result.fields.map((s) => [s.code, s]));
  return (
    <>
      <h2>Chosen, beside what the chart proposes</h2>
      <table className="compare">
        <thead>
          <tr>
            <th />
            <th>used</th>
            <th>proposed</th>
            <th>came from</th>
          </tr>
        </thead>
        <tbody>
          {fields.map((f) => {
            const s = states.get(f.code);
            if (!s) return null;
            const differs = s.proposed !== null && Math.abs(s.value - s.proposed) > 1e-9 * Math.abs(s.value);
            return (
              <tr key={f.code} className={differs ? 'differs' : ''}>
                <td>
                  {f.name} <Sym text={f.symbol} />
                </td>
                <td className="mono">{units.text(s.value, f.quantity)}</td>
                <td className="mono">
                  {s.proposed === null ? '' : units.text(s.proposed, f.quantity)}
                  {differs && s.proposed ? <em> {signed((s.value / s.proposed - 1) * 100)}</em> : ''}
                </td>
                <td className="muted">
                  {
                    {
                      typed: 'typed',
                      proposed: 'chart',
                      held: 'chart, held by a limit',
                      default: f.role === 'part' ? 'not stated' : 'default',
                    }[s.origin]
                  }
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

function Against({ revision }: { revision: RevisionView }) {
  const units = useUnits();
  if (revision.approvedBefore === 0) return <p className="muted">Nothing was approved for this situation before.</p>;
  return (
    <>
      <h2>Against revision {revision.approvedBefore}, approved before</h2>
      {revision.againstApproved.length === 0 && <p className="muted">No figure differs.</p>}
      {revision.noteBefore !== null && (
        <p>
          The note was another one: <span className="quote">{revision.noteBefore || 'none'}</span>
        </p>
      )}
      {revision.findingsAgainstApproved.map((f, i) => (
        <p key={i} className={f.appeared ? 'warn' : 'muted'}>
          {f.appeared ? 'New: ' : 'No longer: '}
          {units.sentence(f.finding.text)}
        </p>
      ))}
      <table className="compare">
        <tbody>
          {revision.againstApproved.map((c) => (
            <tr key={c.code}>
              <td>
                {c.name} <Sym text={c.symbol} />
              </td>
              <td className="mono">{c.from === null ? '' : units.text(c.from, c.quantity)}</td>
              <td>→</td>
              <td className="mono">{c.to === null ? 'none' : units.text(c.to, c.quantity)}</td>
              <td className="mono">{c.from && c.to !== null ? signed((c.to / c.from - 1) * 100) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
