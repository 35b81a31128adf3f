import { sumsReady, valueOf } from './sums';
import { INCH, type Quantity, type UnitFormat } from './units';

/**
 * What a text reads as: a value, with another one it may just as well mean; or why it cannot be taken, with what it could mean, and whether it
 * can be read in a moment.
 */
export type Reading = { base: number; other?: number } | { refused: string; readings?: number[]; waiting?: true };

/** How many mm the units are that may follow a number in a box of length. */
const LENGTHS: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: INCH,
  inch: INCH,
  '"': INCH,
  '″': INCH,
  thou: INCH / 1000,
  um: 0.001,
  µm: 0.001,
  μm: 0.001,
  µin: INCH / 1e6,
  uin: INCH / 1e6,
};
const MM_PER_BASE: Partial<Record<Quantity, number>> = { length: 1, chip: 1, deviation: 0.001 };
const UNIT = /(mm|cm|inch|in|"|″|thou|um|µm|μm|µin|uin)(?![a-z])/g;

/**
 * Reads what a person typed: a number, a fraction, a mixed number, a sum, each with or without a unit. Bare numbers are in the
 * unit shown beside the box. A comma before exactly three digits can be a decimal comma or part thousands, so the person says which.
 */
export function read(text: string, quantity: Quantity, units: UnitFormat): Reading {
  const shown = `“${text.trim()}”`;
  const spaced = spell(text);
  if (spaced === '') return { refused: 'Nothing is typed; type a number, or press Escape for the proposal.' };
  const decimal = separators(spaced, 'decimal');
  if (decimal === null) return { refused: `${shown} has points and commas that make no number; type it with one point, such as 1250.5.` };
  const first = evaluated(decimal, shown, quantity, units);
  const thousands = separators(spaced, 'thousands')!;
  if (!('base' in first)) return first;
  if (thousands !== decimal) {
    const second = evaluated(thousands, shown, quantity, units);
    const readings = 'base' in second ? [first.base, second.base] : [first.base];
    return { refused: `${shown} can be read in two ways, with a decimal comma or with a comma between thousands; say which.`, readings };
  }
  const inches = quantity === 'length' && units.system === 'mm' && /^-?(\d+\/\d+|\(\d+\+\d+\/\d+\))$/.test(decimal.replace(/\s/g, ''));
  return inches ? { ...first, other: exact(first.base * LENGTHS.in!) } : first;
}

/** Reads a text where there is no room to show what a bare fraction was taken for, so that it is asked about. */
export function readAlone(text: string, quantity: Quantity, units: UnitFormat): { base: number } | { refused: string } {
  const reading = read(text, quantity, units);
  return 'base' in reading && reading.other !== undefined
    ? { refused: 'A bare fraction can be mm or inches; write its unit, or a decimal.' }
    : reading;
}

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

// Every minus, space and fraction sign as the one that is read; a mixed number as a sum.
const spell = (text: string): string =>
  text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/[\u202f\u00a0]/g, '')
    .replace(/(\d?)([½¼¾⅛⅜⅝⅞⅓⅔])/g, (_, digit: string, sign: string) => `${digit ? `${digit} ` : ''}${FRACTIONS[sign]}`)
    .replace(/(\d) (?=\d{3}(?!\d|\s*\/))/g, '$1')
    .replace(/(\d+)\s+(\d+\s*\/\s*\d+)/g, '($1+$2)');

// Numbers with their separators as a plain point, a lone comma before three digits read in one of its two ways; null for nonsense.
function separators(text: string, lone: 'decimal' | 'thousands'): string | null {
  let sound = true;
  const plain = text.replace(/\d[\d.,]*/g, (number) => {
    if (!number.includes(',')) return number;
    if (/^\d{1,3}(,\d{3})+\.\d+$/.test(number) || /^\d{1,3}(,\d{3}){2,}$/.test(number)) return number.replaceAll(',', '');
    if (/^\d{1,3}(\.\d{3})+,\d+$/.test(number)) return number.replaceAll('.', '').replace(',', '.');
    if (/^[1-9]\d{0,2},\d{3}$/.test(number)) return number.replace(',', lone === 'decimal' ? '.' : '');
    if (/^\d+,\d*$/.test(number)) return number.replace(',', '.');
    sound = false;
    return number;
  });
  return sound ? plain : null;
}

function evaluated(plain: string, shownText: string, quantity: Quantity, units: UnitFormat): Reading {
  const unitless = plain.replace(UNIT, '');
  if (plain.length > 80 || /[^\d\s.+\-*/()e]/.test(unitless))
    return { refused: `${shownText} cannot be read; type a number, a fraction such as 5/16, or a sum such as 180-37.5.` };

  // Each unit stands as a factor; working the text out at two scales tells whether every term has one, or none.
  const at = (scale: number): unknown => valueOf(plain.replace(UNIT, (unit) => `*${LENGTHS[unit]! * scale}`));
  const { perBase, unit } = units.shown(quantity);
  try {
    const [value, doubled] = [at(1), at(2)];
    if (value === undefined && !sumsReady()) return { refused: 'What works out sums is still being fetched; one moment.', waiting: true };
    if (typeof value !== 'number' || typeof doubled !== 'number')
      return { refused: `${shownText} is not a number; type a number, a fraction such as 5/16, or a sum such as 180-37.5.` };
    if (!Number.isFinite(value)) return { refused: `${shownText} has no finite value; check for a division by zero.` };
    if (unitless === plain) return { base: perBase === 1 ? value : exact(value * perBase) };
    const mm = MM_PER_BASE[quantity];
    if (mm === undefined) return { refused: `This box is in ${unit || 'plain numbers'}; type the number without a unit of length.` };
    if (Math.abs(doubled - 2 * value) > 1e-9 * Math.abs(value))
      return { refused: `${shownText} mixes numbers with and without a unit; give every term its unit, or none.` };
    return { base: exact(value / mm) };
  } catch {
    return { refused: `${shownText} cannot be read; type a number, a fraction such as 5/16, or a sum such as 180-37.5.` };
  }
}

// Fourteen digits drop the noise of converting binary fractions, so that 3/32 in is 2.38125 mm.
const exact = (value: number) => Number(value.toPrecision(14));

/** Whether the text is just a number, whose result need not be shown again. */
export function isPlain(text: string): boolean {
  return /^\s*-?\d*[.,]?\d*\s*$/.test(text);
}
