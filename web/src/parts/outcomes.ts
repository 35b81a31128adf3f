import type { Schemas } from '../api/client';

/** What can come of a run at the machine, in words. */
export const OUTCOMES: Record<Schemas['ReportOutcome'], string> = {
  asGiven: 'ran as given',
  withChanges: 'ran with changes',
  doNotRun: 'do not run',
};
