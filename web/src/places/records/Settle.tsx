import type { Schemas } from '../../api/client';
import { Worklist, type Task } from './Worklist';

const TASKS: readonly Task[] = [
  {
    key: 'n',
    what: 'renew',
    words: 'New revision',
    says: 'new revision as it comes out today, handed in for review',
    done: 'proposed anew',
    sure: (number) => `Propose ${number} as it comes out today, in your name? Somebody else decides on it then.`,
  },
  {
    key: 'k',
    what: 'keep',
    words: 'Keep',
    says: 'keep, with a reason',
    done: 'kept',
    reason: (number) => `Why ${number} still holds`,
  },
  {
    key: 'w',
    what: 'withdraw',
    words: 'Withdraw',
    says: 'withdraw, with a reason',
    done: 'withdrawn',
    reason: (number) => `Why ${number} is withdrawn`,
    danger: true,
  },
];

/** Stale records, what moved most first: a new revision as it comes out today, kept with a reason, or withdrawn. */
export const Settle = ({ rows }: { rows: readonly Schemas['RecordSummary'][] }) => (
  <Worklist name="Stale records" rows={rows} tasks={TASKS} />
);
