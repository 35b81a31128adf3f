import { lazy, type ComponentType } from 'react';

// What is asked right after an answer, by what the answer made appear, belongs to the same wait.
const MOMENT = 100;

let waiting = 0;
let quiet: ReturnType<typeof setTimeout> | undefined;

function ended(): void {
  if (--waiting === 0) quiet = setTimeout(() => delete document.documentElement.dataset.busy, MOMENT);
}

/** Lets the page say that it is busy (`<html data-busy>`) until what it waits for has come, and nothing else was asked for a moment. */
export function whileBusy<T>(work: Promise<T>): Promise<T> {
  waiting++;
  clearTimeout(quiet);
  document.documentElement.dataset.busy = '';
  work.then(ended, ended);
  return work;
}

/** A component that is fetched when it is first shown. */
export const lazily = <P extends object>(load: () => Promise<{ default: ComponentType<P> }>) => lazy(() => whileBusy(load()));
