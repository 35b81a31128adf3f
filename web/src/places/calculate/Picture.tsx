import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { loadColour } from '../../app/theme';
import { girthOf, lengthOf, ProfileShapes } from '../../parts/Silhouette';

type Result = Schemas['CalculationResult'];
export const figure = (result: Result, code: string): number => result.figures.find((f) => f.code === code)?.value ?? 0;
export const fieldValue = (result: Result, code: string): number => result.fields.find((f) => f.code === code)?.value ?? 0;
const useOf = (result: Result, kind: string) => result.limits.find((l) => l.kind === kind)?.use ?? 0;

function Hatch({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="#C9C2B4" strokeWidth="1.1" />
      </pattern>
    </defs>
  );
}

const A = { w: 350, h: 262 };

/** Along the spindle axis: the cutter against the wall, with width and arc of engagement, true to scale. */
export function AlongAxis({ result, cutter }: { result: Result; cutter: Schemas['Cutter'] }) {
  const units = useUnits();
  const [ae, arc] = [figure(result, 'width'), (figure(result, 'arc') * Math.PI) / 180];
  const d = cutter.cuttingDiameter;
  const r = 74;
  const scale = (2 * r) / d;
  const [cx, wall] = [150, 58];
  const cy = wall + r;
  const chip = loadColour(Math.max(useOf(result, 'largestChip'), 0.6));
  const exit = { x: cx + r * Math.sin(arc), y: cy - r * Math.cos(arc) };
  const band = ae * scale;
  const teeth = Array.from({ length: cutter.teeth }, (_, i) => arc * 0.62 + (2 * Math.PI * i) / cutter.teeth);
  const climb = result.options.ways !== 'both-ways';
  return (
    <svg
      viewBox={`0 0 ${A.w} ${A.h}`}
      role="img"
      aria-label={`Seen along the spindle axis: width ${units.text(ae, 'length')}, arc of engagement ${units.text(figure(result, 'arc'), 'angle')}`}
    >
      <Hatch id="h1" />
      <rect x="0" y="10" width={A.w} height={wall - 10} fill="#EFEAE0" />
      <rect x="0" y="10" width={A.w} height={wall - 10} fill="url(#h1)" />
      <path
        d={`M${cx} ${wall}H${A.w}V${wall + band}H${exit.x}A${r} ${r} 0 0 0 ${cx} ${wall}Z`}
        fill="#E4DCCB"
        stroke="#9C937F"
        strokeWidth=".8"
      />
      <line x1="0" x2={A.w} y1={wall} y2={wall} stroke="#1D2630" strokeWidth="1.1" />
      <circle cx={cx} cy={cy} r={r} fill="#fff" stroke="#1D2630" strokeWidth="1.2" />
      <path d={`M${cx} ${cy}V${wall}A${r} ${r} 0 0 1 ${exit.x} ${exit.y}Z`} fill={chip} fillOpacity=".16" stroke={chip} strokeWidth="1.2" />
      {teeth.map((angle) => {
        const at = (radius: number, turn: number) => `${cx + radius * Math.sin(angle + turn)} ${cy - radius * Math.cos(angle + turn)}`;
        return (
          <path
            key={angle}
            d={`M${at(r, 0)}L${at(r * 0.62, 0.16)}Q${at(r * 0.5, -0.35)} ${at(r * 0.72, -0.62)}`}
            fill="none"
            stroke="#1D2630"
            strokeWidth="1.2"
          />
        );
      })}
      <circle cx={cx} cy={cy} r="2.2" fill="#1D2630" />
      <text x={cx + 10} y={cy - r * 0.42} className="dim" fill={chip}>
        φ {units.text(figure(result, 'arc'), 'angle')}
      </text>
      <g stroke="#0F6E6E">
        <path d={`M${A.w - 26} ${wall}v${band}M${A.w - 33} ${wall}h14M${A.w - 33} ${wall + band}h14`} />
      </g>
      <text x={A.w - 8} y={wall + band + 16} textAnchor="end" className="dim accent">
        a
        <tspan baselineShift="sub" fontSize="8">
          e
        </tspan>{' '}
        {units.number(ae, 'length')}
      </text>
      <text x={A.w - 8} y={wall + band + 32} textAnchor="end" className="dim">
        chip to {units.number(figure(result, 'largestChip'), 'chip')}
      </text>
      <text x="8" y={wall - 8} className="dim" style={{ fill: '#1D2630' }}>
        wall
      </text>
      <g stroke="#5C6773" fill="none">
        <path d={`M${cx - r * 0.5} ${cy + r * 0.5}A${r * 0.7} ${r * 0.7} 0 0 0 ${cx + r * 0.5} ${cy + r * 0.5}`} />
        <path d={`M${cx - r * 0.5 - 1} ${cy + r * 0.5 + 7}l0 -8l8 1`} />
        <path d={`M${cx + 90} ${cy + 62}h46m-7 -5l7 5l-7 5`} />
      </g>
      <text x={cx + 90} y={cy + 82} className="dim">
        feed {units.text(figure(result, 'feedRate'), 'feedRate')}
      </text>
      <text x="8" y={A.h - 8} className="dim">
        along the axis · {climb ? 'climb' : 'to and fro'} · Ø{units.size(d)} drawn {scale.toFixed(1)} px/mm
      </text>
    </svg>
  );
}

