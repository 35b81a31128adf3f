import { afterEach, describe, expect, it, vi } from 'vitest';
import { becameOf, fetchFile, found, holdsFor, setAtMachine, shown, SINCE, type Index, type Published } from '../../web/src/reader/folder';

const units: Index['units'] = { spindleSpeed: { unit: 'rev/min', decimals: 0 }, length: { unit: 'mm', decimals: 2 } };
const index = (since: Index['since'] = []): Index => ({
  workshop: 'W',
  at: '2026-11-27T12:00:00.000Z',
  editions: [],
  parts: [],
  since,
  units,
});
const record = (over: Partial<Published> = {}): Published => ({
  record: 'R-0001',
  revision: 1,
  operation: { name: 'Rough side milling' },
  material: { name: '42CrMo4', condition: 'quenched', designations: '1.7225' },
  machine: { name: 'Brindle' },
  cutter: { number: 'C-0020', family: 'square end mill', dimensions: {} },
  assembly: { number: 'A-1042', projection: 38, places: [] },
  figures: [],
  settings: [],
  options: [],
  findings: [],
  accepted: [],
  note: '',
  approvedBy: 'tobiah',
  ...over,
});

afterEach(() => vi.unstubAllGlobals());

describe('a file of the folder', () => {
  const serve = (text: string, status = 200) => vi.stubGlobal('fetch', async () => new Response(text, { status }));
  const digest = async (text: string) =>
    [...new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)))]
      .map((b) => b.toString(16).padStart(2, '0'))
      .join('');

  it('is read where it is what was laid out', async () => {
    serve('{"a":1}');
    expect(await fetchFile('x.json', await digest('{"a":1}'))).toEqual({ a: 1 });
  });

  it('is refused where a byte was altered, or where it is not there', async () => {
    serve('{"a":2}');
    await expect(fetchFile('x.json', await digest('{"a":1}'))).rejects.toThrow('do not run anything from it');
    serve('', 404);
    await expect(fetchFile('x.json')).rejects.toThrow('is not there (404)');
  });
});

describe('what a reader sees', () => {
  it('is rounded as the shop reads it, without digits that say nothing', () => {
    expect(shown(units, 'spindleSpeed', 3183.1)).toEqual(['3183', 'rev/min']);
    expect(shown(units, 'length', 38)).toEqual(['38', 'mm']);
    expect(shown(units, 'length', 0.0499)).toEqual(['0.05', 'mm']);
    expect(shown(units, 'unknown', 1.23456)).toEqual(['1.235', '']);
  });

  it('is found by every word of it, and by none that is not there', () => {
    const all = [record(), record({ record: 'R-0002', material: { name: 'S355', condition: '' } })];
    expect(found(all, 'a-1042 1.7225').map((r) => r.record)).toEqual(['R-0001']);
    expect(found(all, 'rough').length).toBe(2);
    expect(found(all, 'drill')).toEqual([]);
    expect(found(all, '  ').length).toBe(2);
  });

  it('leaves out what is nothing and what nobody sets', () => {
    const valued = (code: string, value: number, atMachine?: number) => ({
      code,
      symbol: '',
      name: '',
      quantity: 'length',
      value,
      ...(atMachine && { atMachine }),
    });
    const r = record({
      figures: [
        { ...valued('depth', 3, 4), rank: 'row' },
        { ...valued('power', 2), rank: 'large' },
        { ...valued('programmedSpeed', 146, 1), rank: 'large' },
      ],
      settings: [
        { ...valued('speedClamp', 3200, 2), ofPart: false },
        { ...valued('stockLeft', 0, 3), ofPart: false },
        { ...valued('gripLength', 40, 5), ofPart: true, assumed: true },
        { ...valued('depth', 9, 4), ofPart: true },
        { ...valued('stockWidth', 3), ofPart: true },
        { ...valued('wallHeight', 0), ofPart: true },
        { ...valued('deflectionAllowed', 60), ofPart: false },
      ],
    });
    expect(setAtMachine(r).map((f) => [f.code, f.value])).toEqual([
      ['programmedSpeed', 146],
      ['speedClamp', 3200],
      ['depth', 3],
      ['gripLength', 40],
    ]);
    expect(holdsFor(r).map((s) => s.code)).toEqual(['stockWidth']);

    // What nobody stated is known as such there too; a figure that comes to nothing is not told by what was typed for it.
    expect(
      setAtMachine(r)
        .filter((f) => f.assumed)
        .map((f) => f.code),
    ).toEqual(['gripLength']);
    expect(setAtMachine({ ...r, figures: [{ ...valued('depth', 0, 4), rank: 'row' }] }).map((f) => f.code)).not.toContain('depth');

    // Of an edition from before it was marked.
    const old = record({
      figures: r.figures.map(({ code, symbol, name, quantity, value, rank }) => ({ code, symbol, name, quantity, value, rank })),
      settings: [],
    });
    expect(setAtMachine(old).map((f) => f.code)).toEqual(['power', 'programmedSpeed']);
  });
});

describe('what became of a record', () => {
  it('is told in words for every state the workshop tells, and stops where it must not be run', () => {
    for (const what of ['withdrawn', 'stopped', 'broken', 'ended'])
      expect(becameOf(index([{ record: 'R-0001', what }]), record(), '2026-11-27')).toEqual({ words: SINCE[what]!.words, stop: true });
    expect(becameOf(index([{ record: 'R-0001', what: 'superseded' }]), record(), '2026-11-27')!.stop).toBe(false);
    expect(becameOf(index([{ record: 'R-0002', what: 'withdrawn' }]), record(), '2026-11-27')).toBeUndefined();
  });

  it('errs on the safe side where a later workshop says something new', () => {
    expect(becameOf(index([{ record: 'R-0001', what: 'somethingNew' }]), record(), '2026-11-27')!.stop).toBe(true);
  });

  it('ends with its own last day, without the workshop saying so again', () => {
    expect(becameOf(index(), record({ until: '2026-11-27' }), '2026-11-27')).toBeUndefined();
    expect(becameOf(index(), record({ until: '2026-11-26' }), '2026-11-27')!.stop).toBe(true);
  });
});
