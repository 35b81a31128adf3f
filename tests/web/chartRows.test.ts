import { describe, expect, it } from 'vitest';
import { copied, fate, keyOf, merged, type Row } from '../../web/src/places/shop/chartRows';

const row = (over: Partial<Row> = {}): Row => ({
  family: 'squareEndMill',
  cuttingMaterial: 'carbide',
  subGroup: 'P1',
  operation: 'side-rough',
  cuttingSpeed: 120,
  feeds: [{ diameter: 12, feedPerTooth: 0.05 }],
  widthRatio: 0.25,
  depthRatio: 1,
  source: 'shop trials',
  ...over,
});

describe('rows that come into the chart', () => {
  it('are told apart by family, cutting material, group and operation, however the group is written', () => {
    expect(keyOf(row({ subGroup: ' p1 ' }))).toBe(keyOf(row()));
    for (const other of [
      { family: 'ballEndMill' },
      { cuttingMaterial: 'highSpeedSteel' },
      { subGroup: 'P' },
      { operation: 'slot' },
    ] as const)
      expect(keyOf(row(other))).not.toBe(keyOf(row()));
  });

  it('are new, in place of one, or there as they are', () => {
    expect(fate([row()], row({ subGroup: 'P2' }))).toBe('new');
    expect(fate([row()], row({ cuttingSpeed: 121 }))).toBe('replaces');
    expect(fate([row()], row({ feeds: [{ diameter: 12, feedPerTooth: 0.06 }] }))).toBe('replaces');
    expect(fate([row()], row({ untried: true }))).toBe('replaces');
    expect(fate([row({ life: 0, untried: false })], row())).toBe('same');
  });

  it('stand where the one for the same stood, and otherwise at the end; nothing else is touched', () => {
    const all = [row(), row({ subGroup: 'P2' }), row({ subGroup: 'P3' })];
    const next = merged(all, [row({ subGroup: 'p2', cuttingSpeed: 99 }), row({ subGroup: 'K1' })]);
    expect(next.map((r) => [r.subGroup, r.cuttingSpeed])).toEqual([
      ['P1', 120],
      ['p2', 99],
      ['P3', 120],
      ['K1', 120],
    ]);
    expect(next[0]).toBe(all[0]);
    expect(all[1]!.cuttingSpeed).toBe(120);
  });

  it('keep one row where a table has two for the same: the last', () => {
    expect(merged([], [row(), row({ cuttingSpeed: 90 })]).map((r) => r.cuttingSpeed)).toEqual([90]);
  });
});

describe('a copy of rows for another material', () => {
  const all = [row(), row({ operation: 'slot', cuttingSpeed: 90 }), row({ subGroup: 'P2' }), row({ cuttingMaterial: 'highSpeedSteel' })];
  const copy = {
    family: 'squareEndMill',
    fromMaterial: 'carbide',
    fromGroup: 'P1',
    toMaterial: 'carbide',
    toGroup: ' P4 ',
    speed: 0.8,
    feed: 0.9,
  } as const;

  it('takes the rows of that material only, slower by the factor, and says that it is a copy nobody tried', () => {
    const made = copied(all, copy);
    expect(made.map((r) => [r.subGroup, r.operation, r.cuttingSpeed])).toEqual([
      ['P4', 'side-rough', 96],
      ['P4', 'slot', 72],
    ]);
    expect(made[0]!.feeds).toEqual([{ diameter: 12, feedPerTooth: 0.045 }]);
    expect(made.every((r) => r.untried === true && r.source?.startsWith('copied from P1'))).toBe(true);
  });

  it('leaves the rows it was made of as they are', () => {
    copied(all, copy);
    expect(all[0]).toEqual(row());
  });
});
