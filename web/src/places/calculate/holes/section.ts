import type { Schemas } from '../../../api/client';
import type { FieldCode, Result } from '../page';
import { fieldValue, figure } from '../pictures/parts';

type Point = [depth: number, radius: number];

/** Fields that stand on the section drawing, from the outside of the work inwards. */
export const ON_TOP: readonly FieldCode[] = [
  'retract',
  'approach',
  'chipRoom',
  'surface',
  'chamferDiameter',
  'webFlat',
  'pilotDiameter',
  'boreDiameter',
  'holeBefore',
  'bottomClearance',
  'breakthrough',
];
export const BELOW: readonly FieldCode[] = ['pilotDepth', 'depth', 'depthOfHoleBefore'];

/** Half an angle's tangent; a flat end has none. */
const half = (angle: number) => (angle >= 180 ? Infinity : Math.tan((angle * Math.PI) / 360));

export interface Section {
  /** The finished hole from the surface to its bottom, one side of the axis. */
  hole: Point[];
  /** What was there before the operation, the same way; empty for the solid. */
  before: Point[];
  /** Depth at which the work ends. */
  end: number;
  through: boolean;
  /** Largest radius in it. */
  radius: number;
  /** How far the tool reaches beyond the depth programmed: the pilot of a counterbore. */
  beyond: number;
  /** Major radius and depth of a thread; 0 for none. */
  thread: [radius: number, depth: number];
}

/** The section of the work after a hole operation. */
export function sectionOf(result: Result, cutter: Schemas['Cutter']): Section {
  const d = cutter.dimensions!;
  const size = (code: FieldCode) => fieldValue(result, code);
  const [tip, full] = [figure(result, 'programmedDepth'), figure(result, 'fullDepth')];
  const radius = (d.DC ?? d.TDZ ?? d.DCX ?? 10) / 2;
  const angle = d.SIG ?? 180;
  const thickness = size('depth');
  const [small, deep] = [size('holeBefore') / 2, size('depthOfHoleBefore')];
  let through = result.options.end === 'through';
  let [hole, before]: [Point[], Point[]] = [[], []];
  let thread: Section['thread'] = [0, 0];
  const drilled = (r: number, to: number): Point[] =>
    through
      ? [
          [0, r],
          [1e6, r],
        ]
      : [
          [0, r],
          [to, r],
          [to + r / half(118), 0],
        ];
  const wide = size('chamferDiameter') / 2;
  switch (result.operation) {
    case 'spot':
      hole = [
        [0, wide],
        [tip, size('webFlat') / 2],
        [tip, 0],
      ];
      break;
    case 'centre-drill':
      hole = [
        [0, wide],
        [tip - (d.LPIL ?? 0), radius],
        [tip - radius / half(120), radius],
        [tip, 0],
      ];
      break;
    case 'countersink':
      through = true;
      before = drilled(small, 0);
      hole = [
        [0, wide],
        [(wide - small) / half(angle), small],
        [1e6, small],
      ];
      break;
    case 'counterbore':
      before = drilled(small, Math.max(deep, thickness));
      hole = [[0, radius], [thickness, radius], [thickness, small], ...before.slice(1)];
      break;
    case 'ream':
    case 'tap':
      before = drilled(small, deep);
      hole =
        result.operation === 'tap'
          ? before
          : [[0, radius], [through ? 1e6 : full, radius], ...(through ? [] : ([[full, small], ...before.slice(1)] as Point[]))];
      if (result.operation === 'tap') thread = [radius, through ? 1e6 : full];
      break;
    case 'bore':
    case 'fine-bore': {
      const bore = size('boreDiameter') / 2;
      before = drilled(small, full * 1.15);
      hole = through ? drilled(bore, 0) : [[0, bore], [full, bore], [full, small], ...before.slice(1)];
      break;
    }
    default: {
      before = small > 0 ? drilled(small, full * 1.1) : [];
      const bottom: Point[] = through
        ? [[1e6, radius]]
        : [
            [full, radius],
            [tip, 0],
          ];
      const pilot: [number, number] = [size('pilotDiameter') / 2, size('pilotDepth')];
      const chamfer = cutter.family === 'stepDrill' && wide > radius;
      hole = [
        ...(chamfer
          ? ([
              [0, wide],
              [(wide - radius) / half(d.STA ?? 90), radius],
            ] as Point[])
          : pilot[1] > 0
            ? ([
                [0, pilot[0]],
                [pilot[1], pilot[0]],
                [pilot[1], radius],
              ] as Point[])
            : ([[0, radius]] as Point[])),
        ...bottom,
      ];
    }
  }

  const deepest = Math.max(...[...hole, ...before].map(([x]) => (x < 1e6 ? x : 0)), tip);
  const closed = result.operation === 'countersink' ? tip * 9 : through ? thickness : deepest * 1.12 + radius * 0.5;
  return {
    hole: hole.map(([x, r]) => [Math.min(x, closed), Math.max(r, 0)]),
    before: before.map(([x, r]) => [Math.min(x, closed), Math.max(r, 0)]),
    end: closed,
    through,
    beyond: result.operation === 'counterbore' ? (d.LPIL ?? 0) : 0,
    radius: Math.max(...hole.map(([, r]) => r), thread[0], radius),
    thread: [thread[0], Math.min(thread[1], closed)],
  };
}
