// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation, useNavigate } from 'react-router';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { bare, given, NOTHING, pathOf, readAddress, withAnother, writeAddress, type Chosen } from '../../web/src/places/calculate/address';
import { choicesOf, drilledWith, unknownTo } from '../../web/src/places/calculate/request';
import { useAddress } from '../../web/src/places/calculate/useAddress';

const WHOLE: Chosen = {
  operation: 'deep-hole',
  material: 2,
  assembly: 31,
  machine: 1,
  numbers: {
    depth: { text: '180', system: 'mm', base: 180 },
    width: { text: '1/2+1/8', system: 'in', base: 15.875 },
    odd: { text: 'a~b&c', system: 'mm', base: 1 },
    found: { text: '0.08', system: 'mm', base: 0.08, by: 'best' },
    usual: { text: '1.2', system: 'mm', base: 1.2, by: 'method' },
  },
  picks: { coolant: 'through', end: 'through' },
  method: 'Deep, gently',
  leftover: { record: 'R-0016', revision: 2 },
  crossHoles: [
    { distance: 60.5, diameter: 10, angle: 90, offset: 0 },
    { distance: 130, diameter: 12, angle: 60, offset: 1.5 },
  ],
  edits: [
    { stage: 'full', speed: null, feedRate: 40.5, coolant: false },
    { stage: 'break', speed: 0, feedRate: null, coolant: true },
    { stage: 'entry', speed: -150, feedRate: null, coolant: null },
  ],
  outline: [
    { diameter: 24.5, length: 60 },
    { diameter: 30, length: 0.25 },
    { diameter: 30, length: 10, fillet: 1.5, to: 36, arc: -20 },
  ],
  thread: { text: 'M10×1.5-6H LH', ownId: 0 },
  before: { depth: 170, cycle: 'staged', about: '2.31.1.through' },
  note: 'Hält 80 %; & more = better?',
  record: 'R-0017',
  version: '7',
  show: 'stages',
  axes: 'cuttingSpeed~feedPerRevolution',
  why: 'v_c',
  unread: [],
};

describe('the address of a calculation', () => {
  test.each([
    ['nothing', NOTHING],
    ['everything', WHOLE],
  ] as const)('keeps %s, to the letter', (_, chosen) => {
    expect(readAddress(writeAddress(chosen))).toEqual(chosen);
    expect(writeAddress(readAddress(writeAddress(chosen)))).toBe(writeAddress(chosen));
  });

  test('gives back with another cutter what a method or the best point put in, and keeps what was typed', () => {
    const { assembly, numbers, method } = { ...WHOLE, ...withAnother(WHOLE, 7) };
    expect([assembly, Object.keys(numbers), method]).toEqual([7, ['depth', 'width', 'odd'], undefined]);
    const typed = { ...WHOLE, numbers };
    expect({ ...typed, ...withAnother(typed, 7) }).toEqual({ ...typed, assembly: 7 });
  });

  test('writes plain numbers plainly, and what a program worked out with no more digits on screen than it needs', () => {
    const address = writeAddress({ ...NOTHING, numbers: given({ a: 12.5, b: 0.15975639099927672 }) });
    expect(decodeURIComponent(address)).toBe('n.a=12.5&n.b=0.15975639099927672~mm~0.15975639099927672');
    expect(readAddress('n.b=0.15975639099927672').numbers.b).toEqual({ text: '0.159756', system: 'mm', base: 0.15975639099927672 });
  });

  test.each([
    ['material', '0'],
    ['machine', '1.5'],
    ['assembly', 'x'],
    ['n.width', 'wide'],
    ['n.width', ''],
    ['n.width', '1~ft~1'],
    ['leftover', 'R-1~x'],
    ['outline', '24'],
    ['outline', '24~x'],
    ['cross', '1~2~3'],
    ['cross', 'a~2~3~4'],
    ['edits', 'full~1'],
    ['was', 'deep'],
    ['colour', 'red'],
    ['constructor', 'x'],
  ])('%s=%s is kept as unread and changes nothing else', (key, value) => {
    const chosen = readAddress(`op=slot&${key}=${value}`);
    expect(chosen).toEqual({ ...NOTHING, operation: 'slot', unread: [[key, value]] });
    expect(readAddress(writeAddress(chosen))).toEqual(chosen);
  });

  test('of an alternative leaves out what is looked at, the note and the draft', () => {
    const kept = readAddress(writeAddress(bare(WHOLE)));
    expect(Object.keys(WHOLE).filter((k) => !(k in kept))).toEqual(['note', 'record', 'version', 'show', 'axes', 'why']);
  });

  test('names a thread of a standard, or the identity of the shop’s own', () => {
    const own: Chosen = { ...NOTHING, thread: { text: 'M16×1.6 worn housing', ownId: 3 } };
    expect(readAddress(writeAddress(own))).toEqual(own);
    expect(readAddress('thread=1%2F2-13').thread).toEqual({ text: '1/2-13', ownId: 0 });
    expect(readAddress('thread=M10~x').unread).toEqual([['thread', 'M10~x']]);
    expect(readAddress('thread=~3').unread).toEqual([['thread', '~3']]);
  });

  test('is a path for links', () => expect(pathOf({ operation: 'slot', assembly: 6 })).toBe('/calculate?op=slot&assembly=6'));
});

