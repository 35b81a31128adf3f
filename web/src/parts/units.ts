import type { Schemas } from '../api/client';

/** Millimetres of an inch. */
export const INCH = 25.4;

export type Quantity = Schemas['Quantity'];
export type UnitSystem = 'mm' | 'in';

/** Shows base values in one system of units. Values themselves stay in base units, so that switching never changes them. */
export class UnitFormat {
  private readonly table: Map<Quantity, Schemas['QuantityUnits']>;

  constructor(
    quantities: readonly Schemas['QuantityUnits'][],
    readonly system: UnitSystem,
  ) {
    this.table = new Map(quantities.map((q) => [q.quantity, q]));
  }

  shown(quantity: Quantity): Schemas['ShownUnit'] {
    const units = this.table.get(quantity)!;
    return this.system === 'mm' ? units.metric : units.inch;
  }

  unit(quantity: Quantity): string {
    return this.shown(quantity).unit;
  }

  /** The number as a shop reads it, with thin groups of thousands. */
  number(base: number, quantity: Quantity): string {
    const { perBase, decimals } = this.shown(quantity);
    const value = base / perBase;
    const needed = quantity === 'chip' && Math.abs(value) >= 0.1 ? decimals - 1 : decimals;
    const text = (Math.abs(value) < 10 ** -needed / 2 ? 0 : value).toFixed(needed);
    if (quantity === 'ratio') return String(Number(text));
    const [whole = '', part] = text.split('.');
    const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole;
    return part === undefined ? grouped : `${grouped}.${part}`;
  }

  /** Number and unit. */
  text(base: number, quantity: Quantity): string {
    const unit = this.unit(quantity);
    return unit === ''
      ? this.number(base, quantity)
      : unit === '°'
        ? `${this.number(base, quantity)}°`
        : `${this.number(base, quantity)} ${unit}`;
  }

  /** A diameter as gauges tell it: whole micrometres, or ten-thousandths of an inch; without the unit. */
  fine(mm: number): string {
    return this.system === 'mm' ? mm.toFixed(3) : (mm / INCH).toFixed(4);
  }

  /** A dimension of a tool as people call it: 12, 3.5, 1/2. */
  size(base: number): string {
    if (this.system === 'mm') return trimmed(base, 3);
    const sixtyFourths = (base / INCH) * 64;
    const rounded = Math.round(sixtyFourths);
    return rounded > 0 && Math.abs(sixtyFourths - rounded) < 1e-9 ? fraction(rounded, 64) : trimmed(base / INCH, 4);
  }

  /** The number for an input box: no more digits than it needs, never fewer than the shop reads. */
  editable(base: number, quantity: Quantity): string {
    const { perBase, decimals } = this.shown(quantity);
    return trimmed(base / perBase, decimals + 1);
  }

  /** A refusal as the server wrote it, in metric units, with its lengths, speeds and feeds in these. */
  told(sentence: string): string {
    if (this.system === 'mm') return sentence;
    const unit = /(-?\d[\d.]*)((?: (?:to|and|or|of|×) -?\d[\d.]*)*) (mm\/min|m\/min|mm|µm)(?![\w/])/g;
    return sentence.replace(unit, (_, first: string, others: string, metric: string) => {
      const { perBase, unit: own, decimals } = this.shown(TOLD[metric]!);
      const shown = (text: string) => trimmed(Number(text) / perBase, decimals);
      return `${shown(first)}${others.replace(/-?\d[\d.]*/g, shown)} ${own}`;
    });
  }

  /** A sentence of the server with its measures in these units. */
  sentence(sentence: Schemas['Sentence']): string {
    return sentence.template.replace(/\{(\d)\}/g, (_, i: string) => {
      const measure = sentence.measures[Number(i)]!;
      return this.text(measure.value, measure.quantity);
    });
  }
}

const TOLD: Record<string, Quantity> = { mm: 'length', 'm/min': 'cuttingSpeed', 'mm/min': 'feedRate', µm: 'deviation' };

function trimmed(value: number, decimals: number): string {
  return String(Number(value.toFixed(decimals)));
}

function fraction(numerator: number, denominator: number): string {
  while (numerator % 2 === 0 && denominator > 1) {
    numerator /= 2;
    denominator /= 2;
  }
  const whole = Math.floor(numerator / denominator);
  const rest = numerator % denominator;
  if (rest === 0) return String(whole);
  return whole === 0 ? `${rest}/${denominator}` : `${whole} ${rest}/${denominator}`;
}

/** Minutes as a shop reads them: 0:47, 12:05, 1:02:30. */
export function clock(minutes: number): string {
  const seconds = Math.round(minutes * 60);
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** How far something moved, in percent. */
export const signed = (percent: number): string =>
  `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(Math.abs(percent) < 1 ? 1 : 0)} %`;

/** A moment, to the minute. */
export const moment = (at: string): string =>
  `${day(at)}, ${new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })}`;

/** A day without doubt about which number is the month. */
export const day = (at: string): string => new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
