import type { Schemas } from '../../../api/client';

export type Group = Schemas['HoleGroup'];
export type Target = Schemas['HoleTarget'];
export type Pattern = Schemas['HolePattern'];
export type Solved = Schemas['GroupView'];

export const KINDS: Record<Schemas['TargetKind'], string> = {
  plain: 'drilled hole',
  tolerance: 'hole to a tolerance',
  threaded: 'threaded hole',
  counterbored: 'counterbored hole',
};

export const FORMS: Record<Schemas['PatternForm'], string> = {
  typed: 'typed positions',
  circle: 'on a circle',
  arc: 'on an arc',
  grid: 'in rows and columns',
  line: 'on a line',
};

export const ORDERS: Record<Schemas['HoleOrder'], string> = {
  asGiven: 'as given',
  nearestNext: 'nearest next, shortened',
  rows: 'row by row',
};

/** A hole as the drawing of a part says it, in the reader's unit; a thread keeps its designation. */
export function targetWords(t: Target, size: (mm: number) => string): string {
  const depth = t.through ? `through ${size(t.depth!)}` : `${size(t.depth!)} deep`;
  switch (t.kind) {
    case 'threaded':
      return `${t.thread?.text ?? 'thread'}, ${depth}`;
    case 'tolerance':
      return `Ø${size(t.diameter!)} ${t.tolerance}, ${depth}`;
    case 'counterbored':
      return `Ø${size(t.diameter!)}, ${depth}, seat Ø${size(t.seatDiameter!)} × ${size(t.seatDepth!)}`;
    default:
      return `Ø${size(t.diameter!)}, ${depth}`;
  }
}

export const countOf = (p: Pattern): number =>
  p.form === 'typed' ? (p.typed?.length ?? 0) : p.form === 'grid' ? p.count! * p.rows! : p.count!;