describe('what is asked of the server', () => {
  const field = (code: string) => ({ code, least: 1, most: 400 });
  const hole = {
    fields: [field('depth'), field('width')],
    options: [{ code: 'end' }],
    extras: ['crossHoles', 'stageEdits', 'drilledBefore'],
    takes: 'hole',
  } as unknown as Schemas['OperationDescription'];
  const wall = { fields: [field('width')], options: [], extras: [], takes: null } as unknown as Schemas['OperationDescription'];

  test('is what the operation has, and nothing that was typed for another', () => {
    expect(choicesOf(WHOLE, hole)).toEqual({
      numbers: { depth: 180, width: 15.875 },
      options: { end: 'through' },
      leftover: WHOLE.leftover,
      method: 'Deep, gently',
      extras: [
        { kind: 'crossHoles', holes: WHOLE.crossHoles },
        { kind: 'stageEdits', edits: WHOLE.edits },
        { kind: 'drilledBefore', depth: 170, cycle: null },
      ],
    });
    expect(choicesOf(WHOLE, wall)).toEqual({ numbers: { width: 15.875 }, options: {}, method: 'Deep, gently' });
  });

  test('names the thread to an operation that cuts one', () => {
    const thread = { ...wall, extras: ['threadToCut'] };
    expect(choicesOf(WHOLE, thread).extras).toEqual([{ kind: 'threadToCut', ...WHOLE.thread }]);
    expect(choicesOf({ ...WHOLE, thread: undefined }, thread).extras).toBeUndefined();
  });

  test.each([
    ['nothing changed', { numbers: given({ depth: 170 }) }, undefined],
    ['the depth gave way to its proposal', { numbers: {} }, undefined],
    ['another cutter', { numbers: given({ depth: 170 }), assembly: 32 }, { kind: 'drilledBefore', depth: null, cycle: 'staged' }],
    ['both', { assembly: 32 }, { kind: 'drilledBefore', depth: 170, cycle: 'staged' }],
    ['a depth that no hole could have had', { before: { depth: 5000 } }, undefined],
  ])('tells how a hole was drilled before: %s', (_, change: Partial<Chosen>, told) => {
    const extras = choicesOf({ ...WHOLE, ...change }, hole).extras ?? [];
    expect(extras.find((e) => e.kind === 'drilledBefore')).toEqual(told);
  });

  test('knows with what a hole was drilled', () => expect(drilledWith(WHOLE)).toBe(WHOLE.before!.about));

  test('names what no operation reads', () => {
    expect(unknownTo(readAddress('op=x&n.depth=3&n.height=4&o.end=blind&o.colour=red&shape=round'), [hole, wall])).toEqual([
      'shape',
      'n.height',
      'o.colour',
    ]);
  });
});

