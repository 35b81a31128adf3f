import type { Schemas } from '../../api/client';

export type Count = Schemas['CoverageCount'];
export type State = keyof Count;

/** Each way to stand with a mark of its own, so that nothing depends on colour; what matters most comes first. */
export const STATES: readonly { state: State; mark: string; words: string }[] = [
  { state: 'stopped', mark: '■', words: 'not to be run' },
  { state: 'stale', mark: '!', words: 'stale' },
  { state: 'approved', mark: '●', words: 'approved' },
  { state: 'inReview', mark: '◐', words: 'in review' },
  { state: 'draft', mark: '○', words: 'draft' },
  { state: 'withdrawn', mark: '×', words: 'withdrawn' },
  { state: 'lookedFor', mark: '?', words: 'looked for, not found' },
];

export const recordsIn = (c: Count | undefined): number => (c ? c.approved + c.stopped + c.stale + c.inReview + c.draft + c.withdrawn : 0);

/** What a cell says in its place: two marks with their numbers, and that there are more. */
export function short(c: Count | undefined): string {
  if (!c) return '';
  const there = STATES.filter((s) => c[s.state] > 0).map((s) => `${s.mark}${c[s.state]}`);
  return there.length > 2 ? `${there.slice(0, 2).join(' ')}+` : there.join(' ');
}

/** What a cell says in words. */
export const said = (c: Count | undefined): string =>
  c
    ? STATES.filter((s) => c[s.state] > 0)
        .map((s) => `${c[s.state]} ${s.words}`)
        .join(', ')
    : 'none';

/** The state a cell is coloured by. */
export const foremost = (c: Count | undefined): State | undefined => STATES.find((s) => (c?.[s.state] ?? 0) > 0)?.state;
