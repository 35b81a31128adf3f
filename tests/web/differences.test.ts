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
    [false, 'false'],
    [['P', 'M'], '["P","M"]'],
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

  test('lists are taken whole', () => {
    expect(onto<Thing>({ groups: ['P', 'K'] }, base, theirs)).toEqual({ groups: ['P', 'K'] });
  });
});
