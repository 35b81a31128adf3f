import { describe, expect, test } from 'vitest';
import { arcOf, inPieces, pathOf, pointsOf, radiusOf, runsOf, spanOf, type Element, type Profile } from '../../web/src/parts/outline';
import { anchorOf } from '../../web/src/places/library/anchors';

const element = (part: Element['part'], fromZ: number, fromR: number, toZ: number, toR: number, bulge = 0): Element => ({
  part,
  fromZ,
  fromR,
  toZ,
  toR,
  bulge,
});
const profile = (elements: Element[], shape: Profile['shape'] = 'revolved'): Profile => ({
  shape,
  elements,
  length: Math.max(...elements.map((e) => e.toZ)),
  girth: 2 * Math.max(...elements.map((e) => e.toR)),
});

const QUARTER = -(Math.SQRT2 - 1);
const BALL = profile([
  element('cutting', 0, 0, 5, 5, QUARTER),
  element('cutting', 5, 5, 10, 5),
  element('neck', 10, 5, 10, 4.6),
  element('neck', 10, 4.6, 30, 4.6),
  element('shank', 30, 4.6, 30, 5),
  element('shank', 30, 5, 70, 5),
]);

describe('the outline of a profile', () => {
  test('a bulge of a quarter turn has the radius of its ball', () => {
    expect(radiusOf(BALL.elements[0]!)).toBeCloseTo(5, 9);
    expect(radiusOf(BALL.elements[1]!)).toBe(0);
  });

  test('points of an arc lie on its circle and end where it ends', () => {
    const points = inPieces(BALL.elements[0]!, 8);
    expect(points).toHaveLength(8);
    for (const [z, r] of points) expect(Math.hypot(z - 5, r)).toBeCloseTo(5, 9);
    expect(points.at(-1)![0]).toBeCloseTo(5, 9);
    expect(points.at(-1)![1]).toBeCloseTo(5, 9);
  });

  test('an arc is drawn so finely in space that no chord is further from it than told', () => {
    const quarter = element('cutting', 0, 0, 50, 50, QUARTER);
    const points: [number, number][] = [[0, 0], ...pointsOf(quarter)];
    const middles = points.slice(1).map(([z, r], i) => Math.hypot((z + points[i]![0]) / 2 - 50, (r + points[i]![1]) / 2));
    expect(50 - Math.min(...middles)).toBeLessThan(0.0051);
    expect(pointsOf(element('shank', 0, 5, 10, 5))).toEqual([[10, 5]]);
  });

  test('an arc that stands out bends outwards, a hollow one inwards', () => {
    const middle = (bulge: number) => inPieces(element('cutting', 0, 0, 10, 0, bulge), 2)[0]![1];
    expect(middle(QUARTER)).toBeGreaterThan(0);
    expect(middle(-QUARTER)).toBeLessThan(0);
  });

  test('parts that hang together are drawn as one', () => {
    expect(runsOf(BALL).map((run) => [run[0]!.part, run.length])).toEqual([
      ['cutting', 2],
      ['neck', 2],
      ['shank', 2],
    ]);
  });

  test('a revolved piece is drawn with both halves and closed', () => {
    const path = pathOf(runsOf(BALL)[0]!, 'revolved');
    expect(path).toBe('M0 0A5 5 0 0 1 5 -5L10 -5L10 5L5 5A5 5 0 0 1 0 0Z');
  });

  test('a flat loop is drawn as it runs, with its halves apart', () => {
    const blade = profile(
      [
        element('cutting', 0, -1.5, 0, 1.5),
        element('cutting', 0, 1.5, 6, 1.2),
        element('cutting', 6, 1.2, 6, -1.2),
        element('cutting', 6, -1.2, 0, -1.5),
      ],
      'flat',
    );
    expect(pathOf(runsOf(blade)[0]!, 'flat')).toBe('M0 1.5L0 -1.5L6 -1.2L6 1.2L0 1.5');
    expect(spanOf(blade)).toEqual([-1.5, 1.5]);
  });

  test('a revolved profile reaches both ways, whatever its halves', () => {
    expect(spanOf(BALL)[0]).toBeCloseTo(-5, 9);
    expect(spanOf(BALL)[1]).toBeCloseTo(5, 9);
  });

  test.each([
    ['DN', [20, 4.6]],
    ['DCX', [5, 5]],
    ['no such symbol', [5, 5]],
  ] as const)('the leader of %s ends where that is', (symbol, at) => {
    const [z, r] = anchorOf(symbol, BALL);
    expect(r).toBeCloseTo(at[1], 6);
    expect(z).toBeCloseTo(at[0], 6);
  });

  test('the leader of a corner radius ends on its arc', () => {
    const [z, r] = anchorOf('RE', BALL);
    expect(Math.hypot(z - 5, r)).toBeCloseTo(5, 6);
  });

  test('an empty profile has an anchor all the same', () => {
    expect(anchorOf('RE', { shape: 'revolved', elements: [], length: 0, girth: 0 })).toEqual([0, 0]);
  });
});

describe('the arc of an element', () => {
  const element = (bulge: number) => ({ part: 'cutting', fromZ: 0, fromR: 3, toZ: 4, toR: 5, bulge }) as Element;

  test.each([-1.4, -0.3, 0.05, 0.8])('with a bulge of %s begins and ends where the element does', (bulge) => {
    const { z, r, radius, from, sweep } = arcOf(element(bulge))!;
    expect(radius).toBeCloseTo(radiusOf(element(bulge)), 12);
    expect([z + radius * Math.cos(from), r + radius * Math.sin(from)]).toEqual([expect.closeTo(0, 9), expect.closeTo(3, 9)]);
    expect([z + radius * Math.cos(from + sweep), r + radius * Math.sin(from + sweep)]).toEqual([
      expect.closeTo(4, 9),
      expect.closeTo(5, 9),
    ]);
  });

  test('a line has none', () => expect(arcOf(element(0))).toBeNull());
});
