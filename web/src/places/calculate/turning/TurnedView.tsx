import type { ReactNode } from 'react';
import { attached, extra } from '../../../api/beside';
import { useUnits } from '../../../parts/session';
import { inPieces, type Element } from '../../../parts/outline';
import { ProfileShapes } from '../../../parts/Silhouette';
import type { Shown } from '../page';
import { colourOf, fieldValue, figure, Hatch, Label, Solid, Stock, SymbolText } from '../pictures/parts';
import { Chip } from './Chip';

const [W, H] = [360, 262];

/** The tool at the work in its spindle, true to scale, and beside it the chip at the edge. */
export function TurnedView(page: Shown) {
  return (
    <div className="pictures">
      <AtWork {...page} />
      <Chip {...page} />
    </div>
  );
}

/** What is drawn of the work, from the chuck outwards, both sides of the axis. */
interface Scene {
  /** How far everything reaches along the axis, and its largest diameter, mm. */
  long: number;
  wide: number;
  solid: (place: Place) => string;
  stock: (place: Place) => string;
  /** The blank of a forging: the contour as it lies within, and the stock along it, mm. */
  forged?: { along: (place: Place) => string; even: number } | undefined;
  /** Where the tip of the tool stands, mm from the chuck, and its diameter. */
  tip: [z: number, diameter: number];
  labels: (place: Place) => ReactNode;
}

interface Place {
  x: (z: number) => number;
  /** Above the axis. */
  y: (diameter: number) => number;
}

// A ring or a disc seen from the side, both halves of it.
const ring = ({ x, y }: Place, from: number, to: number, outer: number, bore = 0): string =>
  (bore > 0 ? [1, -1] : [1]).map((s) => `M${x(from)} ${y(s * outer)}H${x(to)}V${y(bore > 0 ? s * bore : -outer)}H${x(from)}Z`).join('');

function AtWork(page: Shown) {
  const { result, operation, assembly } = page;
  const units = useUnits();
  const scene = sceneOf(page, (mm) => units.text(mm, 'length'));
  const inside = isInside(page);
  const stands = fieldValue(result, 'standsOut');
  const gripped = fieldValue(result, 'grippedDiameter');
  // Room for the jaws on the left and for the tool beside the work.
  const scale = Math.min((W - 110) / (scene.long + (inside || isIntoFace(page) ? 30 : 0)), 118 / Math.max(scene.wide, gripped));
  const axis = inside ? 112 : 144;
  const place: Place = { x: (z) => 36 + z * scale, y: (d) => axis - (d / 2) * scale };
  const { x, y } = place;
  const jaw = Math.max(gripped, 1);
  const held = result.options.support;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`${operation.name}: the tool at the work, to scale`}
    >
      <Hatch id="h-turned" />
      <clipPath id="turned-at-work">
        <rect x="0" y="4" width={W} height={H - 24} />
      </clipPath>
      <g clipPath="url(#turned-at-work)">
        {scene.forged &&
          // Even stock is the contour drawn as broad as that: its inner half lies under the work.
          [1.6, 0].map((rim) => (
            <path
              key={rim}
              d={scene.forged!.along(place)}
              fill="none"
              stroke={rim ? 'var(--stock-edge)' : 'var(--stock)'}
              strokeWidth={2 * scene.forged!.even * scale + rim}
              strokeLinejoin="round"
            />
          ))}
        <Solid d={scene.solid(place)} hatch="h-turned" />
        <Stock d={scene.stock(place)} />
        {[1, -1].map((s) => (
          <path
            key={s}
            d={`M2 ${y(s * (jaw + 34 / scale))}H26V${y(s * (jaw + 18 / scale))}H34V${y(s * jaw)}H2Z`}
            fill="var(--holder)"
            stroke="var(--ink)"
            strokeWidth=".9"
          />
        ))}
        {held === 'centre' && (
          <path d={`M${x(stands) - 5} ${axis}l16 -10h24v20h-24Z`} fill="var(--part)" stroke="var(--ink)" strokeWidth=".9" />
        )}
        {held === 'steady' &&
          [1, -1].map((s) => (
            <path
              key={s}
              d={`M${x(fieldValue(result, 'steadyAt'))} ${y(s * fieldValue(result, 'bodyDiameter'))}l-4 ${-9 * s}v${-14 * s}h8v${14 * s}Z`}
              fill="var(--part)"
              stroke="var(--ink)"
              strokeWidth=".9"
            />
          ))}
        <path d={`M0 ${axis}H${W}`} stroke="var(--muted)" strokeDasharray="8 3 2 3" />
        <g
          transform={`translate(${x(scene.tip[0])} ${y(scene.tip[1])}) ${inside || isIntoFace(page) ? '' : 'rotate(-90)'} scale(${scale} ${-scale})`}
        >
          <ProfileShapes profile={assembly.looks.profile} pixel={1 / scale} />
        </g>
      </g>
      {scene.labels(place)}
      <path d={`M${x(0)} ${H - 25}H${x(stands)}M${x(0)} ${H - 29}v8M${x(stands)} ${H - 29}v8`} stroke="var(--accent)" />
      <Label x={(x(0) + x(stands)) / 2} y={H - 29} anchor="middle" accent clear>
        <SymbolText text="l_w" /> {units.text(stands, 'length')}
      </Label>
      <Label x={W} y={H - 4} anchor="end">
        work, edge and shank to scale
      </Label>
    </svg>
  );
}

