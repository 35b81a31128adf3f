import { helixOf, ProfileShapes } from '../../../parts/Silhouette';
import { useUnits } from '../../../parts/session';
import type { AssemblySheet } from '../../../parts/shelf';
import { colourOf, fieldValue, figure, Hatch, Label, niceFactor, Solid, Stock, SymbolText, type Drawn } from './parts';

const [W, H] = [290, 262];
const AXIS = 170;

/** How the work stands beside the tool: heights left and right of it, and the block about to be cut. */
function workOf({ result, picture, cutter }: Drawn) {
  const [depth, width] = [figure(result, 'depth'), figure(result, 'width')];
  const height = fieldValue(result, 'wallHeight') || fieldValue(result, 'stockHeight') || depth;
  const half = (cutter.dimensions!.DC ?? cutter.dimensions!.DCX ?? 10) / 2;
  switch (picture) {
    case 'face':
      return { left: 0, right: 0, height: depth, from: -half, to: half * 3, deep: depth, half };
    case 'slot':
    case 'ramp':
    case 'pocket':
      return {
        left: height,
        right: height,
        height,
        from: half,
        to: half,
        deep: 0,
        half: Math.max(half, fieldValue(result, 'slotWidth') / 2),
      };
    case 'helix':
    case 'loops': {
      const hole = (fieldValue(result, 'holeDiameter') || fieldValue(result, 'slotWidth')) / 2;
      return { left: height, right: height, height, from: half, to: half, deep: 0, half: hole };
    }
    case 'plunge':
      return { left: 0, right: height, height, from: half - width, to: half, deep: height, half };
    case 'surface':
      return {
        left: 0,
        right: 0,
        height: fieldValue(result, 'stockWidth'),
        from: 0,
        to: half * 3,
        deep: fieldValue(result, 'stockWidth'),
        half,
      };
    case 'engraving':
      return {
        left: figure(result, 'tipDepth'),
        right: figure(result, 'tipDepth'),
        height: figure(result, 'tipDepth'),
        from: 0,
        to: 0,
        deep: 0,
        half: 0,
      };
    case 'chamfer':
      return {
        left: 0,
        right: figure(result, 'tipDepth'),
        height: figure(result, 'tipDepth'),
        from: 0,
        to: 0,
        deep: 0,
        half: figure(result, 'lowerDiameter') / 2,
      };
    default:
      return { left: 0, right: height, height, from: half - width, to: half, deep: depth, half };
  }
}

/** From the side: the assembly in the work, with depth, reach, and the tip's deflection exaggerated. */
export function FromSide(props: Drawn & { assembly: AssemblySheet }) {
  const { result, cutter, picture } = props;
  const { profile } = props.assembly.looks;
  const { projection, number } = props.assembly.definition;
  const units = useUnits();
  const work = workOf(props);
  const deflection = figure(result, 'deflection');
  const depth =
    picture === 'chamfer' || picture === 'engraving'
      ? figure(result, 'tipDepth')
      : picture === 'surface'
        ? work.height
        : figure(result, 'depth');
  const shown = Math.max(projection * 1.4, Math.min(work.height, projection * 2) * 1.1);
  const scale = Math.min((H - 42) / shown, 190 / profile.girth, 9);
  const floor = H - 26;
  const y = (mm: number) => floor - mm * scale;
  const x = (mm: number) => AXIS + mm * scale;
  const colour = colourOf(result, 'deflection');
  const factor = niceFactor((deflection / 1000) * scale);
  const bend = (deflection / 1000) * scale * factor;
  const nose = y(projection);
  const block = (from: number, to: number, height: number) => `M${x(from)} ${floor}V${y(height)}H${x(to)}V${floor}Z`;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`Seen from the side: depth ${units.text(depth, 'length')}, deflection ${units.text(deflection, 'deviation')}`}
    >
      <Hatch id="h2" />
      <clipPath id="top">
        <rect x="0" y="4" width={W} height={floor - 4} />
      </clipPath>
      <Solid d={`M4 ${floor}H${W - 4}v14H4Z`} hatch="h2" />
      <g clipPath="url(#top)">
        {work.right > 0 && (
          <Solid d={picture === 'chamfer' ? chamfered(props, x, y, floor) : block(work.half, 200, work.right)} hatch="h2" />
        )}
        {work.left > 0 && <Solid d={block(-200, -work.half, work.left)} hatch="h2" />}
        {work.deep > 0 && <Stock d={block(work.from, work.to, work.deep)} />}
        <g transform={`translate(${AXIS} ${floor}) rotate(-90) scale(${scale})`}>
          <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
        </g>
      </g>
      <g stroke="var(--accent)" fill="none">
        <path d={`M74 ${floor}V${y(depth)}M68 ${floor}h12M68 ${y(depth)}h12`} />
        <path d={`M80 ${y(depth)}H${x(work.to || work.half)}`} strokeDasharray="2 3" />
      </g>
      <Label x={66} y={Math.min((floor + y(depth)) / 2 + 4, floor - 2)} anchor="end" accent>
        <SymbolText text={picture === 'surface' ? 't_s' : picture === 'chamfer' || picture === 'engraving' ? 't_t' : 'a_p'} />{' '}
        {units.number(depth, 'length')}
      </Label>
      <path d={`M100 ${floor}V${nose}M94 ${nose}h12`} stroke="var(--muted)" fill="none" />
      <Label x={92} y={nose + 13} anchor="end">
        out {units.number(projection, 'length')}
      </Label>
      <path
        d={`M${AXIS} ${nose}Q${AXIS} ${(nose + floor) / 2} ${AXIS - bend} ${floor}`}
        stroke={colour}
        fill="none"
        strokeDasharray="4 3"
        strokeWidth="1.4"
      />
      <Label x={W - 6} y={Math.max(y(work.height) - 20, 26)} anchor="end" colour={colour} clear>
        {units.text(deflection, 'deviation')} ×{factor}
      </Label>
      {work.height > depth && (
        <Label x={W - 6} y={Math.max(y(work.height) - 6, 40)} anchor="end">
          {picture === 'wall' ? 'wall' : 'deep'} {units.number(work.height, 'length')}
        </Label>
      )}
      <Label x={6} y={15}>
        {number}
      </Label>
      <Label x={6} y={H - 2}>
        from the side · {profile.length * scale > floor ? 'holder cut off above' : 'whole assembly'}
      </Label>
    </svg>
  );
}

// The edge with its chamfer, beside the cone.
function chamfered({ result }: Drawn, x: (mm: number) => number, y: (mm: number) => number, floor: number): string {
  const [low, top] = [figure(result, 'lowerDiameter') / 2, figure(result, 'diameter') / 2];
  return `M${x(low)} ${floor}V${y(fieldValue(result, 'tipBelow'))}L${x(top)} ${y(figure(result, 'tipDepth'))}H${x(200)}V${floor}Z`;
}
