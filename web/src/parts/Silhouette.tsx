import type { Schemas } from '../api/client';
import { pathOf, runsOf, spanOf, type Element, type Profile } from './outline';

const FILL: Record<Element['part'], string> = {
  cutting: 'var(--part)',
  body: 'var(--part)',
  neck: 'var(--shank)',
  shank: 'var(--shank)',
  extension: 'var(--extension)',
  holder: 'var(--holder)',
};

/**
 * The profile lying on its side, tip to the left, as SVG shapes in mm around the axis y = 0.
 * Everything that shows a tool draws it from here.
 */
export function ProfileShapes({ profile, helix = 0, pixel }: { profile: Profile; helix?: number | undefined; pixel: number }) {
  const runs = runsOf(profile);
  // On a flat tool the insert lies on its seat.
  if (profile.shape === 'flat') runs.sort((a, b) => Number(a[0]!.part === 'cutting') - Number(b[0]!.part === 'cutting'));
  return (
    <g strokeWidth={1.1 * pixel} stroke="var(--ink)" strokeLinejoin="round">
      {runs.map((run, i) => (
        <g key={i}>
          <path d={pathOf(run, profile.shape)} fill={FILL[run[0]!.part]} fillRule="evenodd" />
          {profile.shape === 'revolved' && helix !== 0 && run.map((e, j) => <Flutes key={j} element={e} helix={helix} pixel={pixel} />)}
        </g>
      ))}
    </g>
  );
}

// Edges of the helix as they run round the visible half of a cylinder that cuts or leads.
function Flutes({ element: e, helix, pixel }: { element: Element; helix: number; pixel: number }) {
  const [x, length, diameter] = [e.fromZ, e.toZ - e.fromZ, 2 * e.fromR];
  if ((e.part !== 'cutting' && e.part !== 'body') || Math.abs(e.fromR - e.toR) > 1e-6 || length < diameter * 0.15) return null;
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

/** Helix of a cutter, as far as its flutes are drawn. */
export const helixOf = (c: Schemas['Cutter'] | undefined): number =>
  c?.dimensions?.FHA ?? (c?.family === 'cuttingTap' && c.picks?.flutes !== 'straight' ? 35 : 0);

/** A true-to-scale silhouette in a list row; every row of the list shares the scale. */
export function Silhouette(props: { profile: Profile; helix?: number | undefined; scale: number; width: number; height: number }) {
  const { profile, helix, scale, width, height } = props;
  const [low, high] = spanOf(profile);
  const middle = profile.shape === 'flat' ? -(low + high) / 2 : 0;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${-1 / scale} ${middle - height / 2 / scale} ${width / scale} ${height / scale}`}
      aria-hidden="true"
      className="silhouette"
    >
      <ProfileShapes profile={profile} helix={helix} pixel={1 / scale} />
    </svg>
  );
}

/** A bar of a round length in the list's scale. */
export function ScaleBar({ scale, text }: { scale: number; text: (mm: number) => string }) {
  const length = [100, 50, 20, 10, 5].find((mm) => mm * scale <= 130) ?? 5;
  return (
    <span className="scalebar">
      <svg width={length * scale + 2} height="9" aria-hidden="true">
        <path d={`M1 1V8M1 4.5H${length * scale + 1}M${length * scale + 1} 1V8`} stroke="var(--muted)" fill="none" />
      </svg>
      {text(length)}
    </span>
  );
}
