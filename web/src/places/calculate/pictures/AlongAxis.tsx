import { useUnits } from '../../../parts/session';
import type { Picture } from '../page';
import { colourOf, CutterInCut, fieldValue, figure, Hatch, Label, radians, Solid, Stock, SymbolText, type Drawn } from './parts';

const [W, H] = [350, 262];
const [CX, CY, R] = [212, 130, 78];

// Whether material stays above and below the cut.
const WALLS: Partial<Record<Picture, [above: boolean, below: boolean]>> = {
  wall: [true, false],
  plunge: [true, false],
  pocket: [true, false],
  slot: [true, true],
  ramp: [true, true],
  face: [false, false],
};

/**
 * Along the spindle axis: the cutter turns clockwise and climbs, with width, arc of engagement, teeth and the chip of one tooth.
 * Lengths are true to scale; only the chip's thickness is exaggerated.
 */
export function AlongAxis(drawn: Drawn) {
  const units = useUnits();
  const { result, picture } = drawn;
  const inHole = picture === 'helix' || picture === 'loops';
  const arc = figure(result, 'arc');
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={
        `Seen along the spindle axis: width ${units.text(figure(result, 'width'), 'length')}` +
        `, arc of engagement ${units.text(arc, 'angle')}`
      }
    >
      <Hatch id="h1" />
      {inHole ? <InHole {...drawn} /> : <Straight {...drawn} />}
      <Label x={8} y={H - 26}>
        <SymbolText text="h_m" /> {units.text(figure(result, 'meanChip'), 'chip')}
      </Label>
      <Label x={8} y={H - 10}>
        <SymbolText text="h_max" /> {units.text(figure(result, 'largestChip'), 'chip')}
      </Label>
      <Label x={W} y={H - 10} anchor="end">
        along the axis · chip thicker
      </Label>
    </svg>
  );
}

function Straight({ result, cutter, picture }: Drawn) {
  const units = useUnits();
  const [entry, exit] = [radians(figure(result, 'entryAngle')), radians(figure(result, 'exitAngle'))];
  const diameter = figure(result, 'diameter');
  const scale = (2 * R) / diameter;
  const [above, below] = WALLS[picture] ?? [true, false];
  const plunge = picture === 'plunge';
  // In a plunge the stock lies beside the wall and the feed runs into the paper.
  const [top, bottom] = plunge ? [CY - R, CY - R + figure(result, 'width') * scale] : [CY - R * Math.cos(entry), CY - R * Math.cos(exit)];
  const colour = colourOf(result, 'largestChip');
  const x = (y: number) => CX - Math.sqrt(Math.max(0, R * R - (CY - y) ** 2));
  const through = Array.from({ length: 33 }, (_, i) => bottom + ((top - bottom) * i) / 32);
  const offset = fieldValue(result, 'offset') * scale;
  const feedAt = below ? CY + 48 : 216;
  return (
    <>
      <Stock d={`M0 ${top}V${bottom}L${through.map((y) => `${x(y).toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`} />
      {above && <Solid d={`M0 8H${W}V${top}H0Z`} hatch="h1" />}
      {below && <Solid d={`M0 ${H - 36}H${W}V${bottom}H0Z`} hatch="h1" />}
      {!above && <path d={`M0 ${top}H${CX}M0 ${bottom}H${CX}`} stroke="var(--ink)" strokeWidth="1.1" />}
      <CutterInCut cx={CX} cy={CY} r={R} teeth={cutter.dimensions!.ZEFF ?? 1} entry={entry} exit={exit} colour={colour} even={plunge} />
      {picture === 'face' && Math.abs(offset) > 2 && (
        <g stroke="var(--accent)" fill="none">
          <path d={`M${CX - 40} ${(top + bottom) / 2}H${CX + 14}`} strokeDasharray="4 3" />
          <path d={`M${CX + 8} ${(top + bottom) / 2}V${CY}`} />
        </g>
      )}
      <Label x={CX + 8} y={CY - 26} colour={colour} clear>
        <SymbolText text="φ_e" /> {units.text(figure(result, 'arc'), 'angle')}
      </Label>
      <path d={`M22 ${top}V${bottom}M15 ${top}h14M15 ${bottom}h14`} stroke="var(--accent)" />
      <Label x={34} y={bottom - top > 16 ? (top + bottom) / 2 + 4 : bottom + 14} accent>
        <SymbolText text="a_e" /> {units.text(plunge || picture === 'face' ? figure(result, 'width') : (bottom - top) / scale, 'length')}
      </Label>
      {above && (
        <Label x={8} y={top > 40 ? top - 8 : 24} colour="var(--ink)">
          {below ? 'walls of the slot' : 'wall'}
        </Label>
      )}
      {!plunge && <path d={`M92 ${feedAt}H34m7 -5l-7 5l7 5`} stroke="var(--muted)" fill="none" />}
      <Label x={plunge ? 34 : 100} y={feedAt + 4}>
        {plunge ? 'feed into the paper, ' : ''}
        {units.text(figure(result, 'feedRate'), 'feedRate')}
      </Label>
    </>
  );
}

/** The cutter inside a hole or a wide slot whose wall it makes. */
function InHole({ result, cutter, picture }: Drawn) {
  const units = useUnits();
  const loops = picture === 'loops';
  const diameter = loops ? fieldValue(result, 'slotWidth') : fieldValue(result, 'holeDiameter');
  const [big, cx, cy] = [104, 224, 116];
  const scale = (2 * big) / diameter;
  const r = (cutter.dimensions!.DC! / 2) * scale;
  const colour = colourOf(result, 'largestChip');
  const stock = loops ? big - figure(result, 'loopStep') * scale : (fieldValue(result, 'holeBefore') / 2) * scale;
  // The cutter stands at the head of its loop, on the left.
  const [mx, my] = [cx, cy - (big - r)];
  return (
    <>
      <Solid d={`M0 8H${W}V${H - 38}H0Z`} hatch="h1" />
      <circle cx={cx} cy={cy} r={big} fill="var(--stock)" stroke="var(--ink)" strokeWidth="1.1" />
      {stock > 1 && <circle cx={cx} cy={cy} r={Math.max(0, stock)} fill="var(--paper)" stroke="var(--stock-edge)" strokeWidth=".8" />}
      <circle cx={cx} cy={cy} r={big - r} fill="none" stroke="var(--accent)" strokeDasharray="5 3" />
      <CutterInCut
        cx={mx}
        cy={my}
        r={r}
        teeth={cutter.dimensions!.ZEFF ?? 1}
        entry={radians(figure(result, 'entryAngle'))}
        exit={radians(figure(result, 'exitAngle'))}
        colour={colour}
      />
      <Label x={8} y={26} colour="var(--ink)">
        {loops ? 'slot' : 'hole'} {units.size(diameter)}
      </Label>
      <Label x={8} y={44} accent>
        path {units.text(loops ? 2 * figure(result, 'loopRadius') : figure(result, 'pathDiameter'), 'length')}
      </Label>
      <Label x={8} y={62} colour={colour}>
        <SymbolText text="φ_e" /> {units.text(figure(result, 'arc'), 'angle')}
      </Label>
      <Label x={8} y={80}>
        {loops ? 'step' : 'a turn'} {units.text(loops ? figure(result, 'loopStep') : figure(result, 'depthInTurn'), 'length')}
      </Label>
      <Label x={8} y={98}>
        rim {units.text(figure(result, 'rimFeed'), 'feedRate')}
      </Label>
      <Label x={8} y={116}>
        centre {units.text(figure(result, 'feedRate'), 'feedRate')}
      </Label>
    </>
  );
}
