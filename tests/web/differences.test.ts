import { describe, expect, test } from 'vitest';
import { differences, fieldWords, flat, onto, text } from '../../web/src/parts/differences';

describe('what differs between two definitions', () => {
  const before = { number: 'C-1', coating: 'TiN', dimensions: { DC: 12, LCF: 26 }, groups: ['P', 'M'], picks: {} };

  test('fields within records are told by their path', () => {
    expect(flat(before)).toEqual({ number: 'C-1', coating: 'TiN', 'dimensions.DC': 12, 'dimensions.LCF': 26, groups: ['P', 'M'] });
  });

  test('changed, added and removed fields are listed, and nothing else', () => {
    const after = { ...before, coating: '', dimensions: { DC: 12.7, OAL: 83 }, groups: ['P', 'M'] };
    expect(differences(before, after)).toEqual([
      { field: 'coating', from: 'TiN', to: '' },
      { field: 'dimensions.DC', from: 12, to: 12.7 },
      { field: 'dimensions.LCF', from: 26, to: undefined },
      { field: 'dimensions.OAL', from: undefined, to: 83 },
    ]);
    expect(differences(before, structuredClone(before))).toEqual([]);
  });

  test('an order in a list counts', () => {
    expect(differences({ groups: ['P', 'M'] }, { groups: ['M', 'P'] })).toHaveLength(1);
  });

  test.each([
    [undefined, '—'],
    ['', '—'],
    [0, '0'],
    [false, 'no'],
    [['P', 'M'], 'P, M'],
    [[], 'none'],
    [[{ a: 1 }, { a: 2 }], '2 entries'],
    [{ kind: 'magazine', largestAlone: 120 }, 'kind magazine, largest alone 120'],
  ])('%j is shown as %s', (value, shown) => {
    expect(text(value)).toBe(shown);
  });

  test('a path is told in its own words, or by the symbol at its end', () => {
    expect(fieldWords({ coating: 'Coating' }, 'coating')).toBe('Coating');
    expect(fieldWords({}, 'dimensions.DC')).toBe('DC');
    expect(fieldWords({}, 'picks.form')).toBe('form');
    expect(fieldWords({}, 'remarks')).toBe('remarks');
  });
});

describe('edits that go onto another version', () => {
  interface Thing {
    remarks: string;
    dimensions: Record<string, number>;
    groups: string[];
  }
  const base: Thing = { remarks: '', dimensions: { DC: 12, LCF: 26, DN: 11 }, groups: ['P'] };
  const theirs: Thing = { remarks: 'theirs', dimensions: { DC: 12, LCF: 30, DN: 11, RE: 1 }, groups: ['M'] };

  test('a field that was typed stays, one that was not is theirs', () => {
    expect(onto<Thing>({ remarks: 'mine' }, base, theirs)).toEqual({ remarks: 'mine' });
  });

  test('of the dimensions only those that were changed here go along', () => {
    const mine = { dimensions: { DC: 13, LCF: 26, DN: 11 } };
    expect(onto<Thing>(mine, base, theirs)).toEqual({ dimensions: { DC: 13, LCF: 30, DN: 11, RE: 1 } });
  });

  test('one that was taken out here is taken out there', () => {
    expect(onto<Thing>({ dimensions: { DC: 12, LCF: 26 } }, base, theirs)).toEqual({ dimensions: { DC: 12, LCF: 30, RE: 1 } });
  });

  test('one that both changed is as it was typed here', () => {
    expect(onto<Thing>({ dimensions: { DC: 12, LCF: 28, DN: 11 } }, base, theirs).dimensions!.LCF).toBe(28);
  });

  test('lists without anything that tells their elements apart are taken whole', () => {
    expect(onto<Thing>({ groups: ['P', 'K'] }, base, theirs)).toEqual({ groups: ['P', 'K'] });
  });

  const row = (subGroup: string, cuttingSpeed: number, feeds = [{ diameter: 12, feed: 0.06 }]) => ({
    family: 'squareEndMill',
    cuttingMaterial: 'carbide',
    subGroup,
    operation: 'side-rough',
    cuttingSpeed,
    feeds,
  });
  interface Chart {
    rows: ReturnType<typeof row>[];
  }
  const chart: Chart = { rows: [row('P1', 200), row('P3', 120), row('M3', 60)] };

  test('two people who change two rows of a chart both keep theirs', () => {
    const other: Chart = { rows: [row('P1', 200), row('P3', 118), row('M3', 60)] };
    const mine = { rows: [row('P1', 200), row('P3', 120), row('M3', 149)] };
    expect(onto<Chart>(mine, chart, other).rows!.map((r) => r.cuttingSpeed)).toEqual([200, 118, 149]);
  });

  test('rows added by either are kept, one taken out goes unless they changed it', () => {
    const other: Chart = { rows: [row('P1', 200), row('P3', 118), row('M3', 60), row('K2', 150)] };
    expect(onto<Chart>({ rows: [row('P1', 200), row('S2', 40)] }, chart, other).rows!.map((r) => r.subGroup)).toEqual([
      'P1',
      'P3',
      'K2',
      'S2',
    ]);
  });

  test('within a row the feeds go diameter by diameter', () => {
    const two = (a: number, b: number) => [
      { diameter: 6, feed: a },
      { diameter: 12, feed: b },
    ];
    const base2: Chart = { rows: [row('P3', 120, two(0.03, 0.06))] };
    const other: Chart = { rows: [row('P3', 120, two(0.035, 0.06))] };
    expect(onto<Chart>({ rows: [row('P3', 120, two(0.03, 0.07))] }, base2, other).rows![0]!.feeds).toEqual(two(0.035, 0.07));
  });

  test('a row that differs is told by what it is called, never as code', () => {
    const differing = differences(chart, { rows: [row('P1', 200), row('P3', 118), row('M3', 60)] });
    expect(differing).toEqual([{ field: 'rows[square end mill, carbide, P3, side-rough].cuttingSpeed', from: 120, to: 118 }]);
    expect(fieldWords({ rows: 'Rows' }, differing[0]!.field)).toBe('Rows, square end mill, carbide, P3, side-rough: cutting speed');
  });
});
