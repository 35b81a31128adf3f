import { loadSums } from '../../web/src/parts/sums';
import { beforeAll, describe, expect, test } from 'vitest';
import { lineOf, readLines } from '../../web/src/places/calculate/groups/positions';
import { unitsIn } from './quantities';

beforeAll(loadSums);

const [mm, inch] = [unitsIn('mm'), unitsIn('in')];

describe('positions as lines', () => {
  test.each([
    [
      '1 ; 2\n3;4',
      [
        [1, 2],
        [3, 4],
      ],
    ],
    ['1\t2', [[1, 2]]],
    ['1.5, 2.5', [[1.5, 2.5]]],
    ['10  -20', [[10, -20]]],
    ['5/16 in ; .6-.025', [[7.9375, 0.575]]],
    ['1.5 ; 2,5', [[1.5, 2.5]]],
    ['\n 7 ; 8 \n\n', [[7, 8]]],
    ['0.5in ; 0', [[12.7, 0]]],
  ])('%j in mm', (text, wanted) => {
    expect(readLines(text, [], mm)).toEqual({ positions: wanted.map(([x, y]) => ({ x, y })) });
  });

  test.each(['5/16 ; 1', '1 ; ½', '12,000 ; 1'])('%s has two readings in mm, and is asked about', (line) => {
    expect('refused' in readLines(line, [], mm)).toBe(true);
  });

  test('bare numbers are in the unit shown', () => {
    expect(readLines('1 ; 5/16', [], inch)).toEqual({ positions: [{ x: 25.4, y: 7.9375 }] });
    expect(readLines('10mm ; 1', [], inch)).toEqual({ positions: [{ x: 10, y: 25.4 }] });
  });

  test.each([
    ['1 ; 2\nthree ; 4', /^Line 2: “three” cannot be read/],
    ['1 ; 2\n\n3', /^Line 3, “3”, is not two numbers; write x ; y in mm/],
    ['1 ; 2 ; 3', /^Line 1, .* is not two numbers/],
    ['1/0 ; 2', /no finite value/],
  ])('%j is refused by its line', (text, reason) => {
    expect(readLines(text, [], mm)).toEqual({ refused: expect.stringMatching(reason) });
  });

  test('a line that was not touched keeps every bit, in whichever unit it is shown', () => {
    const before = [
      { x: 50 * Math.cos(1), y: 50 * Math.sin(1) },
      { x: 1 / 3, y: -1e-9 },
    ];
    for (const units of [mm, inch]) {
      const lines = before.map((p) => lineOf(p, units));
      const after = readLines([...lines, '1 ; 1'].join('\n'), before, units);
      expect('positions' in after && after.positions.slice(0, 2)).toEqual(before);
    }
    expect(lineOf({ x: 25.4, y: 7.9375 }, inch)).toBe('1 ; 0.3125');
    expect(lineOf({ x: 0, y: -0.0000001 }, mm)).toBe('0 ; 0');
  });
});
