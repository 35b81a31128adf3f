import { attached } from '../../../api/beside';
import { useUnits } from '../../../parts/session';
import { helixOf, ProfileShapes } from '../../../parts/Silhouette';
import type { Shown } from '../page';
import { colourOf, fieldValue, figure, Hatch, Label, radians, Solid, SymbolText } from '../pictures/parts';

const [W, H] = [350, 262];
const SIDE = 270;

/** The way of the cutter round the thread, seen along the axis, and the cutter in the work from the side. */
export function ThreadMillingView(page: Shown) {
  return (
    <div className="pictures">
      <Round {...page} />
      <Side {...page} />
    </div>
  );
}

function Round({ result, cutter }: Shown) {
  const units = useUnits();
  const { inside, leftHand } = attached(result.attachments, 'cutThread')!;
  const [crest, root] = [fieldValue(result, 'crestDiameter') / 2, figure(result, 'rootDiameter') / 2];
  const path = figure(result, 'pathDiameter') / 2;
  const cut = cutter.dimensions!.DC! / 2;
  const reach = inside ? root * 1.25 : path + cut;
  const scale = 106 / reach;
  const [cx, cy] = [126, 122];
  const r = (mm: number) => mm * scale;
  const climb = result.options.climb !== 'conventional';
  const clockwise = (climb && cutter.hand !== 'left') !== inside;
  const turn = clockwise ? 1 : -1;
  // The cutter stands to the upper right; the arc in comes from the axis inside, from beside it outside.
  const stand = radians(-38);
  const on = (radius: number, angle: number) =>
    `${(cx + r(radius) * Math.cos(angle)).toFixed(2)} ${(cy + r(radius) * Math.sin(angle)).toFixed(2)}`;
  const from = radians(150);
  const entry = inside
    ? `M${cx} ${cy}A${r(path / 2)} ${r(path / 2)} 0 0 ${clockwise ? 1 : 0} ${on(path, from)}`
    : `M${on(path + cut, from - turn * 0.5)}L${on(path, from)}`;
  const colour = colourOf(result, 'flankError');
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`The cutter goes ${clockwise ? 'clockwise' : 'counter-clockwise'} on a path of ${units.text(2 * path, 'length')}`}
    >
      <Hatch id="h-round" />
      {inside ? (
        <Solid
          d={`M10 6H242V238H10ZM${cx - r(crest)} ${cy}${[1, -1].map((way) => `a${r(crest)} ${r(crest)} 0 1 0 ${2 * way * r(crest)} 0`).join('')}Z`}
          hatch="h-round"
        />
      ) : (
        <Solid
          d={`M${cx - r(crest)} ${cy}${[1, -1].map((way) => `a${r(crest)} ${r(crest)} 0 1 0 ${2 * way * r(crest)} 0`).join('')}Z`}
          hatch="h-round"
        />
      )}
      <circle cx={cx} cy={cy} r={r(root)} fill="none" stroke="var(--ink)" strokeDasharray="4 3" />
      <circle cx={cx} cy={cy} r={r(path)} fill="none" stroke="var(--accent)" strokeWidth="1.2" />
      <path d={entry} fill="none" stroke="var(--accent)" strokeWidth="1.2" strokeDasharray="3 2" />
      <circle
        cx={cx + r(path) * Math.cos(stand)}
        cy={cy + r(path) * Math.sin(stand)}
        r={r(cut)}
        fill="var(--part)"
        fillOpacity=".75"
        stroke={colour}
        strokeWidth="1.6"
      />
      <path d={arrow(cx, cy, r(path), stand + turn * 0.25, turn)} stroke="var(--accent)" fill="none" strokeWidth="1.6" />
      <path d={`M${cx - 5} ${cy}h10M${cx} ${cy - 5}v10`} stroke="var(--muted)" />
      <Label x={W - 4} y={16} anchor="end" accent clear>
        <SymbolText text="D_p" /> {units.text(2 * path, 'length')}
      </Label>
      <Label x={W - 4} y={32} anchor="end" clear>
        <SymbolText text="v_f" /> {units.text(figure(result, 'feedRate'), 'feedRate')}
      </Label>
      <Label x={W - 4} y={48} anchor="end" clear>
        rim {units.text(figure(result, 'rimFeed'), 'feedRate')}
      </Label>
      <Label x={14} y={20} colour={colour} clear>
        <SymbolText text="ε" /> {units.text(figure(result, 'flankError'), 'deviation')}
      </Label>
      <Label x={W} y={H - 4} anchor="end">
        seen from above · {clockwise === Boolean(leftHand) ? 'up and out' : 'down'} · {climb ? 'climb' : 'conventional'}
      </Label>
    </svg>
  );
}

