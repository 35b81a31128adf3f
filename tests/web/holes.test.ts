import { describe, expect, test } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { sectionOf } from '../../web/src/places/calculate/holes/section';
import { colourOf, rowsOf } from '../../web/src/places/calculate/holes/stages';
import { countOf, targetWords, type Pattern } from '../../web/src/places/calculate/groups/words';
import { axesOf, TURNS } from '../../web/src/places/calculate/turns/all';
import { stage } from './stage';

describe('stages', () => {
  test('what lifts and comes back between pecks counts with the peck before it', () => {
    const rows = rowsOf([
      stage('approach', -10, -2, { rapid: true }),
      stage('peck-1', -2, 8),
      stage('lift-1', 8, -2, { rapid: true }),
      stage('back-1', -2, 7.5, { rapid: true }),
      stage('peck-2', 7.5, 14),
      stage('retract', 14, -10, { rapid: true }),
    ]);
    expect(rows.map((r) => r.stage.code)).toEqual(['approach', 'peck-1', 'peck-2', 'retract']);
    expect(rows.map((r) => r.number)).toEqual([1, 2, 3, 4]);
    expect(rows[1]!.time).toBeCloseTo(0.3);
    expect(rows.reduce((sum, r) => sum + r.time, 0)).toBeCloseTo(0.6);
  });

  test('only what feeds has a colour, and what is slowed another one than full feed', () => {
    expect(colourOf(stage('approach', -10, -2, { rapid: true }))).toBe('');
    expect(colourOf(stage('spin-up', 11, 11, { feedRate: 0 }))).toBe('');
    expect(colourOf(stage('full-2', 20, 50))).toBe(colourOf(stage('full', 20, 50)));
    expect(colourOf(stage('cross-1', 50, 60))).not.toBe(colourOf(stage('full', 20, 50)));
  });
});

const result = (operation: string, fields: Record<string, number>, figures: Record<string, number>, options: Record<string, string> = {}) =>
  ({
    operation,
    options,
    fields: Object.entries(fields).map(([code, value]) => ({ code, value })),
    figures: Object.entries(figures).map(([code, value]) => ({ code, value })),
  }) as unknown as Schemas['CalculationResult'];
const cutter = (family: string, dimensions: Record<string, number>) => ({ family, dimensions }) as unknown as Schemas['Cutter'];

describe('the section of a hole', () => {
  test('a blind hole ends in its point, a through hole at the far face', () => {
    const drill = cutter('twistDrill', { DC: 10, SIG: 140 });
    const blind = sectionOf(result('drill', { depth: 20 }, { programmedDepth: 21.82, fullDepth: 20 }), drill);
    expect(blind.hole.at(-1)).toEqual([21.82, 0]);
    expect(blind.end).toBeGreaterThan(21.82);
    const through = sectionOf(result('drill', { depth: 20 }, { programmedDepth: 22.8, fullDepth: 20 }, { end: 'through' }), drill);
    expect(through.hole.at(-1)).toEqual([20, 5]);
    expect(through.end).toBe(20);
  });

  test('a threaded hole keeps its bore and carries the thread around it', () => {
    const tap = sectionOf(
      result('tap', { depth: 15, holeBefore: 8.5, depthOfHoleBefore: 21 }, { programmedDepth: 18.75, fullDepth: 15 }),
      cutter('cuttingTap', { TDZ: 10, TP: 1.5 }),
    );
    expect(tap.hole).toEqual(tap.before);
    expect(tap.thread).toEqual([5, 15]);
  });

  test('a counterbore reaches beyond its seat by its pilot', () => {
    const seat = sectionOf(
      result('counterbore', { depth: 8, holeBefore: 11, depthOfHoleBefore: 20 }, { programmedDepth: 8, fullDepth: 8 }),
      cutter('counterbore', { DC: 18, DPIL: 11, LPIL: 10 }),
    );
    expect(seat.beyond).toBe(10);
    expect(seat.hole.slice(0, 3)).toEqual([
      [0, 9],
      [8, 9],
      [8, 5.5],
    ]);
  });

  test('a spot comes to the web’s flat and a pilot is wider than what follows', () => {
    const spot = sectionOf(
      result('spot', { chamferDiameter: 10, webFlat: 0.5 }, { programmedDepth: 4.75 }),
      cutter('spotDrill', { DC: 16, SIG: 90 }),
    );
    expect(spot.hole).toEqual([
      [0, 5],
      [4.75, 0.25],
      [4.75, 0],
    ]);
    const deep = sectionOf(
      result('deep-hole', { depth: 90, pilotDiameter: 8.02, pilotDepth: 12 }, { programmedDepth: 91.9, fullDepth: 90 }),
      cutter('gunDrill', { DC: 8, SIG: 130 }),
    );
    expect(deep.hole.slice(0, 3)).toEqual([
      [0, 4.01],
      [12, 4.01],
      [12, 4],
    ]);
  });
});

