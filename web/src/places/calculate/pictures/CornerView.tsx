import { useUnits } from '../../../parts/session';
import { colourOf, CutterInCut, fieldValue, figure, Hatch, Label, radians, Solid, Stock, SymbolText, type Drawn } from './parts';

const [W, H] = [350, 262];

type Point = [x: number, y: number];

const add = ([x, y]: Point, [dx, dy]: Point, by: number): Point => [x + dx * by, y + dy * by];
const at = ([x, y]: Point) => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** An inner corner between two walls: the first runs to the left, the second at the angle between them. */
export class Corner {
  private readonly half: number;
  private readonly second: Point;
  private readonly apex: Point;
  /** Into the open, between the walls. */
  readonly bisector: Point;

  /** The corner whose rounding of this radius has its middle at a point. */
  constructor(middle: Point, radius: number, angle: number) {
    this.half = radians(angle / 2);
    this.second = [-Math.cos(2 * this.half), Math.sin(2 * this.half)];
    this.bisector = [-Math.cos(this.half), Math.sin(this.half)];
    this.apex = add(middle, this.bisector, radius - radius / Math.sin(this.half));
  }

  /** Centre of a rounding that touches lines beside both walls. */
  centre(apart: number, radius: number): Point {
    return add(this.apex, this.bisector, (apart + radius) / Math.sin(this.half));
  }

  /** Where the rounding leaves the first line and meets the second. */
  ends(apart: number, radius: number): [Point, Point] {
    const corner = add(this.apex, this.bisector, apart / Math.sin(this.half));
    const along = radius / Math.tan(this.half);
    return [add(corner, [-1, 0], along), add(corner, this.second, along)];
  }

  /** The line beside both walls with its rounding, far out at both ends, from the left on or back again. */
  line(apart: number, radius: number, back = false): string {
    const [first, last] = this.ends(apart, radius);
    const points = [at(add(first, [-1, 0], FAR)), at(first), at(last), at(add(last, this.second, FAR))];
    const [from, begin, end, to] = back ? points.reverse() : points;
    return `${from}L${begin}A${radius} ${radius} 0 0 ${back ? 0 : 1} ${end}L${to}`;
  }
}

const FAR = 600;

/**
 * A bend or corner seen along the axis, at its real angle: the walls to be made, the stock before them, and the cutter in the middle of the
 * bend with its arc there. True to scale.
 */
export function CornerView({ result, cutter }: Pick<Drawn, 'result' | 'cutter'>) {
  const units = useUnits();
  const cleaning = figure(result, 'leftover') > 0;
  const outer = result.options.bend === 'outer';
  const radius = fieldValue(result, 'cornerRadius');
  const diameter = figure(result, 'diameter');
  const before = cleaning ? fieldValue(result, 'diameterBefore') / 2 : 0;
  const width = figure(result, 'width');
  const arc = radians(figure(result, 'bendArc') || figure(result, 'arc'));
  const angle = outer ? 90 : fieldValue(result, 'cornerAngle') || 90;
  const scale = Math.min(outer ? 130 / (radius + diameter) : 200 / (Math.max(radius, before, diameter) * 1.5), 26);
  const colour = colourOf(result, 'largestChip');
  const px = (mm: number) => mm * scale;

  const walls = new Corner([238, 66], px(radius), angle);
  const [cx, cy] = outer ? ([210, 168] as const) : walls.centre(0, px(radius));
  const path = px(Math.max(0, outer ? radius + diameter / 2 : radius - diameter / 2));
  // The cutter stands on the bisector; its contact is at the middle of the bend.
  const [mx, my] = outer ? add([cx, cy], [-Math.SQRT1_2, -Math.SQRT1_2], path) : add([cx, cy], walls.bisector, -path);
  const turn = outer ? -45 : 90 - angle / 2;
  const stock = cleaning
    ? (() => {
        const [[a, b], [c, d]] = [walls.ends(0, px(before)), walls.ends(0, px(radius))];
        const [rb, rc] = [px(before), px(radius)];
        return `M${at(a)}A${rb} ${rb} 0 0 1 ${at(b)}L${at(d)}A${rc} ${rc} 0 0 0 ${at(c)}Z`;
      })()
    : `M${walls.line(px(width), px(Math.max(0, radius - width)))}L${walls.line(0, px(radius), true)}Z`;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={
        `In the bend: arc ${units.text(figure(result, 'bendArc') || figure(result, 'arc'), 'angle')} ` +
        `against ${units.text(figure(result, 'arc'), 'angle')} on the straight`
      }
    >
      <Hatch id="h3" />
      {outer ? (
        <>
          <circle cx={cx} cy={cy} r={px(radius + width)} fill="var(--stock)" stroke="var(--stock-edge)" />
          <circle cx={cx} cy={cy} r={px(radius)} fill="var(--solid)" stroke="var(--ink)" />
          <circle cx={cx} cy={cy} r={px(radius)} fill="url(#h3)" />
        </>
      ) : (
        <>
          <Stock d={stock} />
          <Solid d={`M${walls.line(0, px(radius))}L${W + FAR} ${H + FAR}L${W + FAR} -${FAR}L-${FAR} -${FAR}Z`} hatch="h3" />
        </>
      )}
      {path > 1 && <circle cx={cx} cy={cy} r={path} fill="none" stroke="var(--accent)" strokeDasharray="5 3" />}
      <g transform={`rotate(${turn} ${mx} ${my})`}>
        <CutterInCut cx={mx} cy={my} r={px(diameter / 2)} teeth={cutter.dimensions!.ZEFF ?? 1} entry={0} exit={arc} colour={colour} />
      </g>
      <Label x={8} y={H - 62} colour={colour}>
        <SymbolText text="φ_b" /> {units.text(figure(result, 'bendArc') || figure(result, 'arc'), 'angle')}
      </Label>
      {!cleaning && (
        <Label x={8} y={H - 46}>
          straight {units.text(figure(result, 'arc'), 'angle')}
        </Label>
      )}
      {cleaning && (
        <Label x={8} y={H - 46} accent>
          leftover {units.text(figure(result, 'leftover'), 'length')}
        </Label>
      )}
      <Label x={8} y={H - 30} accent>
        <SymbolText text="R_c" /> {units.text(radius, 'length')}
      </Label>
      <Label x={8} y={H - 10}>
        {cleaning ? 'corner' : 'bend'}, along the axis
      </Label>
    </svg>
  );
}
