import type { Schemas } from '../../../api/client';
import { readAlone } from '../../../parts/typed';
import type { UnitFormat } from '../../../parts/units';

type Position = Schemas['Position'];

// Two digits more than a shop reads: a line that is typed again without change would otherwise move its hole.
const axis = (base: number, units: UnitFormat): string => {
  const { perBase, decimals } = units.shown('length');
  return String(Number((base / perBase).toFixed(decimals + 2)));
};

/** A position as a line of the box. */
export const lineOf = (p: Position, units: UnitFormat): string => `${axis(p.x, units)} ; ${axis(p.y, units)}`;

/**
 * Reads lines of x and y as they are typed, in the unit shown, each a number, a fraction or a sum. A line that stands as it was
 * shown keeps its position to the last bit.
 */
export function readLines(text: string, before: readonly Position[], units: UnitFormat): { positions: Position[] } | { refused: string } {
  const shown = new Map(before.map((p) => [lineOf(p, units), p]));
  const positions: Position[] = [];
  for (const [i, line] of text.split('\n').entries()) {
    const plain = line.trim();
    if (!plain) continue;
    const known = shown.get(plain);
    if (known) {
      positions.push(known);
      continue;
    }
    const parts = plain.split(/[;\t]/.test(plain) ? /[;\t]/ : /,\s+|\s+/).filter((p) => p.trim());
    if (parts.length !== 2)
      return { refused: `Line ${i + 1}, “${plain}”, is not two numbers; write x ; y in ${units.unit('length')}, one hole a line.` };
    const [x, y] = parts.map((p) => readAlone(p, 'length', units));
    for (const part of [x!, y!]) if ('refused' in part) return { refused: `Line ${i + 1}: ${part.refused}` };
    positions.push({ x: (x as { base: number }).base, y: (y as { base: number }).base });
  }
  return { positions };
}