describe('a group in words', () => {
  test.each([
    [{ kind: 'threaded', thread: { text: 'M10×1.5-6H', ownId: 0 }, depth: 20 }, 'M10×1.5-6H, 20 deep'],
    [{ kind: 'threaded', thread: { text: '1/2-13 UNC LH', ownId: 0 }, depth: 18, through: true }, '1/2-13 UNC LH, through 18'],
    [{ kind: 'tolerance', diameter: 12, depth: 25, tolerance: 'H7', through: true }, 'Ø12 H7, through 25'],
    [{ kind: 'counterbored', diameter: 9, depth: 24, seatDiameter: 15, seatDepth: 8.5 }, 'Ø9, 24 deep, seat Ø15 × 8.5'],
    [{ kind: 'plain', diameter: 8.5, depth: 17 }, 'Ø8.5, 17 deep'],
  ] as const)('%j is %s', (target, words) => {
    expect(targetWords(target, (mm) => String(mm))).toBe(words);
  });

  test('a pattern knows how many holes it has', () => {
    expect(countOf({ form: 'grid', count: 5, rows: 3 } as Pattern)).toBe(15);
    expect(countOf({ form: 'circle', count: 24 } as Pattern)).toBe(24);
    expect(countOf({ form: 'typed', typed: [{ x: 1, y: 2 }] } as Pattern)).toBe(1);
  });
});

describe('what can be looked at below the picture', () => {
  const operation = (change: Partial<Schemas['OperationDescription']>) =>
    ({
      code: 'x',
      picture: 'hole',
      fields: [],
      options: [],
      free: ['a', 'b'],
      loadOverTurn: false,
      ...change,
    }) as unknown as Schemas['OperationDescription'];
  const along = result('x', {}, {});
  const way = (from: number | null) => ({ ...along, attachments: [{ kind: 'toolWay', parts: [{ from, to: from }] }] }) as typeof along;
  const names = (o: ReturnType<typeof operation>, r: typeof along) => TURNS.filter((t) => t.belongs(o, r)).map((t) => t.code);

  test('a hole has stages and no load over a turn, a tap has drills and no window', () => {
    expect(names(operation({}), way(3))).toEqual(['stages', 'window', 'derivation', 'tray']);
    const fields = [{ code: 'holeBefore' }] as never;
    expect(names(operation({ feedInStep: true, fields, free: [] }), way(3))).toEqual(['stages', 'drills', 'derivation', 'tray']);
  });

  test('milling has its window first, and a bend where there is one', () => {
    const fields = [{ code: 'cornerRadius' }] as never;
    expect(names(operation({ picture: 'wall', loadOverTurn: true, fields }), way(null))).toEqual([
      'window',
      'load',
      'bend',
      'passes',
      'derivation',
      'tray',
    ]);
  });

  test('the window is drawn over what was asked for, as far as the operation has it', () => {
    const o = operation({ free: ['widthOfCut', 'depthOfCut', 'cuttingSpeed'] });
    expect(axesOf(o, undefined)).toEqual(['widthOfCut', 'depthOfCut']);
    expect(axesOf(o, 'cuttingSpeed~widthOfCut')).toEqual(['cuttingSpeed', 'widthOfCut']);
    expect(axesOf(o, 'depth~cuttingSpeed')).toEqual(['cuttingSpeed', 'widthOfCut']);
    expect(axesOf(o, 'depthOfCut~depthOfCut')).toEqual(['depthOfCut', 'widthOfCut']);
  });
});