// The finished contour on both sides of the axis, from the free end.
function contourOf({ x, y }: Place, contour: readonly Element[], out: number, left: number, s: number): string {
  const point = (z: number, r: number) => `${x(out - z)} ${y(s * Math.max(0, 2 * (r + left)))}`;
  const first = contour[0]!;
  const along = contour.flatMap((e) => inPieces(e, e.bulge ? 12 : 1).map(([z, r]) => `L${point(z, r)}`)).join('');
  return `M${point(first.fromZ, first.fromR)}${along}`;
}

// Work between its finished contour, on both sides of the axis, and its other surface; the contour runs from the free end.
function turnedBody(place: Place, contour: readonly Element[], out: number, left: number, other: number): string {
  const { x, y } = place;
  return [1, -1].map((s) => `${contourOf(place, contour, out, left, s)}V${y(s * other)}H${x(out)}Z`).join('');
}

const isInside = ({ cutter }: Shown): boolean => cutter.family === 'insideTurningTool' || cutter.family === 'insideGroovingTool';
const isIntoFace = ({ cutter }: Shown): boolean => cutter.family === 'faceGroovingBlade';

function sceneOf(page: Shown, text: (mm: number) => string): Scene {
  switch (page.operation.picture) {
    case 'turnedFace':
      return faced(page, text);
    case 'turnedGroove':
      return isInside(page) ? groovedBore(page, text) : isIntoFace(page) ? groovedFace(page, text) : plunged(page, text);
    case 'partOff':
      return plunged(page, text);
    default:
      return alongWork(page, text);
  }
}

// The steps that are turned, from the free end, each with where it begins and ends from the chuck, and what is left on it.
function stepsOf(page: Shown): { from: number; to: number; diameter: number }[] {
  const { result, extras, operation } = page;
  const steps = (operation.extras.includes('turnedOutline') && extra(extras, 'turnedOutline')?.steps) || [];
  const left = fieldValue(result, 'stockLeft') * (isInside(page) ? -1 : 1);
  let to = fieldValue(result, 'standsOut');
  const all = steps.length > 0 ? steps : [{ diameter: fieldValue(result, 'endDiameter'), length: fieldValue(result, 'length') }];
  return all.map(({ diameter, length }) => {
    const step = { from: to - length, to, diameter: diameter + 2 * left };
    to -= length;
    return step;
  });
}

