import { useUnits } from '../../../parts/session';
import type { Shown } from '../page';
import { colourOf, figure, Hatch, Label, radians, Solid, SymbolText } from '../pictures/parts';

const H = 262;
const SIDE = 260;

/** The chip between where the edge stood a turn before and where it stands, seen on the rake face: feed to the left, the work below. */
export function Chip({ result, cutter, operation }: Shown) {
  const units = useUnits();
  const blade = cutter.dimensions!.CW !== undefined;
  const [f, depth] = [figure(result, 'feedInUse'), figure(result, 'depth')];
  const colour = colourOf(result, blade ? 'largestFormingFeed' : 'cornerFeed');
  return (
    <svg viewBox={`0 0 ${SIDE} ${H}`} preserveAspectRatio="xMidYMin" role="img" aria-label={`The chip: ${units.text(f, 'chip')} a turn`}>
      {blade ? (
        <Straight f={f} depth={depth} colour={colour} />
      ) : (
        <Corner result={result} cutter={cutter} operation={operation} colour={colour} />
      )}
      <Label x={10} y={H - 43} accent>
        <SymbolText text="a_p" /> {units.text(depth, 'length')} · f {units.text(f, 'chip')}
      </Label>
      <Label x={10} y={H - 23} colour={colour}>
        <SymbolText text="h_max" /> {units.text(figure(result, 'largestChip'), 'chip')}, edge{' '}
        {units.text(figure(result, 'edgeLength'), 'length')}
        {figure(result, 'thinChip') > 0 && ' up the side'}
      </Label>
      <Label x={SIDE} y={H - 4} anchor="end">
        chip of one turn at the edge
      </Label>
    </svg>
  );
}

function Straight({ f, depth, colour }: { f: number; depth: number; colour: string }) {
  const scale = Math.min(190 / depth, 60 / f);
  const [w, h] = [depth * scale, Math.max(2, f * scale)];
  const [left, top] = [(SIDE - w) / 2, 96];
  return (
    <>
      <path d={`M${left} 20V${top}H${left + w}V20`} fill="var(--part)" stroke="var(--ink)" />
      <path d={`M${left} ${top}h${w}v${h}h${-w}Z`} fill={colour} fillOpacity=".75" stroke={colour} />
      <path d={`M${left - 20} ${top + h + 6}h${w + 40}`} stroke="var(--muted)" strokeDasharray="4 3" />
    </>
  );
}

function Corner({ result, cutter, operation, colour }: Pick<Shown, 'result' | 'cutter' | 'operation'> & { colour: string }) {
  const d = cutter.dimensions!;
  const round = cutter.picks?.insert === 'R';
  const tip = { C: 80, D: 55, V: 35, S: 90, T: 60, W: 80 }[cutter.picks?.insert ?? ''] ?? 90;
  const across = operation.picture === 'turnedFace';
  const r = round ? d.IC! / 2 : d.RE!;
  const lead = round ? 90 : across ? 270 - d.KAPR! - tip : d.KAPR!;
  const trail = round ? 90 : 180 - lead - tip;
  const [f, depth] = [figure(result, 'feedInUse'), figure(result, 'depth')];
  // Feed to the left, so that the leading edge rises on the left of the corner and the trailing one on its right.
  const scale = Math.min(140 / Math.max(depth, r, 2 * f), 170 / (r + 3 * f + depth * 0.4));
  const [k, t] = [radians(Math.min(lead, 118)), radians(Math.max(0, trail))];
  const top = Math.max(depth, r) * 1.12;
  const edge = (moved: number): string => {
    const X = (mm: number) => (130 - (mm - moved) * scale).toFixed(2);
    const Y = (mm: number) => (192 - mm * scale).toFixed(2);
    // From the trailing edge round the corner to the leading one.
    const [x1, y1] = [-r * Math.sin(t), r - r * Math.cos(t)];
    const [x2, y2] = [r * Math.sin(k), r - r * Math.cos(k)];
    const end = Math.max(0, (top - y2) / Math.tan(k));
    const far = lead >= 90 ? x2 + (top - y2) / Math.tan(k) : x2 + end;
    const back = (top - y1) / Math.max(Math.tan(t), 0.05);
    return (
      `M${X(x1 - Math.min(back, r + depth))} ${Y(y1 + Math.min(back, r + depth) * Math.tan(t))}L${X(x1)} ${Y(y1)}` +
      `A${r * scale} ${r * scale} 0 0 1 ${X(x2)} ${Y(y2)}${top > y2 ? `L${X(far)} ${Y(top)}` : ''}`
    );
  };
  const surface = 192 - depth * scale;
  return (
    <>
      <Hatch id="h-chip" />
      <clipPath id="chip-depth">
        <rect x="0" y={surface} width={SIDE} height={192 - surface + 1} />
      </clipPath>
      <Solid d={`M10 ${surface}H130V192H${SIDE - 10}V206H10Z`} hatch="h-chip" />
      <path d={`${edge(0)}H${SIDE}Z`} fill="var(--sheet)" />
      <g clipPath="url(#chip-depth)">
        <path d={`${edge(0)}H${SIDE}Z`} fill={colour} fillOpacity=".75" />
        <path d={`${edge(f)}H${SIDE}Z`} fill="var(--sheet)" />
      </g>
      <path d={edge(f)} fill="none" stroke="var(--muted)" strokeDasharray="4 3" />
      <path d={edge(0)} fill="none" stroke="var(--ink)" strokeWidth="1.3" />
      <path d={`M40 ${surface - 14}H10l7 -4M10 ${surface - 14}l7 4`} stroke="var(--muted)" fill="none" />
      <Label x={46} y={surface - 10}>
        feed
      </Label>
    </>
  );
}
