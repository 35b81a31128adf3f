import type { Schemas } from '../../../api/client';

export type Stage = Schemas['WayPart'];

export interface Row {
  stage: Stage;
  number: number;
  time: number;
  colour: string;
}

const COLOUR: Record<string, string> = {
  entry: 'var(--load1)',
  start: 'var(--load2)',
  full: 'var(--accent)',
  cross: 'var(--load3)',
  break: 'var(--load4)',
  withdraw: 'var(--rest)',
  in: 'var(--accent)',
  out: 'var(--rest)',
};

export const kindOf = (code: string): string => (code.startsWith('full') ? 'full' : code.startsWith('cross') ? 'cross' : code);

/** Colour of a stretch that feeds; one that is moved in rapid or stands has none. */
export const colourOf = (stage: Stage): string =>
  stage.rapid || stage.feedRate === 0 ? '' : (COLOUR[kindOf(stage.code)] ?? 'var(--accent)');

/** The stages as they are called out: what only lifts and comes back between two pecks counts with the peck before it. */
export function rowsOf(stages: readonly Stage[]): Row[] {
  const rows: Row[] = [];
  for (const stage of stages) {
    const last = rows[rows.length - 1];
    if (last && /^(lift|back)-/.test(stage.code)) last.time += stage.time;
    else rows.push({ stage, number: rows.length + 1, time: stage.time, colour: colourOf(stage) });
  }
  return rows;
}
