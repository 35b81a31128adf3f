import type { Schemas } from '../../api/client';

/** A leftover as it stands in the address: what was taken over, so that it stays what it was. */
export const writeLeftover = (l: Schemas['TakenLeftover'] | Schemas['Leftover']): string =>
  [l.record, l.revision, l.across, l.height, l.length, l.cutterDiameter].join('~');

export function readLeftover(text: string | undefined): Schemas['TakenLeftover'] | null {
  const [record, ...rest] = (text ?? '').split('~');
  const [revision, across, height, length, cutterDiameter] = rest.map(Number);
  if (!record || rest.length !== 5 || rest.some((r) => !Number.isFinite(Number(r)))) return null;
  return { record, revision: revision!, across: across!, height: height!, length: length!, cutterDiameter: cutterDiameter! };
}
