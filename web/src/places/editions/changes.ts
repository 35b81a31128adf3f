import type { Schemas } from '../../api/client';

/** How a record differs between two editions, in words. */
export const CHANGES: Record<Schemas['EditionChange'], string> = {
  added: 'new',
  changed: 'changed',
  removed: 'no longer in',
  same: 'as before',
};