// Along the work or a bore: the tool half-way in the last pass, at the free end of the outline.
function alongWork(page: Shown, text: (mm: number) => string): Scene {
  const { result } = page;
  const inside = isInside(page);
  const [before, out, body] = [fieldValue(result, 'startDiameter'), fieldValue(result, 'standsOut'), fieldValue(result, 'bodyDiameter')];
  const steps = stepsOf(page);
  const [first, last] = [steps[0]!, steps.at(-1)!];
  const depth = figure(result, 'depth');
  const at = (first.from + first.to) / 2;
  const raw = first.diameter + (inside ? -2 : 2) * depth;
  const bore = fieldValue(result, 'workBore');
  const contour = attached(result.attachments, 'finishedContour')?.pieces;
  const left = fieldValue(result, 'stockLeft') * (inside ? -1 : 1);
  const even = contour ? fieldValue(result, 'evenStock') : 0;
  return {
    long: out,
    wide: Math.max(inside ? 0 : before, body),
    forged: even > 0 ? { even, along: (p) => [1, -1].map((s) => contourOf(p, contour!, out, 0, s)).join('') } : undefined,
    solid: (p) =>
      ring(p, -34, last.from, body, inside ? Math.min(before, last.diameter) : bore) +
      (contour
        ? turnedBody(p, contour, out, left, inside ? body : bore)
        : ring(p, first.from, first.to, inside ? body : first.diameter, inside ? first.diameter : bore)),
    stock: (p) => ring(p, first.from, at, Math.max(raw, first.diameter), Math.min(raw, first.diameter)),
    tip: [at, first.diameter],
    labels: ({ x, y }) => (
      <>
        <Label x={x(out) + 4} y={y(-first.diameter) + (inside ? 4 : 12)} accent clear>
          Ø{text(first.diameter)}
        </Label>
        <Label x={x(last.from) + 3} y={y(-Math.max(inside ? 0 : before, body)) + 13} clear>
          {even > 0 ? `${text(even)} all along, to Ø${text(before)}` : `from Ø${text(before)}`}
          {steps.length > 1 && `, ${steps.length} diameters`}
        </Label>
      </>
    ),
  };
}

// Towards the axis: the tool half-way in the last pass.
function faced({ result }: Shown, text: (mm: number) => string): Scene {
  const [d1, bore, out] = [fieldValue(result, 'startDiameter'), fieldValue(result, 'workBore'), fieldValue(result, 'standsOut')];
  const [left, depth, body] = [fieldValue(result, 'stockLeft'), figure(result, 'depth'), fieldValue(result, 'bodyDiameter')];
  const face = out - fieldValue(result, 'stockHeight') + left;
  const at = (d1 + bore) / 2;
  return {
    long: out,
    wide: Math.max(d1, body),
    solid: (p) => ring(p, -34, Math.max(0, face - 12), body, bore) + ring(p, Math.max(0, face - 12), face, d1, bore),
    stock: (p) => ring(p, face, face + depth, at, bore),
    tip: [face, at],
    labels: ({ x, y }) => (
      <>
        <Label x={x(face) + 6} y={y(-d1) + 2} accent clear>
          Ø{text(d1)}
        </Label>
        <Label x={x(face) + 6} y={y(-d1) - 12} clear>
          to {bore > 0 ? `Ø${text(bore)}` : 'the middle'}
        </Label>
      </>
    ),
  };
}

