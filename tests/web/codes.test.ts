import { describe, expect, test } from 'vitest';
import { isAddress, wordsOf } from '../../web/src/places/lookup/codes';
import { ageOf } from '../../web/src/places/lookup/age';

describe('what a code asks for', () => {
  test.each([
    ['https://tools.example/lookup?q=A-1042', { words: 'A-1042' }],
    ['http://10.0.0.4:5080/lookup?q=A-1042%20S355&record=R-0003', { words: 'A-1042 S355', record: 'R-0003' }],
    ['https://tools.example/lookup?record=R-0003', { words: 'R-0003', record: 'R-0003' }],
    ['https://tools.example/records/R-0003', { words: 'R-0003' }],
    ['  A-1042\r', { words: 'A-1042' }],
    ['https://', { words: 'https://' }],
    ['4006381333931', { words: '4006381333931' }],
    ['A:1042', { words: 'A:1042' }],
  ])('%s', (code, asked) => expect(wordsOf(code)).toEqual(asked));
  test('only an address is one', () => expect(['https://a/b', 'A-1042', 'mailto:x@y'].map(isAddress)).toEqual([true, false, false]));
});

test.each([
  [-5, 'less than a minute'],
  [59_999, 'less than a minute'],
  [60_000, '1 minute'],
  [59 * 60_000, '59 minutes'],
  [60 * 60_000, '1 hour'],
  [47 * 3_600_000, '47 hours'],
  [48 * 3_600_000, '2 days'],
])('an age of %i ms', (ms, words) => expect(ageOf(ms)).toBe(words));
