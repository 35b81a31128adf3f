import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import type { Situation } from './useSituation';

const [W, H, LEFT, BASE, TOP] = [300, 180, 40, 158, 8];
const COURSES = [
  ['resultant', 'ofResultant', 'across the axis', 'var(--ink)'],
  ['tangential', 'ofTangential', 'tangential', 'var(--accent)'],
  ['radial', 'ofRadial', 'radial', 'var(--load2)'],
  ['axial', 'ofAxial', 'axial', 'var(--load3)'],
] as const;

/** The load over one revolution, all teeth together, and the way of the tip under it. */
export function Load({ situation, body }: { situation: Situation; body: Schemas['CalculationRequest'] }) {
  const units = useUnits();
  const [angle, setAngle] = useState<number | null>(null);
  const load = useQuery({
    queryKey: ['revolution', situation.operation, body],
    queryFn: ({ signal }) =>
      data(
        client.POST('/api/v1/calculations/{operation}/revolution', {
          params: { path: { operation: situation.operation } },
          body,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (load.error) return <Problem error={load.error} />;
  if (!load.data) return <p className="muted">Turning the cutter once…</p>;
  const l = load.data;
  const all = COURSES.flatMap(([key]) => l[key]);
  const [low, high] = [Math.min(0, ...all), Math.max(1, ...all)];
  const x = (degrees: number) => LEFT + ((W - LEFT - 6) * degrees) / 360;
  const y = (n: number) => BASE - ((BASE - TOP) * (n - low)) / (high - low);
  const line = (values: readonly number[]) =>
    [...values, values[0]!].map((v, i) => `${i ? 'L' : 'M'}${x(i * l.step).toFixed(1)} ${y(v).toFixed(1)}`).join('');
  const index = angle === null ? null : Math.min(l.resultant.length - 1, Math.floor(angle / l.step));
  const step = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000].find((s) => (high - low) / s <= 5) ?? 10000;
  const ticks = Array.from({ length: Math.floor(high / step) + 1 }, (_, i) => i * step);

  // The way of the tip and where it rests, to one scale both ways.
  const spanOf = (values: readonly number[]): [number, number] => [Math.min(0, ...values), Math.max(0, ...values)];
  const [[left, right], [down, up]] = [spanOf(l.tipAlong), spanOf(l.tipAcross)];
  const perMicron = 108 / Math.max(0.1, right - left, up - down);
  const tx = (v: number) => 68 + (v - (left + right) / 2) * perMicron;
  const ty = (v: number) => 72 - (v - (down + up) / 2) * perMicron;
  const tip = `${l.tipAlong.map((v, i) => `${i ? 'L' : 'M'}${tx(v).toFixed(1)} ${ty(l.tipAcross[i]!).toFixed(1)}`).join('')}Z`;
  return (
    <div className="turnload">
      <svg
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label={`Load over one revolution: peak ${units.text(l.ofResultant.peak, 'force')}, mean ${units.text(l.ofResultant.mean, 'force')}`}
        onPointerMove={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const at = (((e.clientX - box.left) / box.width) * W - LEFT) / (W - LEFT - 6);
          setAngle(at >= 0 && at <= 1 ? at * 360 : null);
        }}
        onPointerLeave={() => setAngle(null)}
      >
        {ticks.map((n) => (
          <g key={n}>
            <path d={`M${LEFT} ${y(n)}H${W - 6}`} stroke={n === 0 ? 'var(--muted)' : 'var(--hair)'} />
            <text x={LEFT - 5} y={y(n) + 4} textAnchor="end" className="dim">
              {units.number(n, 'force')}
            </text>
          </g>
        ))}
        {[0, 90, 180, 270, 360].map((d) => (
          <text key={d} x={x(d)} y={H - 6} textAnchor={d === 360 ? 'end' : 'middle'} className="dim">
            {d}°
          </text>
        ))}
        {COURSES.map(([key, , , colour]) => (
          <path key={key} d={line(l[key])} stroke={colour} fill="none" strokeWidth={key === 'resultant' ? 1.8 : 1.1} />
        ))}
        {index !== null && <path d={`M${x(index * l.step)} ${TOP}V${BASE}`} stroke="var(--ink)" strokeDasharray="2 3" />}
      </svg>
      <table className="courses">
        <thead>
          <tr>
            <th>{index === null ? `Force, ${units.unit('force')}` : `At ${Math.round(index * l.step)}°`}</th>
            <th>{index === null ? 'peak' : 'force'}</th>
            <th>mean</th>
            <th>ripple</th>
          </tr>
        </thead>
        <tbody>
          {COURSES.map(([key, course, words, colour]) => (
            <tr key={key}>
              <th style={{ borderLeft: `3px solid ${colour}` }}>{words}</th>
              <td>{units.number(index === null ? l[course].peak : l[key][index]!, 'force')}</td>
              <td>{units.number(l[course].mean, 'force')}</td>
              <td>{Math.round(l[course].ripple * 100)} %</td>
            </tr>
          ))}
        </tbody>
        <caption>
          Mean power {units.text(l.meanPower, 'power')}; from the mean chip {units.text(l.meanChipPower, 'power')}.
        </caption>
      </table>
      <figure>
        <svg viewBox="0 0 136 140" role="img" aria-label={`Way of the tip, at most ${units.text(l.largestDeflection, 'deviation')}`}>
          <path d={`M4 ${ty(0)}H132M${tx(0)} 14V136`} stroke="var(--rule)" />
          <path
            d={`M${tx(0)} ${ty(0)}L${tx(l.tipAlong[index ?? 0]!)} ${ty(l.tipAcross[index ?? 0]!)}`}
            stroke="var(--muted)"
            strokeDasharray="2 3"
          />
          <path
            d={tip}
            fill="color-mix(in srgb, var(--load3) 13%, transparent)"
            stroke="var(--load3)"
            strokeWidth="1.4"
            strokeLinejoin="round"
          />
          {index !== null && <circle cx={tx(l.tipAlong[index]!)} cy={ty(l.tipAcross[index]!)} r="3.5" fill="var(--ink)" />}
          <circle cx={tx(0)} cy={ty(0)} r="2.4" fill="var(--ink)" />
          <text x={Math.min(Math.max(tx(0), 40), 96)} y="10" textAnchor="middle" className="dim">
            to the wall
          </text>
        </svg>
        <figcaption className="small muted">
          tip up to {units.text(l.largestDeflection, 'deviation')}; as an edge makes the wall{' '}
          {units.text(Math.abs(l.wallError), 'deviation')} {l.wallError < 0 ? 'off it' : 'into it'}
        </figcaption>
      </figure>
    </div>
  );
}
