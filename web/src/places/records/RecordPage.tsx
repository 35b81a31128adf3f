import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { ApiError, client, data, type Schemas } from '../../api/client';
import { useApp, useUnits } from '../../app/session';
import { Derivation } from '../../parts/Derivation';
import { Findings } from '../../parts/Findings';
import { LimitLadder } from '../../parts/LimitLadder';
import { Sym } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { useOperations } from '../../parts/shelf';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { writeEdits, writeHoles } from '../calculate/holes/address';
import { writeLeftover } from '../calculate/leftover';
import { AlongTheAxis } from './AlongTheAxis';
import { Figures } from '../calculate/Figures';

type View = Schemas['RecordView'];
type RevisionView = Schemas['RecordRevisionView'];
type Act = 'submit' | 'approve' | 'send-back' | 'withdraw';
const DONE: Record<Schemas['RecordAct'], string> = {
  edit: 'worked on it',
  submit: 'submitted it for review',
  approve: 'approved it',
  sendBack: 'sent it back',
  withdraw: 'withdrew it',
};

/** A record: what is proposed, how it came about, what changed, and what is to be decided. */
export function RecordPage() {
  const { number } = useParams();
  const [search, setSearch] = useSearchParams();
  const record = useQuery({
    queryKey: ['records', number],
    queryFn: () => data(client.GET('/api/v1/records/{number}', { params: { path: { number: number! } } })),
  });
  if (record.isPending) return <p className="page muted">Fetching the record…</p>;
  if (record.error)
    return (
      <div className="page">
        <Problem error={record.error} />
      </div>
    );
  const newest = record.data.revisions[0]!;
  const revision = record.data.revisions.find((r) => String(r.number) === search.get('rev')) ?? newest;
  return (
    <div className="page record">
      <header>
        <div>
          <Link to="/records">Records</Link>
          <h1>
            {record.data.number} <span className="muted">revision {revision.number}</span> <StateMark state={revision.state} />
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
      <Stale revision={revision} />
      <div className="review">
        <section>
          {revision === newest && <Decide record={record.data} revision={newest} />}
          <h2>Why it is proposed</h2>
          <p className={revision.note ? '' : 'muted'}>{revision.note || 'No note was given.'}</p>
          {revision.leftover && (
            <p className={revision.leftover.changed ? 'warn' : ''} role={revision.leftover.changed ? 'status' : undefined}>
              Takes the leftover of <Link to={`/records/${revision.leftover.record}`}>{revision.leftover.record}</Link>, revision{' '}
              {revision.leftover.revision}. {revision.leftover.changed}
            </p>
          )}
          {revision.method && <p className="muted">By the method {revision.method}.</p>}
          <Departures revision={revision} />
          <Against revision={revision} />
          <h2>Findings</h2>
          <Findings findings={revision.result.findings} />
          <h2>What happened</h2>
          <ol className="history">
            {revision.events.map((e, i) => (
              <li key={i}>
                {new Date(e.at).toLocaleString()} <b>{e.by}</b> {DONE[e.act]}
                {e.reason && <div className="quote">{e.reason}</div>}
              </li>
            ))}
          </ol>
        </section>
        <section className="outcome">
          <Figures result={revision.result} />
          <LimitLadder limits={revision.result.limits} />
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

function Stale({ revision }: { revision: RevisionView }) {
  const units = useUnits();
  if (revision.moved.length === 0) return null;
  return (
    <section className="card stalebox" role="status">
      <b>Stale.</b> Since this revision:{' '}
      {revision.moved.map((m) => `${m.footing.kind} ${m.footing.name} went from revision ${m.footing.revision} to ${m.now}`).join('; ')}.{' '}
      {revision.ifToday.length === 0
        ? 'No figure would differ today.'
        : `Calculated today: ${revision.ifToday
            .slice(0, 6)
            .map(
              (c) =>
                `${c.name.toLowerCase()} ${units.text(c.to, c.quantity)} instead of ${c.from === null ? 'none' : units.text(c.from, c.quantity)}`,
            )
            .join('; ')}.`}
    </section>
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
                      default: 'default',
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

const signed = (percent: number) => `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(0)} %`;

function Against({ revision }: { revision: RevisionView }) {
  const units = useUnits();
  if (revision.approvedBefore === 0) return <p className="muted">Nothing was approved for this situation before.</p>;
  return (
    <>
      <h2>Against revision {revision.approvedBefore}, approved before</h2>
      {revision.againstApproved.length === 0 && <p className="muted">No figure differs.</p>}
      <table className="compare">
        <tbody>
          {revision.againstApproved.map((c) => (
            <tr key={c.code}>
              <td>
                {c.name} <Sym text={c.symbol} />
              </td>
              <td className="mono">{c.from === null ? '' : units.text(c.from, c.quantity)}</td>
              <td>→</td>
              <td className="mono">{units.text(c.to, c.quantity)}</td>
              <td className="mono">{c.from ? signed((c.to / c.from - 1) * 100) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Decide({ record, revision }: { record: View; revision: RevisionView }) {
  const { session } = useApp();
  const queries = useQueryClient();
  const [reason, setReason] = useState('');
  const act = useMutation({
    mutationFn: (what: Act) =>
      data(
        client.POST(`/api/v1/records/{number}/${what}` as '/api/v1/records/{number}/submit', {
          params: { path: { number: record.number } },
          headers: { 'If-Match': `"${revision.version}"` },
          body: { text: reason },
        }),
      ),
    onSuccess: async (after) => {
      setReason('');
      queries.setQueryData(['records', record.number], after);
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['records'], exact: true }),
        queries.invalidateQueries({ queryKey: ['editions'] }),
        queries.invalidateQueries({ queryKey: ['lookup'] }),
      ]);
    },
  });
  const lost = act.error instanceof ApiError && act.error.status === 412;
  const own = revision.events.some((e) => (e.act === 'edit' || e.act === 'submit') && e.by === session?.name);
  const approver = session?.role === 'approver';
  const needsReason = (revision.state === 'inReview' && approver && !own) || (revision.state === 'approved' && approver);
  const query = new URLSearchParams({
    op: record.operation,
    material: String(record.materialId),
    assembly: String(record.assemblyId),
    machine: String(record.machineId),
    ...Object.fromEntries(Object.entries(revision.numbers).map(([k, v]) => [`n.${k}`, String(v)])),
    ...(revision.leftover && { leftover: writeLeftover(revision.leftover) }),
    ...(revision.method && { method: revision.method }),
    ...Object.fromEntries(Object.entries(revision.options).map(([k, v]) => [`o.${k}`, v])),
  });
  // A hole is an existing one: a change of its depth is measured against what stands here.
  const [cross, edits, was] = [writeHoles(revision.crossHoles), writeEdits(revision.edits), revision.depthBefore ?? revision.numbers.depth];
  if (cross) query.set('cross', cross);
  if (edits) query.set('edits', edits);
  if (was !== undefined) query.set('was', String(was));
  if (revision.state === 'draft') {
    query.set('record', record.number);
    query.set('version', String(revision.version));
    if (revision.note) query.set('note', revision.note);
  }

  return (
    <section className="card decide noprint" aria-label="Decision">
      {revision.state === 'draft' && (
        <>
          <p>A draft. Work on it until it is right, then hand it in; somebody else decides.</p>
          <Button type="primary" loading={act.isPending} onClick={() => act.mutate('submit')}>
            Submit for review
          </Button>{' '}
          <Link to={`/calculate?${query}`}>Work on the draft</Link>
        </>
      )}
      {revision.state === 'inReview' && (
        <>
          <p>
            {own
              ? 'You worked on this one, so another approver decides on it.'
              : approver
                ? `Proposed by ${revision.proposedBy}. Approve it, or send it back with a reason.`
                : 'Waiting for an approver.'}
          </p>
          {approver && !own && (
            <>
              <Input.TextArea
                aria-label="Reason"
                placeholder="reason, needed to send it back"
                rows={2}
                maxLength={2000}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
              <div className="acts">
                <Button type="primary" loading={act.isPending} onClick={() => act.mutate('approve')}>
                  Approve
                </Button>
                <Button onClick={() => act.mutate('send-back')}>Send back</Button>
              </div>
            </>
          )}
        </>
      )}
      {revision.state === 'approved' && (
        <>
          <p>
            Approved. The next edition publishes it. <Link to={`/calculate?${query}`}>Propose a new revision</Link>
          </p>
          {approver && (
            <>
              <Input.TextArea
                aria-label="Reason"
                placeholder="reason, needed to withdraw it"
                rows={1}
                maxLength={2000}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
              <div className="acts">
                <Button danger onClick={() => act.mutate('withdraw')}>
                  Withdraw
                </Button>
              </div>
            </>
          )}
        </>
      )}
      {revision.state === 'withdrawn' && (
        <p>
          Withdrawn; no edition publishes it any more. <Link to={`/calculate?${query}`}>Propose a new revision</Link>
        </p>
      )}
      <Problem error={act.error} />
      {lost && (
        <Button
          onClick={() => {
            act.reset();
            void queries.invalidateQueries({ queryKey: ['records', record.number] });
          }}
        >
          Show how it stands now{needsReason && reason ? ', keeping my reason' : ''}
        </Button>
      )}
    </section>
  );
}
