import type { Operation, Result } from '../calculate/page';

export type Case = 'as proposed' | 'small' | 'large' | 'deep and thin' | 'wide and flat';

type Numbers = (operation: Operation, result: Result) => Record<string, number>;

const ACROSS = /^(widthOfCut|stockWidth|slotWidth|offset|arcWanted)$/;
const DEEP = /^(depthOfCut|depth|wallHeight|stockHeight)$/;

// Each field that sizes the cut, at a share of what is proposed, as far as its range and the limits of the room let it.
const scaled =
  (share: (code: string) => number): Numbers =>
  (operation, result) =>
    Object.fromEntries(
      result.fields.flatMap((state) => {
        const field = operation.fields.find((f) => f.code === state.code);
        const by = share(state.code);
        if (!field || by === 1 || !(ACROSS.test(state.code) || DEEP.test(state.code)) || state.value <= 0) return [];
        return [[state.code, Math.min(Math.max(state.value * by, field.least * 1.01), field.most * 0.99, state.most ?? Infinity)]];
      }),
    );

/** Ordinary values, and those at which pictures go wrong. */
export const CASES: readonly [Case, Numbers][] = [
  ['as proposed', () => ({})],
  ['small', scaled(() => 0.05)],
  ['large', scaled(() => 8)],
  ['deep and thin', scaled((code) => (DEEP.test(code) ? 6 : 0.08))],
  ['wide and flat', scaled((code) => (DEEP.test(code) ? 0.05 : 6))],
];
