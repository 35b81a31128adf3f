import { describe, expect, test } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { cutterWords, familyWords, pickedFrom, sizeOf, type Cutter, type Family } from '../../web/src/parts/shelf';
import { unitsIn } from './quantities';

const family = (
  code: Schemas['CutterFamily'],
  name: string,
  use: Family['use'],
  calledBy: string,
  shank: Family['shank'] = 'cylindrical',
) => ({ code, name, use, calledBy, shank, dimensions: [], picks: [] }) as unknown as Family;
const FAMILIES = [
  family('squareEndMill', 'square end mill', 'milling', 'DC'),
  family('twistDrill', 'twist drill', 'holes', 'DC'),
  family('cuttingTap', 'cutting tap', 'holes', 'TDZ'),
  family('countersink', 'countersink', 'holes', 'DCX'),
  family('outsideTurningTool', 'outside turning tool', 'turning', 'H', 'square'),
  family('partingBlade', 'parting blade', 'turning', 'CW', 'blade'),
];
const cutter = (code: Schemas['CutterFamily'], dimensions: Record<string, number>, picks: Record<string, string> = {}) =>
  ({ number: 'C-1', family: code, dimensions, picks }) as Cutter;
const [mm, inch] = [unitsIn('mm'), unitsIn('in')];

describe('a cutter as people call it', () => {
  test.each([
    [cutter('squareEndMill', { DC: 12, ZEFF: 4 }), 'Ø12 four-flute square end mill', 'Ø0.4724 four-flute square end mill'],
    [cutter('squareEndMill', { DC: 12.7, ZEFF: 10 }), 'Ø12.7 10-flute square end mill', 'Ø1/2 10-flute square end mill'],
    [cutter('twistDrill', { DC: 6.35 }), 'Ø6.35 twist drill', 'Ø1/4 twist drill'],
    [cutter('countersink', { DCX: 20.5, DC: 3 }), 'Ø20.5 countersink', 'Ø0.8071 countersink'],
    [
      cutter('outsideTurningTool', { H: 25.4 }, { insert: 'C' }),
      'outside turning tool, shank 25.4, insert C',
      'outside turning tool, shank 1, insert C',
    ],
    [cutter('partingBlade', { CW: 3.175 }), 'parting blade, 3.175 wide', 'parting blade, 1/8 wide'],
  ])('%#: %j', (c, metric, inches) => {
    expect(cutterWords(c, {}, (x) => mm.size(x), FAMILIES)).toBe(metric);
    expect(cutterWords(c, {}, (x) => inch.size(x), FAMILIES)).toBe(inches);
  });

  test('a tap is called by its thread, in either unit', () => {
    const tap = cutter('cuttingTap', { TDZ: 12.7, TP: 1.954 });
    for (const units of [mm, inch])
      expect(cutterWords(tap, { thread: '1/2-13 UNC' }, (x) => units.size(x), FAMILIES)).toBe('1/2-13 UNC cutting tap');
  });

  test('a family that is not known yet is told by its code', () => {
    expect(familyWords(undefined, 'cornerRadiusEndMill')).toBe('corner radius end mill');
    expect(familyWords(FAMILIES, 'twistDrill')).toBe('twist drill');
    expect(familyWords(FAMILIES, undefined)).toBe('');
  });

  test('its size is the dimension it is called by, and 0 where there is none', () => {
    expect(sizeOf(cutter('countersink', { DCX: 20.5, DC: 3 }), FAMILIES)).toBe(20.5);
    expect(sizeOf(cutter('squareEndMill', { DC: 12 }), undefined)).toBe(12);
    expect(sizeOf(undefined, FAMILIES)).toBe(0);
  });
});

describe('a picker that waits for the server', () => {
  const page = { rows: [1, 2], total: 2, all: 2, counts: {}, mended: [] };
  test('offers nothing of an older question while something is typed', () => {
    expect(pickedFrom({ data: page, isPlaceholderData: true }, 'ball')).toEqual([]);
    expect(pickedFrom({ data: page, isPlaceholderData: false }, 'ball')).toEqual([1, 2]);
    expect(pickedFrom({ data: page, isPlaceholderData: true }, '')).toEqual([1, 2]);
    expect(pickedFrom({ data: undefined, isPlaceholderData: false }, '')).toEqual([]);
  });
});
