import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import type { Solved } from './words';

const [W, H, PAD] = [440, 300, 26];

/** The holes from above with the way between them, in the order they are made. */
export function Plan({ result, order }: { result: Solved; order: Schemas['HoleOrder'] }) {
  const units = useUnits();
  const { positions } = result;
  const xs = positions.map((p) => p.x);
  const ys = positions.map((p) => p.y);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min((W - 2 * PAD) / Math.max(right - left, 1e-6), (H - 2 * PAD) / Math.max(high - low, 1e-6), 40);
  const x = (mm: number) => W / 2 + (mm - (left + right) / 2) * scale;
  const y = (mm: number) => H / 2 - (mm - (low + high) / 2) * scale;
  const radius = Math.min(6, Math.max(1.6, 130 / Math.sqrt(positions.length) / 4));
  const made = result.order.map((i) => positions[i]!);
  const saved = result.travelAsGiven - result.travel;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label={`${positions.length} holes, ${units.text(result.travel, 'length')} between them`}
      >
        <path d={`M${x(0) - 6} ${y(0)}h12M${x(0)} ${y(0) - 6}v12`} stroke="var(--load2)" strokeWidth="1" />
        <path
          d={made.map((p, i) => `${i ? 'L' : 'M'}${x(p.x).toFixed(1)} ${y(p.y).toFixed(1)}`).join('')}
          fill="none"
          stroke="var(--accent)"
          strokeWidth="1"
        />
        {made.map((p, i) => (
          <circle
            key={i}
            cx={x(p.x)}
            cy={y(p.y)}
            r={radius}
            fill={i === 0 ? 'var(--accent)' : 'var(--sheet)'}
            stroke="var(--ink)"
            strokeWidth="1"
          />
        ))}
        {positions.length <= 60 &&
          made.map((p, i) => (
            <text key={i} x={x(p.x) + radius + 2} y={y(p.y) - radius + 1} className="dim" style={{ fontSize: 9 }}>
              {i + 1}
            </text>
          ))}
      </svg>
      <figcaption className="muted small">
        {result.orderKept
          ? 'The order given is kept: the one asked for would be longer.'
          : order === 'asGiven' || saved < 0.005
            ? 'In the order given.'
            : `${units.text(saved, 'length')} shorter than in the order given.`}
        {result.travel > 1.1 * result.shortest &&
          ` The nearest next would be ${units.text(result.travel - result.shortest, 'length')} shorter.`}
      </figcaption>
    </figure>
  );
}
