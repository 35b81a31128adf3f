import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { spanOf, type Profile } from '../../parts/outline';
import type { Built } from '../../parts/shelf';
import { helixOf, ProfileShapes } from '../../parts/Silhouette';

const WIDTH = 520;
const HEIGHT = 540;

interface Props {
  profile: Profile;
  built: Built;
  /** The wall beside it and where it touches, while its reach is asked about. */
  reach?: { wall: Schemas['Wall']; touches: readonly Schemas['Touch'][] } | undefined;
}

/** Cutter, extensions and holder standing upright, tip down, true to scale, with what it comes to and the wall beside it. */
export function AssemblyDrawing({ profile, built, reach }: Props) {
  const units = useUnits();
  const length = Math.max(1, profile.length);
  const [low, high] = spanOf(profile);
  const cuttingRadius = Math.max(0, ...profile.elements.filter((e) => e.part === 'cutting').map((e) => Math.max(e.fromR, e.toR)));
  const scale = Math.min((HEIGHT - 80) / length, 230 / (high - low), 8);
  const tip = 34 + length * scale;
  const y = (fromTip: number) => tip - fromTip * scale;
  const axis = WIDTH / 2 + (profile.shape === 'flat' ? ((low + high) / 2) * scale * -1 : 0);
  const dimension = (x: number, to: number, text: string, side: number) => (
    <g stroke="var(--accent)" fill="none">
      <path d={`M${x} ${tip}V${y(to)}M${x - 6} ${tip}h12M${x - 6} ${y(to)}h12`} />
      <text x={x + side * 10} y={(tip + y(to)) / 2 + 4} textAnchor={side > 0 ? 'start' : 'end'} className="dim accent">
        {text}
      </text>
    </g>
  );
  const half = ((high - low) * scale) / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${tip + 36}`}
      width="100%"
      style={{ maxHeight: HEIGHT }}
      role="img"
      aria-label="Drawing of the assembly, true to scale"
    >
      {reach && <WallShape wall={reach.wall} edge={cuttingRadius} axis={axis} y={y} scale={scale} />}
      <line x1={axis} x2={axis} y1={20} y2={tip + 12} stroke="var(--muted)" strokeWidth=".8" strokeDasharray="12 3 2 3" />
      <g transform={`translate(${axis} ${tip}) rotate(-90) scale(${scale})`}>
        <ProfileShapes profile={profile} helix={helixOf(built.cutter)} pixel={1 / scale} />
      </g>
      {reach?.touches.map((t, i) => (
        <g key={i} stroke="var(--stop)" fill="none">
          <path
            d={`M${axis + radiusAt(profile, t.at) * scale} ${y(t.fromZ)}V${y(Math.max(t.toZ, t.fromZ + 0.4))}`}
            strokeWidth="4"
            strokeLinecap="round"
            opacity=".75"
          />
          <path d={`M${axis + radiusAt(profile, t.at) * scale} ${y(t.at)}l26 -14`} />
          <text x={axis + radiusAt(profile, t.at) * scale + 30} y={y(t.at) - 13} className="dim" style={{ fill: 'var(--stop)' }}>
            {units.text(t.by, 'length')} at {units.text(t.at, 'length')}
          </text>
        </g>
      ))}
      <line x1={20} x2={WIDTH - 20} y1={y(length)} y2={y(length)} stroke="var(--muted)" strokeDasharray="5 3" />
      <text x={WIDTH - 20} y={y(length) - 5} textAnchor="end" className="dim">
        gauge line
      </text>
      {dimension(Math.max(70, WIDTH / 2 - half - 30), built.toolLength, units.text(built.toolLength, 'length'), -1)}
      {!reach && dimension(Math.min(WIDTH - 80, WIDTH / 2 + half + 30), length, units.text(length, 'length'), 1)}
      <text x={axis} y={tip + 26} textAnchor="middle" className="dim">
        {profile.shape === 'flat' ? built.cutter.number : `Ø${units.size(2 * cuttingRadius)}`}
      </text>
    </svg>
  );
}

const radiusAt = (profile: Profile, z: number): number =>
  Math.max(
    0,
    ...profile.elements
      .filter((e) => e.part !== 'cutting' && Math.min(e.fromZ, e.toZ) <= z + 1e-6 && Math.max(e.fromZ, e.toZ) >= z - 1e-6)
      .map((e) => {
        const share = e.toZ === e.fromZ ? 1 : (z - e.fromZ) / (e.toZ - e.fromZ);
        return Math.abs(e.fromR + (e.toR - e.fromR) * share);
      }),
  );

// The wall leans away by its draft, from where the cutter is widest; a shoulder stands above its edge.
function WallShape(props: { wall: Schemas['Wall']; edge: number; axis: number; y: (mm: number) => number; scale: number }) {
  const { wall, edge, axis, y, scale } = props;
  const x = (r: number) => axis + r * scale;
  const foot = edge;
  const top = edge + wall.depth * Math.tan(((wall.draft ?? 0) * Math.PI) / 180);
  const shoulder = wall.shoulderHeight ?? 0;
  const right = WIDTH - 4;
  return (
    <g>
      <defs>
        <pattern id="wall" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--hatch)" strokeWidth="1.1" />
        </pattern>
      </defs>
      {(['var(--solid)', 'url(#wall)'] as const).map((fill) => (
        <path
          key={fill}
          d={`M4 ${y(0)}H${x(foot)}L${x(top)} ${y(wall.depth)}${
            shoulder > 0 ? `H${x(top + (wall.shoulderDistance ?? 0))}V${y(wall.depth + shoulder)}` : ''
          }H${right}V${y(0) + 12}H4Z`}
          fill={fill}
          stroke="var(--stock-edge)"
          strokeWidth=".8"
        />
      ))}
    </g>
  );
}