const B = { w: 270, h: 262 };

/** From the side: the assembly beside the wall, with depth, reach, and the tip's deflection exaggerated. */
export function FromSide({
  result,
  cutter,
  profile,
  projection,
  number,
}: {
  result: Result;
  cutter: Schemas['Cutter'];
  profile: readonly Schemas['ProfileSegment'][];
  projection: number;
  number: string;
}) {
  const units = useUnits();
  const [ap, ae, deflection] = [figure(result, 'depth'), figure(result, 'width'), figure(result, 'deflection')];
  const wallHeight = fieldValue(result, 'wallHeight');
  const shownHeight = Math.max(projection * 1.55, Math.min(wallHeight, projection * 2) * 1.1);
  const scale = Math.min((B.h - 42) / shownHeight, 120 / girthOf(profile), 9);
  const floor = B.h - 26;
  const axis = 138;
  const y = (mm: number) => floor - mm * scale;
  const half = (cutter.cuttingDiameter / 2) * scale;
  const colour = loadColour(Math.max(useOf(result, 'deflection'), 0.6));
  const factor = niceFactor((deflection / 1000) * scale);
  const bend = (deflection / 1000) * scale * factor;
  const noseY = y(projection);
  return (
    <svg
      viewBox={`0 0 ${B.w} ${B.h}`}
      role="img"
      aria-label={`Seen from the side: depth ${units.text(ap, 'length')}, deflection ${units.text(deflection, 'deviation')}`}
    >
      <Hatch id="h2" />
      <clipPath id="top">
        <rect x="0" y="4" width={B.w} height={floor - 4} />
      </clipPath>
      <rect x="4" y={floor} width={B.w - 8} height="14" fill="#EFEAE0" />
      <rect x="4" y={floor} width={B.w - 8} height="14" fill="url(#h2)" />
      <g clipPath="url(#top)">
        <rect x={axis + half} y={y(wallHeight)} width={B.w} height={wallHeight * scale} fill="#EFEAE0" stroke="#1D2630" strokeWidth=".8" />
        <rect x={axis + half} y={y(wallHeight)} width={B.w} height={wallHeight * scale} fill="url(#h2)" />
        <rect
          x={axis + half - ae * scale}
          y={y(ap)}
          width={ae * scale}
          height={ap * scale}
          fill="#E4DCCB"
          stroke="#9C937F"
          strokeWidth=".8"
        />
        <g transform={`translate(${axis} ${floor}) rotate(-90) scale(${scale})`}>
          <ProfileShapes profile={profile} helix={cutter.helixAngle ?? 30} pixel={1 / scale} />
        </g>
      </g>
      <g stroke="#0F6E6E" fill="none">
        <path d={`M56 ${floor}V${y(ap)}M50 ${floor}h12M50 ${y(ap)}h12`} />
        <path d={`M62 ${y(ap)}H${axis + half}`} strokeDasharray="2 3" />
      </g>
      <text x="48" y={(floor + y(ap)) / 2 + 4} textAnchor="end" className="dim accent">
        a
        <tspan baselineShift="sub" fontSize="8">
          p
        </tspan>{' '}
        {units.number(ap, 'length')}
      </text>
      <g stroke="#5C6773" fill="none">
        <path d={`M80 ${floor}V${noseY}M74 ${noseY}h12`} />
      </g>
      <text x="72" y={noseY + 13} textAnchor="end" className="dim">
        out {units.number(projection, 'length')}
      </text>
      <path
        d={`M${axis} ${noseY}Q${axis} ${(noseY + floor) / 2} ${axis - bend} ${floor}`}
        stroke={colour}
        fill="none"
        strokeDasharray="4 3"
        strokeWidth="1.4"
      />
      <text x={B.w - 6} y={Math.max(y(wallHeight) - 20, 26)} textAnchor="end" className="dim" style={{ fill: colour }}>
        {units.text(deflection, 'deviation')} ×{factor}
      </text>
      <text x={B.w - 6} y={Math.max(y(wallHeight) - 6, 40)} textAnchor="end" className="dim">
        wall {units.number(wallHeight, 'length')}
      </text>
      <text x="6" y="15" className="dim">
        {number}
      </text>
      <text x="6" y={B.h - 2} className="dim">
        from the side · {lengthOf(profile) * scale > floor ? 'holder cut off above' : 'whole assembly'}
      </text>
    </svg>
  );
}

// The round factor that makes a bend of some pixels visible without leaving the picture.
function niceFactor(pixels: number): number {
  if (pixels <= 0) return 1;
  const wanted = 22 / pixels;
  const decade = 10 ** Math.floor(Math.log10(wanted));
  return Math.max(1, decade * ([5, 2, 1].find((s) => s * decade <= wanted) ?? 1));
}
