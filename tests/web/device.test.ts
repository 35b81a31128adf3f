import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, test } from 'vitest';
import { ApiError, notReached } from '../../web/src/api/client';
import {
  askPart,
  forgetPart,
  forgetReport,
  keepPart,
  keepReport,
  keptPart,
  keptReports,
  type KeptEntry,
  type KeptPart,
  type Report,
} from '../../web/src/parts/device';

const DAY = 24 * 3_600_000;
const report = (key: string, minute: number): Report => ({
  key,
  record: 'R-0001',
  revision: 1,
  edition: 1,
  ranAt: `2026-11-27T12:0${minute}:00Z`,
  outcome: 'asGiven',
  finish: '',
  chatter: false,
  broke: false,
  note: '',
});
const entry = (record: string, assembly: string, text: string) =>
  ({ text, entry: { record, situation: { assembly, material: 'S355' } } }) as KeptEntry;
const part = (savedAt: number) =>
  ({ session: { name: 'jory' }, quantities: [], machineId: 2, machine: 'Tansy', edition: 3, savedAt }) as unknown as KeptPart;

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});

describe('reports that wait', () => {
  test('one is kept once for whoever wrote it, in the order of writing', async () => {
    await keepReport('jory', report('b', 1));
    await keepReport('jory', report('a', 2));
    await keepReport('jory', report('a', 2));
    await keepReport('ada', report('c', 3));
    expect((await keptReports('jory')).map((r) => r.key)).toEqual(['b', 'a']);
    expect(await keptReports('maren')).toEqual([]);
    await forgetReport('b');
    expect((await keptReports('jory')).map((r) => r.key)).toEqual(['a']);
  });
  test('they outlive the part of the edition that goes when its reader signs out', async () => {
    await keepReport('jory', report('a', 1));
    await forgetPart();
    expect(await keptReports('jory')).toHaveLength(1);
  });
});

describe('the part of a machine', () => {
  test('takes the place of what was kept, and is asked by all words, sorted as the server does', async () => {
    await keepPart(part(1000), [entry('R-0009', 'A-1', 'old')]);
    await keepPart(part(1000), [
      entry('R-0002', 'A-2012', 'r-0002 a-2012 s355 tansy'),
      entry('R-0001', 'A-1042', 'r-0001 a-1042 s355 tansy'),
      entry('R-0003', 'A-1042', 'r-0003 a-1042 42crmo4 tansy'),
    ]);
    const { found, total } = await askPart(' S355  tansy', 1);
    expect([found.map((e) => e.record), total]).toEqual([['R-0001'], 2]);
    expect((await askPart('old', 9)).total).toBe(0);
    expect((await askPart('', 9)).total).toBe(3);
  });
  test('goes after seven days, and when the clock was put back so that its age is not known', async () => {
    const saved = 100 * DAY;
    for (const [now, there] of [
      [saved, true],
      [saved + 7 * DAY, true],
      [saved + 7 * DAY + 1, false],
      [saved - 1, false],
    ] as const) {
      await keepPart(part(saved), [entry('R-0001', 'A-1042', 's355')]);
      expect((await keptPart(now)) !== undefined).toBe(there);
      expect((await askPart('s355', 9)).total).toBe(there ? 1 : 0);
    }
  });
  test('is not there, without a failure, where the browser keeps nothing', async () => {
    // @ts-expect-error as in a browser that forbids it
    globalThis.indexedDB = undefined;
    expect(await keptPart()).toBeUndefined();
    await forgetPart();
    await expect(keepReport('jory', report('a', 1))).rejects.toThrow();
  });
});

test('only what did not reach the server may be sent again', () => {
  expect(notReached(new ApiError(0, {}))).toBe(true);
  expect(notReached(new ApiError(422, { detail: 'no' }))).toBe(false);
  expect(notReached(new Error('other'))).toBe(false);
});
