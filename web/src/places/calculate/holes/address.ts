import type { Schemas } from '../../../api/client';

type Hole = Schemas['CrossHole'];
type Edit = Schemas['StageEdit'];

const number = (text: string | undefined) => (text === undefined || text === '' ? null : Number(text));

/** Crossing holes as the address keeps them: numbers with ~ between, holes with ! between. */
export const readHoles = (text: string | undefined): Hole[] =>
  (text ?? '')
    .split('!')
    .map((h) => h.split('~').map(Number))
    .filter((h) => h.length === 4 && h.every(Number.isFinite))
    .map(([distance, diameter, angle, offset]) => ({ distance: distance!, diameter: diameter!, angle: angle!, offset: offset! }));

export const writeHoles = (holes: readonly Hole[]): string | undefined =>
  holes.length > 0 ? holes.map((h) => [h.distance, h.diameter, h.angle, h.offset].join('~')).join('!') : undefined;

/** Changed stages as the address keeps them: stage, speed, feed and coolant, each empty where it was left. */
export const readEdits = (text: string | undefined): Edit[] =>
  (text ?? '')
    .split('!')
    .map((e) => e.split('~'))
    .filter((e) => e.length === 4 && e[0])
    .map(([stage, speed, feed, coolant]) => ({
      stage: stage!,
      speed: number(speed),
      feedRate: number(feed),
      coolant: coolant ? coolant === 'on' : null,
    }));

export const writeEdits = (edits: readonly Edit[]): string | undefined =>
  edits.length > 0
    ? edits.map((e) => [e.stage, e.speed ?? '', e.feedRate ?? '', e.coolant === null ? '' : e.coolant ? 'on' : 'off'].join('~')).join('!')
    : undefined;
