// @vitest-environment jsdom
import { beforeEach, expect, test } from 'vitest';
import { ApiError } from '../../web/src/api/client';
import { forgetReport, keepReport, keptReports, notReached, type Report } from '../../web/src/places/lookup/keptReports';

const report = (key: string): Report => ({
  key,
  record: 'R-0001',
  revision: 1,
  edition: 1,
  ranAt: '2026-11-27T12:00:00Z',
  outcome: 'asGiven',
  finish: '',
  chatter: false,
  broke: false,
  note: '',
});

beforeEach(() => localStorage.clear());

test('a report is kept once for whoever wrote it, in the order of writing', () => {
  keepReport('jory', report('a'));
  keepReport('jory', report('b'));
  keepReport('jory', report('b'));
  expect(keptReports('jory').map((r) => r.key)).toEqual(['a', 'b']);
  expect(keptReports('maren')).toEqual([]);
  forgetReport('jory', 'a');
  expect(keptReports('jory').map((r) => r.key)).toEqual(['b']);
});

test('what lies there and is no list of reports is no reason to fail', () => {
  for (const broken of ['{', '{"key":1}', 'null', '7']) {
    localStorage.setItem('incisura.reports.jory', broken);
    expect(keptReports('jory')).toEqual([]);
    keepReport('jory', report('c'));
    expect(keptReports('jory')).toHaveLength(1);
  }
});

test('only what did not reach the server may be sent again', () => {
  expect(notReached(new ApiError(0, {}))).toBe(true);
  expect(notReached(new ApiError(422, { detail: 'no' }))).toBe(false);
  expect(notReached(new Error('other'))).toBe(false);
});
