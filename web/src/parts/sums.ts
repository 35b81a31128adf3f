type Evaluate = (sum: string) => unknown;

let evaluate: Evaluate | undefined;
let loading: Promise<void> | undefined;

/** Fetches what works out sums. It weighs as much as a page, so that it comes when the first box is entered. */
export function loadSums(): Promise<void> {
  loading ??= import('./sums.math').then(
    (m) => void (evaluate = m.evaluate),
    () => {
      loading = undefined;
    },
  );
  return loading;
}

const NUMBER = /^-?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/;

/** The value of a sum; undefined while what works it out is not there yet. A number alone needs nothing. */
export function valueOf(sum: string): unknown {
  const alone = sum.trim();
  return NUMBER.test(alone) ? Number(alone) : evaluate?.(sum);
}

/** Whether sums can be worked out. */
export const sumsReady = () => evaluate !== undefined;
