import { extra, threadOf } from '../../api/beside';
import { useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { ApiError, type Schemas } from '../../api/client';
import { useApp } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { given, pathOf } from '../calculate/address';
import { useRecordAct, type Act } from './useRecordAct';

type View = Schemas['RecordView'];
type RevisionView = Schemas['RecordRevisionView'];
interface ReasonProps {
  to: string;
  value: string;
  onChange: (value: string) => void;
}

function Reason({ to, value, onChange }: ReasonProps) {
  return (
    <Input.TextArea
      aria-label="Reason"
      placeholder={`reason, needed to ${to}`}
      autoSize={{ minRows: 1, maxRows: 6 }}
      maxLength={2000}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

interface RefusalProps {
  act: ReturnType<typeof useRecordAct>;
  record: View;
  kept?: boolean;
}

/** Why it was refused; where somebody else was first, the way to what stands now. */
function Refusal({ act, record, kept }: RefusalProps) {
  const queries = useQueryClient();
  const lost = act.error instanceof ApiError && act.error.status === 412;
  return (
    <>
      <Problem error={act.error} />
      {lost && (
        <Button
          onClick={() => {
            act.reset();
            void queries.invalidateQueries({ queryKey: ['records', record.number] });
          }}
        >
          Show how it stands now{kept ? ', keeping my reason' : ''}
        </Button>
      )}
    </>
  );
}

/** Takes the revision in force out of use, whatever else is open. */
export function Withdraw({ record, revision }: { record: View; revision: RevisionView }) {
  const { session } = useApp();
  const [reason, setReason] = useState('');
  const act = useRecordAct(() => setReason(''));
  if (session?.role !== 'approver') return null;
  return (
    <section className="card decide noprint" aria-label="Withdraw">
      <p>In force. Withdraw it at once where it must not be run any more; a newer revision stays open.</p>
      <Reason to="withdraw it" value={reason} onChange={setReason} />
      <div className="acts">
        <Button
          danger
          loading={act.isPending}
          onClick={() => act.mutate({ what: 'withdraw', of: { number: record.number, version: revision.version }, reason })}
        >
          Withdraw
        </Button>
      </div>
      <Refusal act={act} record={record} kept={Boolean(reason)} />
    </section>
  );
}

/** What can be done to the revision people work on. */
export function Decide({ record, revision }: { record: View; revision: RevisionView }) {
  const { session } = useApp();
  const [reason, setReason] = useState('');
  const [sure, setSure] = useState(false);
  const act = useRecordAct(() => {
    setReason('');
    setSure(false);
  });
  const run = (what: Act) => act.mutate({ what, of: { number: record.number, version: revision.version }, reason });
  const own = revision.events.some((e) => (e.act === 'edit' || e.act === 'submit') && e.by === session?.name);
  const approver = session?.role === 'approver';
  const needsReason = (revision.state === 'inReview' && approver && !own) || (revision.state === 'approved' && approver);
  // A hole is an existing one: a change of its depth is measured against what stands here.
  const was = extra(revision.extras, 'drilledBefore')?.depth ?? revision.numbers.depth;
  const path = pathOf({
    operation: record.operation,
    material: record.materialId,
    assembly: record.assemblyId,
    machine: record.machineId,
    numbers: given(revision.numbers),
    picks: revision.options,
    leftover: revision.leftover ?? undefined,
    method: revision.method ?? undefined,
    crossHoles: extra(revision.extras, 'crossHoles')?.holes ?? [],
    edits: extra(revision.extras, 'stageEdits')?.edits ?? [],
    thread: threadOf(revision.extras),
    before: was === undefined ? undefined : { depth: was },
    note: revision.note,
    ...(revision.state === 'draft' && { record: record.number, version: String(revision.version) }),
  });

  return (
    <section className="card decide noprint" aria-label="Decision">
      {revision.state === 'draft' && (
        <>
          <p>
            {revision.sentBack
              ? 'Sent back: mend it, and hand it in again.'
              : 'A draft. Work on it until it is right, then hand it in; somebody else decides.'}
          </p>
          <Button type="primary" loading={act.isPending} onClick={() => run('submit')}>
            Submit for review
          </Button>{' '}
          <Link to={path}>Work on the draft</Link>{' '}
          {sure ? (
            <>
              <Button danger loading={act.isPending} onClick={() => run('discard')}>
                Give this draft up
              </Button>{' '}
              <Button type="text" onClick={() => setSure(false)}>
                Keep it
              </Button>
            </>
          ) : (
            <Button type="text" onClick={() => setSure(true)}>
              Discard…
            </Button>
          )}
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
          {own && (
            <Button loading={act.isPending} onClick={() => run('take-back')}>
              Take it back
            </Button>
          )}
          {approver && !own && (
            <>
              <Reason to="send it back" value={reason} onChange={setReason} />
              <div className="acts">
                <Button type="primary" loading={act.isPending} onClick={() => run('approve')}>
                  Approve
                </Button>
                <Button onClick={() => run('send-back')}>Send back</Button>
              </div>
            </>
          )}
        </>
      )}
      {revision.state === 'approved' && (
        <>
          <p>
            Approved; editions publish it until it is withdrawn. <Link to={path}>Propose a new revision</Link>
          </p>
          {approver && (
            <>
              <Reason to="withdraw it" value={reason} onChange={setReason} />
              <div className="acts">
                <Button danger onClick={() => run('withdraw')}>
                  Withdraw
                </Button>
              </div>
            </>
          )}
        </>
      )}
      {revision.state === 'discarded' && (
        <p>
          Given up. <Link to={path}>Propose a new revision</Link>
        </p>
      )}
      {revision.state === 'withdrawn' && (
        <p>
          Withdrawn; no edition publishes it any more. <Link to={path}>Propose a new revision</Link>
        </p>
      )}
      <Refusal act={act} record={record} kept={needsReason && Boolean(reason)} />
    </section>
  );
}
