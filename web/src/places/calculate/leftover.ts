import type { Schemas } from '../../api/client';

/** A leftover as it stands in the address: the record and revision it was taken from; what they left stands there. */
export const writeLeftover = (l: Schemas['TakenLeftover'] | Schemas['Leftover']): string => [l.record, l.revision].join('~');

export function readLeftover(text: string | undefined): Schemas['TakenLeftover'] | null {
  const [record, revision] = (text ?? '').split('~');
  return record && Number.isInteger(Number(revision)) && Number(revision) > 0 ? { record, revision: Number(revision) } : null;
}
