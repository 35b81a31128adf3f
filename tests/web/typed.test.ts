import { describe, expect, test } from 'vitest';
import { isPlain, read } from '../../web/src/parts/typed';
import { unitsIn } from './quantities';

const [mm, inch] = [unitsIn('mm'), unitsIn('in')];

describe('a box of length in mm', () => {
  test.each([
    ['12', 12],
    [' 12.5 ', 12.5],
    ['.4+.05', 0.45],
    ['90+25', 115],
    ['3/8', 0.375],
    ['1 1/2', 1.5],
    ['2 3/16+1', 3.1875],
    ['-3', -3],
    ['−3', -3],
    ['2*(1+0.5)', 3],
    ['2,5', 2.5],
    ['10 000', 10000],
    ['1 125/1000', 1.125],
    ['1e2', 100],
    ['12mm', 12],
    ['0.5in', 12.7],
    ['3/8"', 9.525],
    ['3/8 in', 9.525],
    ['1cm', 10],
    ['1 1/2 in', 38.1],
    ['0.5in+2mm', 14.7],
    ['2*12mm', 24],
    ['5 thou', 0.127],
    ['50µm', 0.05],
    ['(10+2)mm', 12],
  ])('reads %s', (text, base) => expect(read(text, 'length', mm)).toEqual({ base }));

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
    ['.4+.05', 11.43],
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

test('only sums and fractions have a result to show', () => {
  expect(['12', ' 1.5 ', '-3', '2,5'].map(isPlain)).toEqual([true, true, true, true]);
  expect(['3/8', '1+1', '12mm', '1 1/2'].map(isPlain)).toEqual([false, false, false, false]);
});
