import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { girthOf, lengthOf, ProfileShapes } from '../../parts/Silhouette';

const WIDTH = 520;
const HEIGHT = 560;

/** Cutter and holder standing upright, tip down, true to scale, with projection and gauge length. */
export function AssemblyDrawing({
  profile,
  cutter,
  projection,
}: {
  profile: readonly Schemas['ProfileSegment'][];
  cutter: Schemas['Cutter'];
  projection: number;
}) {
  const units = useUnits();
  const length = lengthOf(profile);
  const scale = Math.min((HEIGHT - 90) / length, 220 / girthOf(profile), 8);
  const tip = 40 + length * scale;
  const y = (fromTip: number) => tip - fromTip * scale;
  const axis = WIDTH / 2;
  const dimension = (x: number, to: number, text: string, side: number) => (
    <g stroke="#0F6E6E" fill="none">
      <path d={`M${x} ${tip}V${y(to)}M${x - 6} ${tip}h12M${x - 6} ${y(to)}h12`} />
      <text x={x + side * 10} y={(tip + y(to)) / 2 + 4} textAnchor={side > 0 ? 'start' : 'end'} className="dim accent">
        {text}
      </text>
    </g>
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${tip + 40}`}
      width="100%"
      style={{ maxHeight: HEIGHT }}
      role="img"
      aria-label="Drawing of the assembly, true to scale"
    >
      <line x1={axis} x2={axis} y1={24} y2={tip + 14} stroke="#5C6773" strokeWidth=".8" strokeDasharray="12 3 2 3" />
      <g transform={`translate(${axis} ${tip}) rotate(-90) scale(${scale})`}>
        <ProfileShapes profile={profile} helix={cutter.helixAngle ?? 30} pixel={1 / scale} />
      </g>
      <line x1={30} x2={WIDTH - 30} y1={y(length)} y2={y(length)} stroke="#5C6773" strokeDasharray="5 3" />
      <text x={WIDTH - 30} y={y(length) - 5} textAnchor="end" className="dim">
        gauge line
      </text>
      {dimension(axis - girthOf(profile) * scale * 0.5 - 34, projection, units.text(projection, 'length'), -1)}
      {dimension(axis + girthOf(profile) * scale * 0.5 + 34, length, units.text(length, 'length'), 1)}
      {dimension(
        axis + cutter.cuttingDiameter * scale * 0.5 + 14,
        Math.min(cutter.largestDepth, projection),
        `APMX ${units.size(cutter.largestDepth)}`,
        1,
      )}
      <text x={axis} y={tip + 28} textAnchor="middle" className="dim">
        Ø{units.size(cutter.cuttingDiameter)}
      </text>
    </svg>
  );
}
