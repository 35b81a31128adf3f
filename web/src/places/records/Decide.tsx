import { extra, threadOf } from '../../api/beside';
import { useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { ApiError, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { useUnits } from '../../parts/session';
import { given, pathOf } from '../calculate/address';
import { Cautions, givenOf, TermsFields } from './Terms';
import { may, whyNot } from './useRecord';
import { REWORKED } from './Worklist';
import { useRecordAct, type Act } from './useRecordAct';

type View = Schemas['RecordView'];
type RevisionView = Schemas['RecordRevisionView'];
type RecordAct = Schemas['RecordAct'];
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
  const [reason, setReason] = useState('');
  const act = useRecordAct(() => setReason(''));
  if (!may(revision, 'withdraw')) return null;
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

// Calculate, with everything this revision was made of. A hole is an existing one: a change of its depth is measured against what stands here.
function pathTo(record: View, revision: RevisionView): string {
  const was = extra(revision.extras, 'drilledBefore')?.depth ?? revision.numbers.depth;
  return pathOf({
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
    outline: extra(revision.extras, 'turnedOutline')?.steps ?? [],
    thread: threadOf(revision.extras),
    before: was === undefined ? undefined : { depth: was },
    note: revision.note,
    ...(revision.state === 'draft' && { record: record.number, version: String(revision.version) }),
  });
}

const STOPPED = 'reported-do-not-run';
const SAYS: Record<RevisionView['state'], string> = {
  draft: 'A draft. Work on it until it is right, then hand it in; somebody else decides.',
  inReview: 'Approve it, or send it back with a reason.',
  approved: 'Approved; editions publish it until it is withdrawn.',
  discarded: 'Given up.',
  withdrawn: 'Withdrawn; no edition publishes it any more.',
};

/** What can be done to the revision people work on, as the server says. */
export function Decide({ record, revision }: { record: View; revision: RevisionView }) {
  const units = useUnits();
  const [reason, setReason] = useState('');
  const [sure, setSure] = useState(false);
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [terms, setTerms] = useState(givenOf(revision.terms));
  const act = useRecordAct(() => {
    setReason('');
    setSure(false);
  });
  const run = (what: Act) =>
    act.mutate({
      what,
      of: { number: record.number, version: revision.version },
      reason,
      ...((what === 'submit' || what === 'approve') && { accepted: reasons, terms }),
    });
  const button = (on: RecordAct, what: Act, words: string, kind?: 'primary' | 'danger') =>
    may(revision, on) && (
      <Button
        key={what}
        {...(kind === 'primary' ? { type: 'primary' as const } : { danger: kind === 'danger' })}
        loading={act.isPending && act.variables.what === what}
        onClick={() => run(what)}
      >
        {words}
      </Button>
    );
  const { state } = revision;
  const decides = may(revision, 'sendBack');
  // An approval that only lacks accepted cautions is given together with them.
  const approval = revision.can.find((c) => c.act === 'approve');
  const approves = decides && ['', 'open-caution'].includes(approval!.rule);
  const against = approval?.against ?? [];
  const anew = decides && REWORKED.includes(approval!.rule);
  const edits = may(revision, 'submit') || decides;
  const reasoned = may(revision, 'sendBack')
    ? against.length > 0
      ? 'approve it nevertheless, or to send it back'
      : 'send it back'
    : state === 'approved' && may(revision, 'withdraw')
      ? 'withdraw it'
      : undefined;
  const path = pathTo(record, revision);
  return (
    <section className="card decide noprint" aria-label="Decision">
      <p>
        {state === 'draft' && revision.sentBack
          ? 'Sent back: mend it, and hand it in again.'
          : state === 'inReview' && !decides
            ? `In review. ${whyNot(revision, 'approve')}`
            : anew
              ? 'It breaks a limit now: work it out anew, or send it back with a reason.'
              : state === 'approved' && revision.standing.breaks.some((b) => b.code === STOPPED)
                ? 'Approved, and stopped at the machine: no edition takes it until somebody decides on the report.'
                : SAYS[state]}{' '}
        {state !== 'draft' && state !== 'inReview' && <Link to={path}>Propose a new revision</Link>}
      </p>
      {state === 'draft' && !may(revision, 'submit') && <p className="warn">{whyNot(revision, 'submit')}</p>}
      {decides && !approves && <p className="warn">{whyNot(revision, 'approve')}</p>}
      {against.length > 0 && (
        <div className="warn" role="status">
          To approve it as it stands, say why it holds; whoever reads the figures sees it:
          <ul>
            {against.map((s, i) => (
              <li key={i}>{units.sentence(s)}</li>
            ))}
          </ul>
        </div>
      )}
      {edits && (
        <>
          <Cautions cautions={revision.cautions} reasons={reasons} onReasons={setReasons} />
          <TermsFields value={terms} onChange={setTerms} />
        </>
      )}
      {reasoned && <Reason to={reasoned} value={reason} onChange={setReason} />}
      <div className="acts">
        {button('submit', 'submit', 'Submit for review', 'primary')}
        {approves && (
          <Button type="primary" loading={act.isPending && act.variables.what === 'approve'} onClick={() => run('approve')}>
            Approve
          </Button>
        )}
        {anew && (
          <Button type="primary" loading={act.isPending && act.variables.what === 'rework'} onClick={() => run('rework')}>
            Work it out anew, for somebody else's review
          </Button>
        )}
        {button('sendBack', 'send-back', 'Send back')}
        {button('takeBack', 'take-back', 'Take it back')}
        {state === 'approved' && button('withdraw', 'withdraw', 'Withdraw', 'danger')}
        {state === 'draft' && <Link to={path}>Work on the draft</Link>}
        {may(revision, 'discard') &&
          (sure ? (
            <>
              {button('discard', 'discard', 'Give this draft up', 'danger')}
              <Button type="text" onClick={() => setSure(false)}>
                Keep it
              </Button>
            </>
          ) : (
            <Button type="text" onClick={() => setSure(true)}>
              Discard…
            </Button>
          ))}
      </div>
      <Refusal act={act} record={record} kept={Boolean(reasoned && reason)} />
    </section>
  );
}
