import {
  addDependencies,
  create,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  typeOfDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  unitDependencies,
  type FactoryFunctionMap,
} from 'mathjs';
import type { Quantity, UnitFormat } from './units';

// Only the parts of the library that sums with units need; its types admit that a part may be missing.
const math = create({
  addDependencies,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  typeOfDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  unitDependencies,
} as FactoryFunctionMap);

export type Reading = { base: number } | { refused: string };

const LENGTHS: readonly Quantity[] = ['length', 'chip', 'deviation'];
const METRE_PER: Partial<Record<Quantity, string>> = { length: 'mm', chip: 'mm', deviation: 'um' };

/**
 * Reads what a person typed: a number, a fraction, a mixed number, a sum, each with or without a unit.
 * Bare numbers are in the unit shown beside the box.
 */
export function read(text: string, quantity: Quantity, units: UnitFormat): Reading {
  const plain = text
    .trim()
    .replace(/\u2212/g, '-')
    .replace(/[\u202f\u00a0]/g, '')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/["\u2033]/g, ' in')
    .replace(/µ|μ/g, 'u')
    .replace(/\buin\b/g, 'in*1e-6')
    .replace(/\b(?:thou|mil)\b/g, 'in/1000')
    .replace(/(\d+)\s+(\d+)\s*\/\s*(\d+)/g, '($1+$2/$3)');
  if (plain === '') return { refused: 'Nothing is typed; type a number, or press Escape for the proposal.' };
  if (/[^\d\s.+\-*/()a-z]/i.test(plain) || plain.length > 80)
    return { refused: `“${text.trim()}” cannot be read; type a number, a fraction such as 3/8, or a sum such as 90+25.` };
  let value: unknown;
  try {
    // A unit after a fraction belongs to all of it: 3/8 in is not 3 over 8 in.
    value = math.evaluate(plain.replace(/(\d*\.?\d+\s*\/\s*\d*\.?\d+)\s*(?=(?:mm|cm|in|um)\b)/g, '($1) '));
  } catch {
    return {
      refused: `“${text.trim()}” cannot be read; type a number, a fraction such as 3/8, or a sum such as 90+25 (with a unit on every term, or on none).`,
    };
  }
  const shown = units.shown(quantity);
  if (typeof value === 'number') return finite(shown.perBase === 1 ? value : exact(value * shown.perBase), text);
  if (math.typeOf(value) === 'Unit') {
    if (!LENGTHS.includes(quantity)) return { refused: `This box is in ${shown.unit}; type the number without a unit of length.` };
    try {
      return finite(exact((value as { toNumber: (unit: string) => number }).toNumber(METRE_PER[quantity]!)), text);
    } catch {
      return { refused: `“${text.trim()}” is no length; use mm or in.` };
    }
  }
  return { refused: `“${text.trim()}” is not a number; type a number, a fraction such as 3/8, or a sum such as 90+25.` };
}

// Fourteen digits drop the noise of converting binary fractions, so that 3/32 in is 2.38125 mm.
const exact = (value: number) => Number(value.toPrecision(14));

function finite(value: number, text: string): Reading {
  return Number.isFinite(value) ? { base: value } : { refused: `“${text.trim()}” has no finite value; check for a division by zero.` };
}

/** Whether the text is just a number, whose result need not be shown again. */
export function isPlain(text: string): boolean {
  return /^\s*-?\d*[.,]?\d*\s*$/.test(text);
}
