import type { Schemas } from '../api/client';

type Segment = Schemas['ProfileSegment'];

const FILL: Record<Segment['part'], string> = { flutes: '#FFFFFF', neck: '#F4F0E7', shank: '#F4F0E7', holder: '#E3E6E8' };

export const lengthOf = (profile: readonly Segment[]) => profile.reduce((sum, s) => sum + s.length, 0);
export const girthOf = (profile: readonly Segment[]) => profile.reduce((most, s) => Math.max(most, s.lowerDiameter, s.upperDiameter), 0);

/**
 * The profile lying on its side, tip to the left, as SVG shapes in mm around the axis y = 0.
 * Everything that shows a tool draws it from here.
 */
export function ProfileShapes({ profile, helix = 30, pixel }: { profile: readonly Segment[]; helix?: number; pixel: number }) {
  const starts = profile.map((_, i) => lengthOf(profile.slice(0, i)));
  return (
    <g strokeWidth={1.1 * pixel} stroke="#1D2630" strokeLinejoin="round">
      {profile.map((s, i) => {
        const x = starts[i]!;
        const [a, b] = [s.lowerDiameter / 2, s.upperDiameter / 2];
        return (
          <g key={i}>
            <path d={`M${x} ${-a}L${x + s.length} ${-b}V${b}L${x} ${a}Z`} fill={FILL[s.part]} />
            {s.part === 'flutes' && <Flutes x={x} length={s.length} diameter={s.lowerDiameter} helix={helix} pixel={pixel} />}
          </g>
        );
      })}
    </g>
  );
}

// Edges of the helix as they run round the visible half, one pitch apart.
function Flutes({ x, length, diameter, helix, pixel }: { x: number; length: number; diameter: number; helix: number; pixel: number }) {
  const lead = (diameter * 1.2) / Math.max(0.2, Math.tan((Math.abs(helix) * Math.PI) / 180));
  const gap = Math.max(lead / 2, diameter / 3);
  const lines = [];
  for (let from = -lead; from < length; from += gap) {
    const [start, end] = [Math.max(0, from), Math.min(length, from + lead)];
    if (end <= start) continue;
    const y = (at: number) => (helix < 0 ? -1 : 1) * (diameter / 2 - (diameter * (at - from)) / lead);
    lines.push(<line key={from} x1={x + start} y1={y(start)} x2={x + end} y2={y(end)} strokeWidth={0.8 * pixel} />);
  }
  return <g>{lines}</g>;
}

/** A true-to-scale silhouette in a list row; every row of the list shares the scale. */
export function Silhouette({
  profile,
  helix,
  scale,
  width,
  height,
}: {
  profile: readonly Segment[];
  helix?: number | undefined;
  scale: number;
  width: number;
  height: number;
}) {
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${-1 / scale} ${-height / 2 / scale} ${width / scale} ${height / scale}`}
      aria-hidden="true"
      className="silhouette"
    >
      <ProfileShapes profile={profile} helix={helix ?? 30} pixel={1 / scale} />
    </svg>
  );
}

/** A bar of a round length in the list's scale. */
export function ScaleBar({ scale, text }: { scale: number; text: (mm: number) => string }) {
  const length = [100, 50, 20, 10].find((mm) => mm * scale <= 130) ?? 10;
  return (
    <span className="scalebar">
      <svg width={length * scale + 2} height="9" aria-hidden="true">
        <path d={`M1 1V8M1 4.5H${length * scale + 1}M${length * scale + 1} 1V8`} stroke="#5C6773" fill="none" />
      </svg>
      {text(length)}
    </span>
  );
}
