import type { Schemas } from '../api/client';

/** What became of a figure since it was published, in one word; nothing where it holds. */
export const SINCE: Record<Schemas['Since'], string> = {
  holds: '',
  superseded: 'a newer revision is approved',
  stale: 'stale',
  broken: 'stale: breaks a limit now',
  stopped: 'stopped: reported from a machine',
  ended: 'ended: approved for a time that is over',
  withdrawn: 'withdrawn',
};