describe('changing what is chosen', () => {
  afterEach(() => vi.useRealTimers());

  function page(at: string) {
    const place: { search: string; go?: (to: string) => void } = { search: '' };
    const Watch = () => {
      const navigate = useNavigate();
      place.search = decodeURIComponent(useLocation().search);
      place.go = (to) => void navigate(to);
      return null;
    };
    const inside = ({ children }: { children: ReactNode }) => (
      <MemoryRouter initialEntries={[at]}>
        {children}
        <Watch />
      </MemoryRouter>
    );
    const { result } = renderHook(() => useAddress(), { wrapper: inside });
    const type = (code: string, base: number) =>
      act(() => result.current.change(`n.${code}`, (c) => ({ numbers: { ...c.numbers, ...given({ [code]: base }) } })));
    return { address: () => result.current, place, type };
  }

  test('is written to the address, and taken back and again by steps', () => {
    const { address, place, type } = page('/calculate?op=slot');
    expect(address().arrived).toBe(true);
    expect(address().back).toBeUndefined();
    type('width', 2);
    act(() => address().change('machine', { machine: 3 }));
    expect(place.search).toBe('?op=slot&machine=3&n.width=2');
    expect(address().arrived).toBe(false);
    act(() => address().back!());
    expect(place.search).toBe('?op=slot&n.width=2');
    act(() => address().back!());
    expect(place.search).toBe('?op=slot');
    expect(address().back).toBeUndefined();
    act(() => address().forward!());
    act(() => address().forward!());
    expect(place.search).toBe('?op=slot&machine=3&n.width=2');
    expect(address().forward).toBeUndefined();
  });

  test('a number typed is one step, and the same number typed later another', () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const { address, place, type } = page('/calculate?op=slot');
    for (const base of [1, 12, 125]) type('width', base);
    vi.advanceTimersByTime(5000);
    type('width', 130);
    expect(place.search).toBe('?op=slot&n.width=130');
    act(() => address().back!());
    expect(place.search).toBe('?op=slot&n.width=125');
    act(() => address().back!());
    expect(place.search).toBe('?op=slot');
  });

  test('several changes at once lose none, and are one entry', () => {
    const { address, place } = page('/calculate?op=slot');
    act(() => {
      address().change('a', (c) => ({ numbers: { ...c.numbers, ...given({ a: 1 }) } }));
      address().change('b', (c) => ({ numbers: { ...c.numbers, ...given({ b: 2 }) } }));
      address().adjust({ show: 'load' });
    });
    expect(place.search).toBe('?op=slot&n.a=1&n.b=2&show=load');
  });

  test('what is only looked at makes no step, and a new step drops what was taken back', () => {
    const { address, type } = page('/calculate?op=slot');
    act(() => address().adjust({ show: 'load' }));
    expect(address().back).toBeUndefined();
    type('width', 2);
    act(() => address().back!());
    expect(address().forward).toBeDefined();
    type('depth', 3);
    expect(address().forward).toBeUndefined();
    expect(address().chosen.numbers.width).toBeUndefined();
  });

  test('a link to another situation on the same page is taken as it is', () => {
    const { address, place, type } = page('/calculate?op=slot');
    type('width', 2);
    act(() => place.go!('/calculate?op=face&n.offset=4'));
    expect(address().chosen).toEqual({ ...NOTHING, operation: 'face', numbers: given({ offset: 4 }) });
    expect(address().arrived).toBe(true);
  });

  test('a whole state can be taken over, and forgets what stood there', () => {
    const { address, place } = page('/calculate?op=slot&n.length=80');
    act(() => address().replace('tray', readAddress('op=face&n.offset=2')));
    expect(place.search).toBe('?op=face&n.offset=2');
  });
});
