import type { Schemas } from '../../api/client';

export type Row = Schemas['SpeedRow'];

/** What tells rows apart: one row for each family, cutting material, group of work material and operation. */
export const keyOf = (r: Pick<Row, 'family' | 'cuttingMaterial' | 'subGroup' | 'operation'>): string =>
  [r.family, r.cuttingMaterial, r.subGroup.trim().toUpperCase(), r.operation].join(' ');

const same = (a: Row, b: Row) => {
  const plain = (r: Row) =>
    JSON.stringify([
      keyOf(r),
      r.cuttingSpeed,
      r.feeds.map((f) => [f.diameter, f.feedPerTooth]),
      r.widthRatio,
      r.depthRatio,
      r.life ?? 0,
      r.lifeExponent ?? 0,
      r.source ?? '',
      r.untried ?? false,
    ]);
  return plain(a) === plain(b);
};

/** What becomes of each incoming row: new, in place of one that is there, or nothing because it is there as it is. */
export function fate(rows: readonly Row[], incoming: Row): 'new' | 'replaces' | 'same' {
  const there = rows.find((r) => keyOf(r) === keyOf(incoming));
  return !there ? 'new' : same(there, incoming) ? 'same' : 'replaces';
}

/** The rows with others among them: in place of those for the same, or at the end. */
export function merged(rows: readonly Row[], incoming: readonly Row[]): Row[] {
  const next = [...rows];
  for (const row of incoming) {
    const at = next.findIndex((r) => keyOf(r) === keyOf(row));
    if (at < 0) next.push(row);
    else next[at] = row;
  }
  return next;
}

/** Where rows are copied from and to. */
export interface Copy {
  family: Row['family'];
  fromMaterial: Row['cuttingMaterial'];
  fromGroup: string;
  toMaterial: Row['cuttingMaterial'];
  toGroup: string;
  speed: number;
  feed: number;
}

/** Rows for another material, made of those there are; as nobody has tried them there, they say so. */
export const copied = (rows: readonly Row[], copy: Copy): Row[] =>
  rows
    .filter((r) => r.family === copy.family && r.cuttingMaterial === copy.fromMaterial && r.subGroup === copy.fromGroup)
    .map((r) => ({
      ...r,
      cuttingMaterial: copy.toMaterial,
      subGroup: copy.toGroup.trim(),
      cuttingSpeed: Number((r.cuttingSpeed * copy.speed).toPrecision(4)),
      feeds: r.feeds.map((f) => ({ ...f, feedPerTooth: Number((f.feedPerTooth * copy.feed).toPrecision(4)) })),
      untried: true,
      source: `copied from ${copy.fromGroup}, speed × ${copy.speed}, feed × ${copy.feed}`,
    }));
