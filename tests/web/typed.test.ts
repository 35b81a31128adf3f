import { loadSums } from '../../web/src/parts/sums';
import { beforeAll, describe, expect, test } from 'vitest';
import { isPlain, read } from '../../web/src/parts/typed';
import { TABLE, unitsIn } from './quantities';

beforeAll(loadSums);

const [mm, inch] = [unitsIn('mm'), unitsIn('in')];

describe('a box of length in mm', () => {
  test.each([
    ['12', 12],
    [' 12.5 ', 12.5],
    ['.6-.025', 0.575],
    ['180-37.5', 142.5],
    ['2 3/16+1', 3.1875],
    ['-3', -3],
    ['−3', -3],
    ['2*(1+0.5)', 3],
    ['2,5', 2.5],
    ['10 000', 10000],
    ['1e2', 100],
    ['12mm', 12],
    ['0.5in', 12.7],
    ['5/16"', 7.9375],
    ['5/16 in', 7.9375],
    ['1cm', 10],
    ['1 1/2 in', 38.1],
    ['0.5in+2mm', 14.7],
    ['2*12mm', 24],
    ['5 thou', 0.127],
    ['50µm', 0.05],
    ['(10+2)mm', 12],
  ])('reads %s', (text, base) => expect(read(text, 'length', mm)).toEqual({ base }));

  test.each([
    ['0,375', 0.375],
    ['1,5', 1.5],
    ['12,75', 12.75],
    ['1,250.5', 1250.5],
    ['1.250,5', 1250.5],
    ['12,345,678', 12345678],
    ['12.000', 12],
    ['\u22124', -4],
    ['\u201312.5', -12.5],
  ])('reads %s as it is meant, without asking', (text, base) => expect(read(text, 'length', mm)).toEqual({ base }));

  test.each([
    ['5/16', 0.3125, 7.9375],
    ['1 1/2', 1.5, 38.1],
    ['½', 0.5, 12.7],
    ['1½', 1.5, 38.1],
  ])('reads the bare fraction %s as it stands, and offers inches', (text, base, other) =>
    expect(read(text, 'length', mm)).toEqual({ base, other }),
  );

  test.each([
    ['12,000', [12, 12000]],
    ['1,500', [1.5, 1500]],
    ['12,000+1', [13, 12001]],
  ])('asks which of its two readings %s is', (text, readings) => {
    const reading = read(text, 'length', mm);
    expect(reading).toMatchObject({ readings });
    expect('refused' in reading && reading.refused).toContain('two ways');
  });

  test.each(['1,2,3', '1,25.5', '1.2.3,4', '12,,5'])('%s has separators that make no number', (text) => {
    expect('refused' in read(text, 'length', mm)).toBe(true);
  });

  test('every character of the grammar is read or refused, and nothing breaks', () => {
    const signs = ['1', '2', '.', ',', '/', ' ', '-', '\u2212', '+', '½', 'mm', 'in', '"', '(', ')', 'e', '\u00a0'];
    for (let n = 0; n < 5000; n++) {
      let seed = n * 2654435761;
      const text = Array.from({ length: 1 + (n % 7) }, () => signs[(seed = (seed * 1103515245 + 12345) >>> 0) % signs.length]).join('');
      const reading = read(text, 'length', mm);
      if ('base' in reading) expect(Number.isFinite(reading.base), text).toBe(true);
      else expect(reading.refused.length, text).toBeGreaterThan(10);
    }
  });

  test.each([
    '',
    '   ',
    'abc',
    '1..2',
    '1+',
    '(2',
    '1/0',
    '0/0',
    'NaN',
    'Infinity',
    '2mm+3',
    '3+2mm',
    '1;2',
    'x=1',
    '[1,2]',
    'sqrt(4)',
    'import("a")',
    '1+'.repeat(50) + '1',
  ])('refuses “%s” in words', (text) => {
    const reading = read(text, 'length', mm);
    expect('refused' in reading && reading.refused.length > 10).toBe(true);
  });
});

describe('a box of length in inches', () => {
  test.each([
    ['1', 25.4],
    ['3/32', 2.38125],
    ['1 1/8', 28.575],
    ['12mm', 12],
    ['0.1', 2.54],
    ['.6-.025', 14.605],
  ])('reads %s', (text, base) => expect(read(text, 'length', inch)).toEqual({ base }));

  test('every sixty-fourth comes out as its exact decimal', () => {
    for (let n = 1; n <= 256; n++) expect(read(`${n}/64`, 'length', inch)).toEqual({ base: Number(((n / 64) * 25.4).toPrecision(14)) });
  });
});

describe('other quantities', () => {
  test('a deviation counts in micrometres, whatever the unit typed', () => {
    expect(read('20', 'deviation', mm)).toEqual({ base: 20 });
    expect(read('0.02mm', 'deviation', mm)).toEqual({ base: 20 });
    expect(read('1 thou', 'deviation', mm)).toEqual({ base: 25.4 });
  });

  test('a cutting speed takes sums in its own unit and no lengths', () => {
    expect(read('100+20', 'cuttingSpeed', mm)).toEqual({ base: 120 });
    expect(read('100', 'cuttingSpeed', inch)).toEqual({ base: 30.48 });
    expect(read('100mm', 'cuttingSpeed', mm)).toHaveProperty('refused');
  });
});

test('the same work typed in either system is the same base value, to the last of 14 digits', () => {
  for (const { quantity, metric, inch: own } of TABLE)
    for (const base of [0.0127, 0.1, 1, 2.38125, 12.7, 101.6, 1234.5]) {
      const typedIn = (perBase: number) => String(Number((base / perBase).toPrecision(15)));
      for (const [units, shown] of [
        [mm, metric],
        [inch, own],
      ] as const) {
        const reading = read(typedIn(shown.perBase), quantity, units);
        expect('base' in reading && Math.abs(reading.base - base) <= 1e-13 * base, `${base} ${quantity} as ${shown.unit}`).toBe(true);
      }
    }
  for (const text of ['12mm', '0.5in', '1/2"', '20mm+1/8"']) expect(read(text, 'length', inch)).toEqual(read(text, 'length', mm));
});

test('only sums and fractions have a result to show', () => {
  expect(['12', ' 1.5 ', '-3', '2,5'].map(isPlain)).toEqual([true, true, true, true]);
  expect(['5/16', '1+1', '12mm', '1 1/2'].map(isPlain)).toEqual([false, false, false, false]);
});
