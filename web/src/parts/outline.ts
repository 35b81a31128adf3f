import type { Schemas } from '../api/client';

export type Profile = Schemas['Profile'];
export type Element = Schemas['ProfileElement'];

/** A profile of nothing. */
export const NO_PROFILE: Profile = { shape: 'revolved', elements: [], length: 0, girth: 0 };

const n = (value: number) => Number(value.toFixed(4));

/** Radius of an element's arc; 0 for a line. */
export const radiusOf = (e: Element): number =>
  e.bulge ? (Math.hypot(e.toZ - e.fromZ, e.toR - e.fromR) * (1 + e.bulge ** 2)) / (4 * Math.abs(e.bulge)) : 0;

/** The arc of an element: its centre, its radius, the angle it begins at and how far it goes, radians; null for a line. */
export function arcOf(e: Element): { z: number; r: number; radius: number; from: number; sweep: number } | null {
  if (!e.bulge) return null;
  const reach = (1 - e.bulge ** 2) / (4 * e.bulge);
  const [z, r] = [(e.fromZ + e.toZ) / 2 - (e.toR - e.fromR) * reach, (e.fromR + e.toR) / 2 + (e.toZ - e.fromZ) * reach];
  return { z, r, radius: radiusOf(e), from: Math.atan2(e.fromR - r, e.fromZ - z), sweep: 4 * Math.atan(e.bulge) };
}

/** Draws one element from where the path stands; `side` is −1 above the axis, 1 below it. Screens count downwards. */
function step(e: Element, side: number): string {
  if (!e.bulge) return `L${n(e.toZ)} ${n(side * e.toR)}`;
  const radius = n(radiusOf(e));
  return `A${radius} ${radius} 0 ${Math.abs(e.bulge) > 1 ? 1 : 0} ${e.bulge * side > 0 ? 1 : 0} ${n(e.toZ)} ${n(side * e.toR)}`;
}

const turned = (e: Element): Element => ({ ...e, fromZ: e.toZ, fromR: e.toR, toZ: e.fromZ, toR: e.fromR, bulge: -e.bulge });

/** Runs of elements of one part that hang together. */
export function runsOf(profile: Profile): Element[][] {
  const runs: Element[][] = [];
  for (const e of profile.elements) {
    const last = runs[runs.length - 1]?.at(-1);
    if (last && last.part === e.part && Math.abs(last.toZ - e.fromZ) < 1e-6 && Math.abs(last.toR - e.fromR) < 1e-6)
      runs[runs.length - 1]!.push(e);
    else runs.push([e]);
  }
  return runs;
}

/** The path of a run: a closed loop of a flat profile, or a piece of a revolved one with both its halves. */
export function pathOf(run: readonly Element[], shape: Profile['shape']): string {
  const first = run[0]!;
  const upper = `M${n(first.fromZ)} ${n(-first.fromR)}${run.map((e) => step(e, -1)).join('')}`;
  if (shape === 'flat') return upper;
  const last = run[run.length - 1]!;
  return `${upper}L${n(last.toZ)} ${n(last.toR)}${[...run]
    .reverse()
    .map((e) => step(turned(e), 1))
    .join('')}Z`;
}

/** Points along an element in so many even pieces; a line has one. */
export function inPieces(e: Element, pieces: number): [number, number][] {
  const arc = arcOf(e);
  if (!arc) return [[e.toZ, e.toR]];
  const { z: cz, r: cr, radius, from, sweep } = arc;
  return Array.from({ length: pieces }, (_, i) => {
    const at = from + (sweep * (i + 1)) / pieces;
    return [cz + radius * Math.cos(at), cr + radius * Math.sin(at)];
  });
}

/** Points along an element, so many that no chord lies further from its arc than `apart`, mm; for the view in three dimensions. */
export function pointsOf(e: Element, apart = 0.005): [number, number][] {
  const step = 2 * Math.acos(Math.max(0.5, 1 - apart / (radiusOf(e) || Infinity)));
  return inPieces(e, Math.min(400, Math.max(8, Math.ceil(Math.abs(4 * Math.atan(e.bulge ?? 0)) / step))));
}

/** Lowest and highest distance across, mm; a revolved profile reaches both ways. */
export function spanOf(profile: Profile): [number, number] {
  const r = profile.elements.flatMap((e) => [e.fromR, ...pointsOf(e).map((p) => p[1])]);
  const most = Math.max(1, ...r);
  return profile.shape === 'flat' ? [Math.min(0, ...r), most] : [-most, most];
}
