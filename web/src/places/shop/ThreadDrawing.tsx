import type { Schemas } from '../../api/client';
import { INCH } from '../../parts/units';
import { useUnits } from '../../parts/session';
import { SymbolText } from '../../parts/Sym';

type View = Schemas['ThreadView'];
type Label = { symbol: string; text: string; at: number; label: number };

const [W, LEFT, RIGHT, TOP, BASE, HIGHEST] = [620, 122, 122, 26, 38, 300];

/** The profile in true proportion: bolt below, nut above, with the diameters that matter. */
export function ThreadDrawing({ thread }: { thread: View }) {
  const units = useUnits();
  const { sizes: s, pitch: p } = thread;
  const from = p * 0.5;
  const across = p * 3;
  const low = s.minor / 2 - 0.35 * p;
  const tall = s.internalMajor / 2 + 0.35 * p - low;
  const scale = Math.min((W - LEFT - RIGHT) / across, HIGHEST / tall);
  const H = TOP + BASE + tall * scale;
  const x = (z: number) => W / 2 + (z - from - across / 2) * scale;
  // What a taper adds in the middle of the picture is left out, so that the diameters stand where they are told.
  const y = (r: number) => H - BASE - (r - low) * scale;
  const middle = (thread.taper / 2) * (from + across / 2);
  const inside = (points: View['external']) =>
    points.filter((q, i) => (points[i + 1]?.z ?? q.z) >= from && (points[i - 1]?.z ?? q.z) <= from + across);
  const path = (points: View['external']) =>
    inside(points)
      .map((q, i) => `${i ? 'L' : 'M'}${x(q.z).toFixed(2)} ${y(q.r - middle).toFixed(2)}`)
      .join('');
  const [left, right, up, down] = [x(from), x(from + across), y(s.internalMajor / 2 + 0.3 * p), y(low)];
  // Lines that would be written over each other are moved apart.
  const labels = (rows: [string, number][]): Label[] => {
    const sorted = rows.map(([symbol, d]) => ({ symbol, text: units.fine(d), at: y(d / 2), label: y(d / 2) })).sort((a, b) => a.at - b.at);
    sorted.forEach((row, i) => (row.label = i === 0 ? row.at : Math.max(row.at, sorted[i - 1]!.label + 16)));
    return sorted;
  };
  const bolt = labels([
    ['d', s.major],
    ['d_2', s.pitch],
    ['d_3', s.minor],
  ]);
  const nut = labels([
    ['D_4', s.internalMajor],
    ['D_2', s.pitch],
    ['D_1', s.internalMinor],
  ]);
  const crest = from + p; // the middle of the second ridge
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Profile of ${thread.text} in true proportion, bolt below and nut above`}
    >
      <defs>
        <clipPath id="thread-cut">
          <rect x={left} y={up} width={right - left} height={down - up} />
        </clipPath>
        <pattern id="thread-nut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--rule)" strokeWidth="1.5" />
        </pattern>
        <pattern id="thread-bolt" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--accent)" strokeOpacity="0.35" strokeWidth="1.5" />
        </pattern>
      </defs>
      <g clipPath="url(#thread-cut)">
        <path d={`${path(thread.internal)}V${up - 20}H${left - 40}Z`} fill="url(#thread-nut)" stroke="var(--muted)" strokeWidth="1.2" />
        <path d={`${path(thread.external)}V${down + 20}H${left - 40}Z`} fill="url(#thread-bolt)" stroke="var(--ink)" strokeWidth="1.6" />
        <path d={`M${left} ${y(s.pitch / 2)}H${right}`} stroke="var(--muted)" strokeDasharray="8 3 2 3" strokeWidth="0.8" />
      </g>
      <Diameters rows={nut} at={left} towards={-1} />
      <Diameters rows={bolt} at={right} towards={1} />
      <text x={left - 28} y={H - 8} textAnchor="end" className="dim">
        nut
      </text>
      <text x={right + 28} y={H - 8} className="dim">
        bolt
      </text>
      <g stroke="var(--muted)" strokeWidth="0.8">
        <path
          d={`M${x(crest)} ${down + 6}V${down + 20}M${x(crest + p)} ${down + 6}V${down + 20}M${x(crest)} ${down + 14}H${x(crest + p)}`}
        />
      </g>
      <text x={x(crest + p / 2)} y={down + 30} textAnchor="middle" className="dim">
        P {units.fine(p)}
        {thread.inch && ` · ${Number((INCH / p).toFixed(3))} per inch`}
      </text>
      <text x={(left + right) / 2} y={up - 8} textAnchor="middle" className="dim">
        {thread.leadingFlank === thread.followingFlank
          ? `flank angle ${thread.leadingFlank * 2}°`
          : `flanks ${thread.leadingFlank}° and ${thread.followingFlank}°`}
        {thread.taper > 0 && ', taper 1 in 16 on the diameter'}
      </text>
    </svg>
  );
}

/** Diameters beside the profile, each with a line to where it is. */
function Diameters({ rows, at, towards }: { rows: readonly Label[]; at: number; towards: 1 | -1 }) {
  return rows.map((row) => (
    <g key={row.symbol}>
      <path
        d={`M${at + 4 * towards} ${row.at}H${at + 14 * towards}L${at + 24 * towards} ${row.label}`}
        stroke="var(--muted)"
        fill="none"
        strokeWidth="0.8"
      />
      <text x={at + 28 * towards} y={row.label + 4} textAnchor={towards < 0 ? 'end' : 'start'} className="dim">
        <SymbolText text={row.symbol} /> {row.text}
      </text>
    </g>
  ));
}