function Side({ result, cutter, assembly }: Shown) {
  const units = useUnits();
  const thread = attached(result.attachments, 'cutThread')!;
  const { inside, pitch, taper } = thread;
  const { profile } = assembly.looks;
  const [crest, root] = [fieldValue(result, 'crestDiameter') / 2, figure(result, 'rootDiameter') / 2];
  const path = figure(result, 'pathDiameter') / 2;
  const [deep, tip] = [fieldValue(result, 'depth'), figure(result, 'programmedDepth')];
  const through = result.options.end === 'through';
  const bottom = inside && !through ? Math.max(fieldValue(result, 'depthOfHoleBefore'), tip) : tip * 1.1;
  const outer = inside ? root * 1.7 : path + cutter.dimensions!.DC!;
  const scale = Math.min(150 / (bottom + 4), 92 / outer);
  const [cx, top] = [158, 84];
  const x = (radius: number) => cx + radius * scale;
  const y = (depth: number) => top + depth * scale;
  const lean = (depth: number) => ((inside ? -taper : taper) / 2) * depth;
  const pitches = Math.min(60, Math.max(1, Math.round(deep / pitch)));
  const step = deep / pitches;
  const flank = (side: 1 | -1) =>
    Array.from({ length: pitches }, (_, i) => {
      const [a, b] = [(i + 0.5) * step, (i + 1) * step];
      return `L${x(side * (root + lean(a)))} ${y(a)}L${x(side * (crest + lean(b)))} ${y(b)}`;
    }).join('');
  const floor = y(bottom);
  const base = Math.min(H - 22, floor + 22);
  const half = (side: 1 | -1) =>
    inside
      ? `M${x(side * outer)} ${top}H${x(side * crest)}${flank(side)}V${through ? base : floor}${through ? '' : `H${cx}V${base}`}H${x(side * outer)}Z`
      : `M${cx} ${top}H${x(side * crest)}${flank(side)}V${floor}H${x(side * outer)}V${base}H${cx}Z`;
  return (
    <svg
      viewBox={`0 0 ${SIDE} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`The cutter in the work, thread ${thread.text}`}
    >
      <Hatch id="h-side" />
      <clipPath id="mill-side">
        <rect x="0" y="4" width={SIDE} height={H - 24} />
      </clipPath>
      <g clipPath="url(#mill-side)">
        <Solid d={half(1)} hatch="h-side" />
        <Solid d={half(-1)} hatch="h-side" />
        <g transform={`translate(${x(path)} ${y(tip)}) rotate(-90) scale(${scale})`}>
          <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
        </g>
        <path d={`M${cx} 4V${H - 22}`} stroke="var(--muted)" strokeDasharray="8 3 2 3" />
      </g>
      <path d={`M${x(-outer) - 10} ${top}V${y(deep)}m-5 0h10M${x(-outer) - 15} ${top}h10`} stroke="var(--accent)" />
      <Label x={x(-outer) - 16} y={(top + y(deep)) / 2 + 4} anchor="end" accent>
        t {units.number(deep, 'length')}
      </Label>
      <Label x={8} y={18} accent>
        {thread.text}
      </Label>
      <Label x={SIDE} y={H - 4} anchor="end">
        from the side · to scale
      </Label>
    </svg>
  );
}

// The head of an arrow on a circle.
function arrow(cx: number, cy: number, radius: number, angle: number, turn: number): string {
  const [px, py] = [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)];
  const along = angle + (turn * Math.PI) / 2;
  const leg = (by: number) => `${(px - 9 * Math.cos(along + by)).toFixed(2)} ${(py - 9 * Math.sin(along + by)).toFixed(2)}`;
  return `M${leg(0.45)}L${px.toFixed(2)} ${py.toFixed(2)}L${leg(-0.45)}`;
}
