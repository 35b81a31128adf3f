import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { figure } from './Picture';
import type { Situation } from './useCalculation';

const [W, H, LEFT, TOP, BASE] = [640, 226, 46, 12, 196];
const LINE: Record<string, string> = {
  deflection: '#6B3F7A',
  torqueContinuous: '#B9722E',
  powerContinuous: '#27457C',
  axisFeed: '#0F6E6E',
};

interface Props {
  situation: Situation;
  body: Schemas['CalculationRequest'];
  result: Schemas['CalculationResult'];
  onMove: (width: number, depth: number) => void;
}

/** Where the cut may be run, over width and depth of one pass: every limit's line, and the point in use, which can be moved. */
export function OperatingWindow({ situation, body, result, onMove }: Props) {
  const units = useUnits();
  const picture = useRef<SVGSVGElement>(null);
  const rest = Object.fromEntries(
    Object.entries(body.numbers ?? {}).filter(([code]) => !['widthOfCut', 'depthOfCut', 'stockWidth', 'wallHeight'].includes(code)),
  );
  const asked = { ...body, numbers: rest };
  const window = useQuery({
    queryKey: ['window', situation.operation, asked],
    queryFn: ({ signal }) =>
      data(
        client.POST('/api/v1/calculations/{operation}/window', {
          params: { path: { operation: situation.operation } },
          body: asked,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (window.error) return <Problem error={window.error} />;
  if (!window.data) return <p className="muted">Working out the window…</p>;

  const { widths, mostDepth, lines, bestWidth, bestDepth, bestRemovalRate } = window.data;
  const mostWidth = widths[widths.length - 1]!;
  const x = (width: number) => LEFT + ((W - LEFT - 8) * width) / mostWidth;
  const y = (depth: number) => BASE - ((BASE - TOP) * depth) / mostDepth;
  const inside = widths.map((_, i) => Math.min(mostDepth, ...lines.map((l) => l.depths[i]!)));
  const [ae, ap] = [figure(result, 'width'), figure(result, 'depth')];
  const kept = result.limits.every((l) => l.use === null || l.use <= 1 + 1e-9);

  const moveTo = (width: number, depth: number) => {
    const three = (v: number) => Number(v.toPrecision(3));
    onMove(three(Math.min(Math.max(width, mostWidth / 500), mostWidth)), three(Math.min(Math.max(depth, mostDepth / 500), mostDepth)));
  };
  const onPointer = (e: PointerEvent) => {
    if (e.buttons !== 1) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(picture.current!.getScreenCTM()!.inverse());
    moveTo(((at.x - LEFT) / (W - LEFT - 8)) * mostWidth, ((BASE - at.y) / (BASE - TOP)) * mostDepth);
  };
  const onKey = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!by) return;
    e.preventDefault();
    moveTo(ae + (by[0]! * mostWidth) / 100, ap + (by[1]! * mostDepth) / 100);
  };
  const ticks = (most: number) => {
    const shown = most / units.shown('length').perBase;
    const step = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].find((s) => shown / s <= 7) ?? 100;
    return Array.from({ length: Math.floor(shown / step) }, (_, i) => (i + 1) * step * units.shown('length').perBase);
  };

  return (
    <div className="window">
      <svg
        ref={picture}
        viewBox={`0 0 ${W} ${H}`}
        tabIndex={0}
        role="application"
        aria-label={`Operating window. The point stands at width ${units.text(ae, 'length')}, depth ${units.text(ap, 'length')}. Arrow keys move it.`}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          onPointer(e);
        }}
        onPointerMove={onPointer}
        onKeyDown={onKey}
      >
        <rect x={LEFT} y={TOP} width={W - LEFT - 8} height={BASE - TOP} fill="#F0EBE1" />
        <path
          d={`M${x(widths[0]!)} ${BASE}${widths.map((w, i) => `L${x(w).toFixed(1)} ${y(inside[i]!).toFixed(1)}`).join('')}V${BASE}Z`}
          fill="#fff"
        />
        {lines.map((line, k) => {
          const bent = widths.map((w, i) => ({ w, d: line.depths[i]! })).filter((p) => p.d > 0 && p.d < mostDepth * 0.9999);
          const flat = bent.length > 2 && Math.abs(bent[0]!.d - bent[bent.length - 1]!.d) < 1e-3 * mostDepth;
          const edges = widths.filter((_, i) => i > 0 && line.depths[i]! > 0 !== line.depths[i - 1]! > 0);
          const colour = LINE[line.kind ?? ''] ?? '#5C6773';
          const name = line.kind === 'depthOfCutter' ? 'APMX' : line.name.toLowerCase().replace(/ (at|of) the .*|, continuous/, '');
          const label = bent[Math.round(bent.length * (flat ? 0.84 - k * 0.04 : 0.5 + (k % 3) * 0.16))];
          return (
            <g key={line.kind} stroke={colour} fill="none">
              {bent.length > 1 && (
                <path
                  d={bent.map((p, i) => `${i ? 'L' : 'M'}${x(p.w).toFixed(1)} ${y(p.d).toFixed(1)}`).join('')}
                  strokeWidth={flat ? 1 : 1.6}
                  strokeDasharray={flat ? '5 3' : undefined}
                />
              )}
              {edges.map((w) => (
                <line key={w} x1={x(w)} x2={x(w)} y1={TOP} y2={BASE} strokeDasharray="2 3" />
              ))}
              {label && (
                <text
                  x={x(label.w)}
                  y={y(label.d) + (line.kind === 'depthOfCutter' ? 12 : -5)}
                  textAnchor="middle"
                  className="dim"
                  style={{ fill: colour }}
                >
                  {name}
                </text>
              )}
              {!label && edges[0] !== undefined && (
                <text x={x(edges[0]) + 4} y={TOP + 12} className="dim" style={{ fill: colour }}>
                  {name}
                </text>
              )}
            </g>
          );
        })}
        {bestRemovalRate > 0 && (
          <g>
            <circle cx={x(bestWidth)} cy={y(bestDepth)} r="4.5" fill="#fff" stroke="#0F6E6E" strokeWidth="1.6" />
            <text
              x={x(bestWidth) + (bestWidth > mostWidth * 0.6 ? -9 : 9)}
              y={Math.max(y(bestDepth) + 14, TOP + 26)}
              textAnchor={bestWidth > mostWidth * 0.6 ? 'end' : 'start'}
              className="dim accent"
            >
              most removal {units.text(bestRemovalRate, 'removalRate')}
            </text>
          </g>
        )}
        <circle cx={x(ae)} cy={y(Math.min(ap, mostDepth))} r="6" fill={kept ? '#0F6E6E' : '#B3261E'} stroke="#fff" strokeWidth="1.5" />
        {ticks(mostWidth).map((t) => (
          <text key={t} x={x(t)} y={BASE + 15} textAnchor="middle" className="dim">
            {units.size(t)}
          </text>
        ))}
        {ticks(mostDepth).map((t) => (
          <text key={t} x={LEFT - 6} y={y(t) + 4} textAnchor="end" className="dim">
            {units.size(t)}
          </text>
        ))}
        <text x={W - 8} y={H - 2} textAnchor="end" className="dim">
          width of one pass, {units.system} · drag the point, or use the arrow keys
        </text>
        <text x={4} y={TOP + 6} className="dim">
          depth
        </text>
      </svg>
    </div>
  );
}
