import { loadSums } from '../../web/src/parts/sums';
import { beforeAll, describe, expect, test } from 'vitest';
import { read } from '../../web/src/parts/typed';
import { clock, day } from '../../web/src/parts/units';
import { unitsIn } from './quantities';

beforeAll(loadSums);

const [mm, inch] = [unitsIn('mm'), unitsIn('in')];

describe('numbers as a shop reads them', () => {
  test.each([
    [2.4, 'length', '2.40 mm', '0.0945 in'],
    [0.0558, 'chip', '0.0558 mm', '0.00220 in'],
    [0.108, 'chip', '0.108 mm', '0.00425 in'],
    [710.47, 'feedRate', '710 mm/min', '28.0 in/min'],
    [120, 'cuttingSpeed', '120.0 m/min', '394 ft/min'],
    [53.13, 'angle', '53.1°', '53.1°'],
    [0.667, 'ratio', '0.667', '0.667'],
    [0.2, 'ratio', '0.2', '0.2'],
  ] as const)('%d of %s is %s or %s', (base, quantity, metric, inches) => {
    expect(mm.text(base, quantity)).toBe(metric);
    expect(inch.text(base, quantity)).toBe(inches);
  });

  test('thousands are set apart from ten thousand on, and nothing shows a minus zero', () => {
    expect(mm.number(3183, 'spindleSpeed')).toBe('3183');
    expect(mm.number(12000, 'spindleSpeed')).toBe('12\u202f000');
    expect(mm.number(-0.0001, 'length')).toBe('0.00');
  });
});

describe('sizes of tools', () => {
  test.each([
    [12, '12', '0.4724'],
    [12.7, '12.7', '1/2'],
    [25.4, '25.4', '1'],
    [28.575, '28.575', '1 1/8'],
    [9.525, '9.525', '3/8'],
    [0.396875, '0.397', '1/64'],
  ])('%d mm is %s or %s', (base, metric, inches) => {
    expect(mm.size(base)).toBe(metric);
    expect(inch.size(base)).toBe(inches);
  });

  test('a size shown as a fraction can be typed again', () => {
    for (let n = 1; n <= 192; n++) {
      const base = Number(((n / 64) * 25.4).toPrecision(14));
      expect(read(inch.size(base), 'length', inch)).toEqual({ base });
    }
  });
});

test('a box shows one digit more than the shop reads, and no zeros behind', () => {
  expect(mm.editable(2.4000000000000004, 'length')).toBe('2.4');
  expect(mm.editable(13.98034, 'length')).toBe('13.98');
  expect(inch.editable(2.38125, 'length')).toBe('0.09375');
});

test('a sentence of the server shows its measures in the units of the reader', () => {
  const sentence = {
    template: 'Held from {0} to {1}.',
    measures: [
      { value: 25.4, quantity: 'length' as const },
      { value: 30.48, quantity: 'cuttingSpeed' as const },
    ],
  };
  expect(mm.sentence(sentence)).toBe('Held from 25.40 mm to 30.5 m/min.');
  expect(inch.sentence(sentence)).toBe('Held from 1.0000 in to 100 ft/min.');
});

test.each([
  [0.79, '0:47'],
  [1, '1:00'],
  [12.083, '12:05'],
  [62.5, '1:02:30'],
  [0.9999, '1:00'],
])('%d minutes are %s', (minutes, shown) => expect(clock(minutes)).toBe(shown));

test('a day says its month in letters', () => expect(day('2026-11-10T12:00:00Z')).toMatch(/[A-Za-zÀ-ÿ]{3}/));

describe('a refusal', () => {
  const [metric, inch] = [unitsIn('mm'), unitsIn('in')];
  const SAID =
    'Depth is 5000 mm; it must lie between 2.54 and 127 mm. At 120 m/min the feed is 508 mm/min, 25.4 mm too much, with 3 teeth.';

  test('stands as it was written where the units are metric', () => expect(metric.told(SAID)).toBe(SAID));

  test('speaks the reader’s unit, whatever stands between its numbers', () =>
    expect(inch.told(SAID)).toBe(
      'Depth is 196.8504 in; it must lie between 0.1 and 5 in. At 394 ft/min the feed is 20 in/min, 1 in too much, with 3 teeth.',
    ));

  test('leaves alone what is no measure', () => {
    const other = 'The neck has 4 mmx and M10 × 1.5; R-0001 of 12.';
    expect(inch.told(other)).toBe(other);
  });
});
