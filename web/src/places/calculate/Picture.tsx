import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { loadColour } from '../../app/theme';
import type { Profile } from '../../parts/outline';
import { helixOf, ProfileShapes } from '../../parts/Silhouette';

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

/**
 * Along the spindle axis, from above: the cutter turns clockwise and climbs along the wall, with width, arc of engagement and
 * the chip of one tooth. Lengths are true to scale; only the chip's thickness is exaggerated.
 */
export function AlongAxis({ result, cutter }: { result: Result; cutter: Schemas['Cutter'] }) {
  const units = useUnits();
  const [ae, arc] = [figure(result, 'width'), (figure(result, 'arc') * Math.PI) / 180];
  const d = cutter.dimensions!.DC!;
  const teeth = cutter.dimensions!.ZEFF!;
  const r = 78;
  const scale = (2 * r) / d;
  const [cx, wall] = [212, 52];
  const cy = wall + r;
  const colour = loadColour(Math.max(useOf(result, 'largestChip'), 0.6));
  // Angles run from the wall towards the stock ahead, which lies to the left.
  const at = (radius: number, angle: number) =>
    `${(cx - radius * Math.sin(angle)).toFixed(2)} ${(cy - radius * Math.cos(angle)).toFixed(2)}`;
  const band = ae * scale;
  const exitX = cx - r * Math.sin(arc);
  const chip = Array.from({ length: 25 }, (_, i) => (arc * i) / 24);
  const pitch = (2 * Math.PI) / teeth;
  const body = Array.from({ length: teeth }, (_, i) => {
    const tip = arc * 0.55 - i * pitch;
    return `${i ? 'L' : 'M'}${at(r, tip)}L${at(r * 0.66, tip - 0.03)}Q${at(r * 0.5, tip - 0.28 * pitch)} ${at(r * 0.93, tip - 0.48 * pitch)}Q${at(r * 1.02, tip - 0.72 * pitch)} ${at(r, tip - pitch)}`;
  }).join('');
  return (
    <svg
      viewBox={`0 0 ${A.w} ${A.h}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`Seen along the spindle axis: width ${units.text(ae, 'length')}, arc of engagement ${units.text(figure(result, 'arc'), 'angle')}`}
    >
      <Hatch id="h1" />
      <rect x="0" y="10" width={A.w} height={wall - 10} fill="#EFEAE0" />
      <rect x="0" y="10" width={A.w} height={wall - 10} fill="url(#h1)" />
      <path
        d={`M${cx} ${wall}H0V${wall + band}H${exitX}A${r} ${r} 0 0 1 ${cx} ${wall}Z`}
        fill="#E4DCCB"
        stroke="#9C937F"
        strokeWidth=".8"
      />
      <line x1="0" x2={A.w} y1={wall} y2={wall} stroke="#1D2630" strokeWidth="1.1" />
      <circle cx={cx} cy={cy} r={r} fill="#FAF8F4" stroke="#5C6773" strokeWidth=".8" strokeDasharray="3 3" />
      <path d={`${body}Z`} fill="#fff" stroke="#1D2630" strokeWidth="1.2" strokeLinejoin="round" />
      <path d={`M${cx} ${cy}V${wall}A${r} ${r} 0 0 0 ${at(r, arc)}Z`} fill={colour} fillOpacity=".12" stroke={colour} strokeWidth="1.2" />
      <path
        d={`M${chip.map((a) => at(r, a)).join('L')}L${chip
          .reverse()
          .map((a) => at(r - 9 * Math.sin(a), a))
          .join('L')}Z`}
        fill={colour}
        fillOpacity=".75"
      />
      <circle cx={cx} cy={cy} r="2.2" fill="#1D2630" />
      <text x={cx + 8} y={cy - r * 0.3} className="dim" style={{ fill: colour }}>
        φ
        <tspan baselineShift="sub" fontSize="8">
          e
        </tspan>{' '}
        {units.text(figure(result, 'arc'), 'angle')}
      </text>
      <path d={`M22 ${wall}v${band}M15 ${wall}h14M15 ${wall + band}h14`} stroke="#0F6E6E" />
      <text x="8" y={wall + band + 17} className="dim accent">
        a
        <tspan baselineShift="sub" fontSize="8">
          e
        </tspan>{' '}
        {units.text(ae, 'length')}
      </text>
      <text x="8" y={wall + band + 34} className="dim">
        chip to {units.text(figure(result, 'largestChip'), 'chip')}
      </text>
      <text x="8" y={wall - 8} className="dim" style={{ fill: '#1D2630' }}>
        wall
      </text>
      <g stroke="#5C6773" fill="none">
        <path d={`M${at(r + 12, -1.2)}A${r + 12} ${r + 12} 0 0 1 ${at(r + 12, -2.1)}`} />
        <path d={`M${at(r + 6, -2.02)}L${at(r + 12, -2.12)}L${at(r + 17, -2.0)}`} />
        <path d="M92 216H34m7 -5l-7 5l7 5" />
      </g>
      <text x="34" y="236" className="dim">
        feed {units.text(figure(result, 'feedRate'), 'feedRate')}
      </text>
      <text x={A.w} y={A.h - 4} textAnchor="end" className="dim">
        along the axis, to scale · chip drawn thicker
      </text>
    </svg>
  );
}

const B = { w: 290, h: 262 };

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
  profile: Profile;
  projection: number;
  number: string;
}) {
  const units = useUnits();
  const [ap, ae, deflection] = [figure(result, 'depth'), figure(result, 'width'), figure(result, 'deflection')];
  const wallHeight = fieldValue(result, 'wallHeight');
  const shownHeight = Math.max(projection * 1.4, Math.min(wallHeight, projection * 2) * 1.1);
  const scale = Math.min((B.h - 42) / shownHeight, 190 / profile.girth, 9);
  const floor = B.h - 26;
  const axis = 170;
  const y = (mm: number) => floor - mm * scale;
  const half = (cutter.dimensions!.DC! / 2) * scale;
  const colour = loadColour(Math.max(useOf(result, 'deflection'), 0.6));
  const factor = niceFactor((deflection / 1000) * scale);
  const bend = (deflection / 1000) * scale * factor;
  const noseY = y(projection);
  return (
    <svg
      viewBox={`0 0 ${B.w} ${B.h}`}
      preserveAspectRatio="xMidYMin"
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
          <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
        </g>
      </g>
      <g stroke="#0F6E6E" fill="none">
        <path d={`M74 ${floor}V${y(ap)}M68 ${floor}h12M68 ${y(ap)}h12`} />
        <path d={`M80 ${y(ap)}H${axis + half}`} strokeDasharray="2 3" />
      </g>
      <text x="66" y={(floor + y(ap)) / 2 + 4} textAnchor="end" className="dim accent">
        a
        <tspan baselineShift="sub" fontSize="8">
          p
        </tspan>{' '}
        {units.number(ap, 'length')}
      </text>
      <g stroke="#5C6773" fill="none">
        <path d={`M100 ${floor}V${noseY}M94 ${noseY}h12`} />
      </g>
      <text x="92" y={noseY + 13} textAnchor="end" className="dim">
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
        from the side · {profile.length * scale > floor ? 'holder cut off above' : 'whole assembly'}
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
