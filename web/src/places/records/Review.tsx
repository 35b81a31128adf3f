import { Suspense } from 'react';
import { lazily } from '../../api/busy';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { useOperations } from '../../parts/shelf';
import { Worklist, type Task } from './Worklist';

const TASKS: readonly Task[] = [
  {
    key: 'a',
    what: 'approve',
    words: 'Approve',
    says: 'approve',
    done: 'approved',
    sure: (number) => `Approve ${number} with these figures?`,
  },
  {
    key: 'n',
    what: 'rework',
    words: 'Work it out anew',
    says: 'work out anew what breaks a limit now',
    done: 'worked out anew',
    sure: (number) => `Work ${number} out anew, in your name? Somebody else decides on it then.`,
  },
  {
    key: 's',
    what: 'send-back',
    words: 'Send back',
    says: 'send back, with a reason',
    done: 'sent back',
    reason: (number) => `What to mend in ${number}`,
  },
];

/** Proposals one after the other: what each would change, approved or sent back from the keyboard. */
export const Review = ({ rows }: { rows: readonly Schemas['RecordSummary'][] }) => (
  <Worklist
    name="Records in review"
    rows={rows}
    tasks={TASKS}
    detail={(record, revision) => <Proposed assembly={record.assemblyId} revision={revision} />}
  />
);

const CutPicture = lazily(() => import('./CutPicture'));

const MOST = 6;

// So many of what is set at the machine are told beside the large figures.
const FOREMOST = 4;

// What a reviewer asks first: the figures beside those approved before, what was departed from, what is cautioned, what was said.
function Proposed({ assembly, revision: r }: { assembly: number; revision: Schemas['RecordRevisionView'] }) {
  const units = useUnits();
  const amount = (value: number | null, quantity: Schemas['Quantity']) => (value === null ? 'none' : units.text(value, quantity));
  const typed = r.result.fields.filter((f) => f.origin === 'typed' && f.proposed !== null);
  const operation = useOperations().data?.find((o) => o.code === r.situation.operation);
  const fields = operation?.fields ?? [];
  const foremost = operation?.atMachine.slice(0, FOREMOST) ?? [];
  const shown = r.result.figures.filter((f) => f.rank === 'large' || foremost.includes(f.code));
  const worst = [...r.result.limits].sort((a, b) => (b.use ?? 0) - (a.use ?? 0))[0];
  const open = r.cautions.filter((c) => c.acceptance === null).length;
  return (
    <>
      <p>
        {shown.map((f) => (
          <span key={f.code}>
            {f.name.toLowerCase()} <b className="mono">{amount(f.value, f.quantity)}</b> ·{' '}
          </span>
        ))}
        {worst?.use != null && (
          <span className="muted">
            nearest limit {worst.name.toLowerCase()} {Math.round(worst.use * 100)} %
          </span>
        )}
      </p>
      {r.approvedBefore > 0 && (
        <p>
          Against revision {r.approvedBefore}:{' '}
          {r.againstApproved.length === 0
            ? 'no figure differs.'
            : r.againstApproved
                .slice(0, MOST)
                .map((c) => `${c.name.toLowerCase()} ${amount(c.from, c.quantity)} → ${amount(c.to, c.quantity)}`)
                .join('; ')}
          {r.againstApproved.length > MOST && `; and ${r.againstApproved.length - MOST} more`}
        </p>
      )}
      {typed.length > 0 && (
        <p>
          Typed, not proposed:{' '}
          {typed
            .map((t) => fields.find((f) => f.code === t.code)?.name ?? t.code)
            .join(', ')
            .toLowerCase()}
          .
        </p>
      )}
      {r.changedUnder.length > 0 && (
        <p>
          Revised under it: {r.changedUnder.map((c) => `${c.kind} ${c.name}${c.by.length ? ` by ${c.by.join(', ')}` : ''}`).join('; ')}.
        </p>
      )}
      {r.can
        .find((c) => c.act === 'approve')
        ?.against.map((s, i) => (
          <p key={i} className="warn">
            {units.sentence(s)}
          </p>
        ))}
      {open > 0 && <p className="warn">{open === 1 ? 'A caution' : `${open} cautions`} to accept with a reason: open it.</p>}
      {r.note && <p className="quote">{r.note}</p>}
      <Suspense fallback={null}>
        <CutPicture assembly={assembly} revision={r} />
      </Suspense>
    </>
  );
}
