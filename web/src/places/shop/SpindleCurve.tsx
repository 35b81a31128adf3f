import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';

type Point = NonNullable<Schemas['Machine']['curve']>[number];
const [W, H, LEFT, BASE] = [560, 150, 8, 126];

const COLUMNS = ['speed', 'power', 'shortPower', 'torque', 'shortTorque'] as const;

/** Power and torque over speed, as the machine's plate or a brake gave them. */
export function SpindleCurve(props: { curve: readonly Point[]; least: number; most: number; name?: string }) {
  const { curve, least, most, name = 'Power and torque over speed' } = props;
  const units = useUnits();
  if (curve.length === 0)
    return (
      <p className="notjudged">Nobody has measured power and torque; calculations on this machine say that neither could be judged.</p>
    );
  if (!(least > 0 && most > least) || curve.some((p) => COLUMNS.some((key) => !(p[key] > 0))))
    return <p className="muted">The curve is drawn once the speeds and every point are typed.</p>;
  const first = curve[0]!;
  const last = curve[curve.length - 1]!;
  // On two logarithmic axes constant torque and constant power are straight lines, so the points are simply joined.
  const share = least / first.speed;
  const fall = last.speed / most;
  const points = [
    { ...first, speed: least, power: first.power * share, shortPower: first.shortPower * share },
    ...curve,
    // Above the last point the power stays.
    ...(most > last.speed ? [{ ...last, speed: most, torque: last.torque * fall, shortTorque: last.shortTorque * fall }] : []),
  ];
  const largest = (key: 'power' | 'shortPower' | 'torque' | 'shortTorque') => Math.max(...points.map((p) => p[key]));
  const end = points[points.length - 1]!;
  const log = (value: number, low: number, high: number) => Math.log(value / low) / Math.log(high / low);
  const x = (n: number) => LEFT + (W - LEFT - 8) * log(n, least, most);
  const line = (key: 'power' | 'shortPower' | 'torque' | 'shortTorque') => {
    const short = key === 'power' || key === 'shortPower' ? 'shortPower' : 'shortTorque';
    const high = largest(short) * 1.3;
    return points
      .map(
        (p, i) => `${i ? 'L' : 'M'}${x(p.speed).toFixed(1)} ${(BASE - (BASE - 8) * Math.max(0, log(p[key], high / 60, high))).toFixed(1)}`,
      )
      .join('');
  };
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" role="img" aria-label={`${name}, logarithmic`}>
      <path d={`M${LEFT} 6V${BASE}H${W - 8}`} stroke="var(--rule)" fill="none" />
      <path d={line('torque')} stroke="var(--load2)" fill="none" strokeWidth="1.5" />
      <path d={line('shortTorque')} stroke="var(--load2)" fill="none" strokeDasharray="3 3" />
      <path d={line('power')} stroke="var(--load4)" fill="none" strokeWidth="1.5" />
      <path d={line('shortPower')} stroke="var(--load4)" fill="none" strokeDasharray="3 3" />
      {points
        .filter(
          (p, i) => i === 0 || i === points.length - 1 || (x(p.speed) - x(points[i - 1]!.speed) > 60 && x(end.speed) - x(p.speed) > 70),
        )
        .map((p) => (
          <text
            key={p.speed}
            x={x(p.speed)}
            y={H - 6}
            textAnchor={p.speed === end.speed ? 'end' : p.speed === least ? 'start' : 'middle'}
            className="dim"
          >
            {units.number(p.speed, 'spindleSpeed')}
          </text>
        ))}
      <text x={W - 14} y={BASE - 28} textAnchor="end" className="dim" style={{ fill: 'var(--caution)' }}>
        torque {units.text(largest('torque'), 'torque')}, short-time {units.text(largest('shortTorque'), 'torque')}
      </text>
      <text x={W - 14} y={BASE - 12} textAnchor="end" className="dim" style={{ fill: 'var(--load4)' }}>
        power {units.text(largest('power'), 'power')}, short-time {units.text(largest('shortPower'), 'power')}
      </text>
    </svg>
  );
}
