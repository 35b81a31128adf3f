import {
  addDependencies,
  create,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  type FactoryFunctionMap,
} from 'mathjs/number';
import type { Quantity, UnitFormat } from './units';

// The library's parser over plain numbers; its types admit that a part may be missing.
const math = create({
  addDependencies,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
} as FactoryFunctionMap);

export type Reading = { base: number } | { refused: string };

/** How many mm the units are that may follow a number in a box of length. */
const LENGTHS: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  inch: 25.4,
  '"': 25.4,
  '″': 25.4,
  thou: 0.0254,
  um: 0.001,
  µm: 0.001,
  μm: 0.001,
  µin: 0.0000254,
  uin: 0.0000254,
};
const MM_PER_BASE: Partial<Record<Quantity, number>> = { length: 1, chip: 1, deviation: 0.001 };
const UNIT = /(mm|cm|inch|in|"|″|thou|um|µm|μm|µin|uin)(?![a-z])/g;

/**
 * Reads what a person typed: a number, a fraction, a mixed number, a sum, each with or without a unit.
 * Bare numbers are in the unit shown beside the box.
 */
export function read(text: string, quantity: Quantity, units: UnitFormat): Reading {
  const shownText = `“${text.trim()}”`;
  const plain = text
    .trim()
    .replace(/−/g, '-')
    .replace(/[\u202f\u00a0]/g, '')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/(\d) (?=\d{3}(?!\d|\s*\/))/g, '$1')
    .replace(/(\d+)\s+(\d+\s*\/\s*\d+)/g, '($1+$2)');
  if (plain === '') return { refused: 'Nothing is typed; type a number, or press Escape for the proposal.' };
  const unitless = plain.replace(UNIT, '');
  if (plain.length > 80 || /[^\d\s.+\-*/()e]/.test(unitless))
    return { refused: `${shownText} cannot be read; type a number, a fraction such as 3/8, or a sum such as 90+25.` };

  // Each unit stands as a factor; working the text out at two scales tells whether every term has one, or none.
  const at = (scale: number): unknown => math.evaluate!(plain.replace(UNIT, (unit) => `*${LENGTHS[unit]! * scale}`));
  const { perBase, unit } = units.shown(quantity);
  try {
    const [value, doubled] = [at(1), at(2)];
    if (typeof value !== 'number' || typeof doubled !== 'number')
      return { refused: `${shownText} is not a number; type a number, a fraction such as 3/8, or a sum such as 90+25.` };
    if (!Number.isFinite(value)) return { refused: `${shownText} has no finite value; check for a division by zero.` };
    if (unitless === plain) return { base: perBase === 1 ? value : exact(value * perBase) };
    const mm = MM_PER_BASE[quantity];
    if (mm === undefined) return { refused: `This box is in ${unit || 'plain numbers'}; type the number without a unit of length.` };
    if (Math.abs(doubled - 2 * value) > 1e-9 * Math.abs(value))
      return { refused: `${shownText} mixes numbers with and without a unit; give every term its unit, or none.` };
    return { base: exact(value / mm) };
  } catch {
    return { refused: `${shownText} cannot be read; type a number, a fraction such as 3/8, or a sum such as 90+25.` };
  }
}

// Fourteen digits drop the noise of converting binary fractions, so that 3/32 in is 2.38125 mm.
const exact = (value: number) => Number(value.toPrecision(14));

/** Whether the text is just a number, whose result need not be shown again. */
export function isPlain(text: string): boolean {
  return /^\s*-?\d*[.,]?\d*\s*$/.test(text);
}