// Straight in with a blade: at the bottom of the groove, or at the end of the cut, where its shank comes nearest to a shoulder.
function plunged({ result, cutter, operation }: Shown, text: (mm: number) => string): Scene {
  const [d1, out, bore] = [fieldValue(result, 'startDiameter'), fieldValue(result, 'standsOut'), fieldValue(result, 'workBore')];
  const off = operation.picture === 'partOff';
  const width = off ? cutter.dimensions!.CW! : fieldValue(result, 'slotWidth');
  const bottom = off ? 0 : figure(result, 'innerDiameter');
  const right = out - fieldValue(result, 'length');
  const from = right - width;
  const [shoulder, gap] = [fieldValue(result, 'shoulderDiameter'), fieldValue(result, 'shoulderGap')];
  const body = Math.max(shoulder, shoulder > 0 ? 0 : fieldValue(result, 'bodyDiameter'));
  const needed = figure(result, 'gapNeeded');
  // What the blade cut back first, down to where its shank stays outside.
  const relieved = off && result.options.shoulder === 'relieved' && needed > gap;
  const near = off && shoulder > 0 ? Math.max(0, from - (relieved ? needed : gap)) : Math.max(0, from - 6);
  const foot = Math.min(shoulder, bottom + 2 * (cutter.dimensions!.CDX ?? 0));
  const colour = colourOf(result, off ? 'shoulderGap' : 'bladeReach');
  return {
    long: out,
    wide: Math.max(d1, body),
    solid: (p) =>
      ring(p, -34, near, body, bore) +
      ring(p, near, from, d1, bore) +
      (relieved ? ring(p, near, from - gap, foot, bore) : '') +
      (bottom > bore ? ring(p, from, right, bottom, bore) : '') +
      ring(p, right, out, d1, bore),
    stock: () => '',
    tip: [right - cutter.dimensions!.CW! / 2, Math.max(bottom, off && bore > 0 ? bore : 0)],
    labels: ({ x, y }) => (
      <>
        <Label x={x(out) + 4} y={y(d1) + 2} accent clear>
          Ø{text(d1)}
        </Label>
        {off && shoulder > 0 && (
          <>
            <path
              d={`M${x(near)} ${y(shoulder) - 5}H${x(from)}M${x(near)} ${y(shoulder) - 9}v8M${x(from)} ${y(shoulder) - 9}v8`}
              stroke={colour}
            />
            <Label x={x(right) + 14} y={y(shoulder) + 12} colour={colour} clear>
              <SymbolText text="l_g" /> {text(gap)}, {relieved ? 'cut back to' : 'needs'} {text(needed)}
            </Label>
          </>
        )}
        {!off && (
          <Label x={x(right) + 4} y={y(-bottom) + 4} clear>
            Ø{text(bottom)}, {text(width)} wide
          </Label>
        )}
      </>
    ),
  };
}

// A groove in a bore: the bar at the bottom of the last plunge.
function groovedBore({ result }: Shown, text: (mm: number) => string): Scene {
  const [bore, out, body] = [fieldValue(result, 'startDiameter'), fieldValue(result, 'standsOut'), fieldValue(result, 'bodyDiameter')];
  const [width, bottom] = [fieldValue(result, 'slotWidth'), figure(result, 'innerDiameter')];
  const right = out - fieldValue(result, 'length');
  return {
    long: out,
    wide: body,
    solid: (p) => ring(p, -34, right - width, body, bore) + ring(p, right - width, right, body, bottom) + ring(p, right, out, body, bore),
    stock: () => '',
    tip: [right - width, bottom],
    labels: ({ x, y }) => (
      <>
        <Label x={x(out) + 4} y={y(-bore) + 4} accent clear>
          Ø{text(bore)}
        </Label>
        <Label x={W} y={y(-body) + 16} anchor="end" clear>
          to Ø{text(bottom)}, {text(width)} wide
        </Label>
      </>
    ),
  };
}

// A groove in the face: the blade at the bottom of the plunge at the outer wall.
function groovedFace({ result, cutter }: Shown, text: (mm: number) => string): Scene {
  const [outer, out, bore] = [fieldValue(result, 'startDiameter'), fieldValue(result, 'standsOut'), fieldValue(result, 'workBore')];
  const [width, depth, body] = [fieldValue(result, 'slotWidth'), fieldValue(result, 'depth'), fieldValue(result, 'bodyDiameter')];
  const [inner, bottom] = [outer - 2 * width, out - depth];
  return {
    long: out,
    wide: body,
    solid: (p) => ring(p, -34, bottom, body, bore) + ring(p, bottom, out, body, outer) + ring(p, bottom, out, inner, bore),
    stock: () => '',
    tip: [bottom, outer - cutter.dimensions!.CW!],
    labels: ({ x, y }) => (
      <>
        <Label x={x(out) + 4} y={y(-outer) + 12} accent clear>
          Ø{text(outer)}
        </Label>
        <Label x={x(out) + 4} y={y(-inner) - 4} clear>
          to Ø{text(inner)}, {text(depth)} deep
        </Label>
      </>
    ),
  };
}
