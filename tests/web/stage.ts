import type { Stage } from '../../web/src/places/calculate/holes/stages';

/** A stage that drills, changed as a test needs it. */
export const stage = (code: string, from: number, to: number, change: Partial<Stage> = {}): Stage => ({
  code,
  name: `Part ${code}`,
  count: 1,
  length: Math.abs(to - from),
  from,
  to,
  speed: 3000,
  feedRate: 400,
  rapid: false,
  coolant: true,
  time: 0.1,
  editable: false,
  ...change,
});
