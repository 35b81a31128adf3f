import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { useLook, type Palette } from '../../parts/looks';
import { loadStep } from '../../parts/theme';
import { Problem } from '../../parts/Problem';
import type { FieldCode } from './page';
import { SymbolText, fieldValue } from './pictures/parts';
import type { Situation } from './useSituation';

const [W, H, LEFT, TOP, BASE, RIGHT] = [640, 226, 52, 10, 196, 632];
const AT_LIMIT = 200;
const LINE: Record<string, string> = {
  deflection: 'var(--load3)',
  torqueContinuous: 'var(--load2)',
  powerContinuous: 'var(--load4)',
  axisFeed: 'var(--accent)',
  largestChip: 'var(--caution)',
  leastChip: 'var(--leaf)',
};
const colourOf = (line: Schemas['WindowLine']) => LINE[line.kind ?? ''] ?? 'var(--muted)';
// Totals follow a single pass while the window is drawn.
const TOTALS = ['stockWidth', 'wallHeight', 'stockHeight'];

interface Props {
  situation: Situation;
  operation: Schemas['OperationDescription'];
  body: Schemas['CalculationRequest'];
  result: Schemas['CalculationResult'];
  axes: [across: FieldCode, up: FieldCode];
  onAxes: (across: string, up: string) => void;
  onMove: (values: Record<string, number>) => void;
}

/** Where the cut may be run, over two of its values: every limit's line, the forbidden side shaded, and the point in use, which can be moved. */
export function OperatingWindow({ situation, operation, body, result, axes, onAxes, onMove }: Props) {
  const units = useUnits();
  const { palette } = useLook();
  const picture = useRef<SVGSVGElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [across, up] = axes;
  const free = operation.free;
  const describe = (code: string) => operation.fields.find((f) => f.code === code)!;
  const nameOf = (code: string) => describe(code).name.replace(/, at most$/, '');

  // The window does not depend on the two values it is drawn over, so it stays while the point is dragged.
  const rest = Object.fromEntries(
    Object.entries(body.numbers ?? {}).filter(([code]) => !(axes as string[]).includes(code) && !TOTALS.includes(code)),
  );
  const asked = { ...body, numbers: rest };
  const window = useQuery({
    queryKey: ['window', situation.operation, across, up, asked],
    queryFn: ({ signal }) =>
      data(
        client.POST('/api/v1/calculations/{operation}/window', {
          params: { path: { operation: situation.operation }, query: { across, up, size: 256 } },
          body: asked,
          signal,
        }),
      ),
    // While the first answer of another operation is on its way, what is drawn is still the one before.
    enabled: situation.operation === operation.code,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const shown = window.data?.across === across && window.data.up === up ? window.data : undefined;

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context && shown) paint(context, shown, palette);
  }, [shown, palette]);

  if (window.error) return <Problem error={window.error} />;
  if (!shown) return <p className="muted">Working out the window…</p>;

  const { acrossEnd, upEnd, size, lines, bestAcross, bestUp, bestRemovalRate } = shown;
  const x = (value: number) => LEFT + ((RIGHT - LEFT) * value) / acrossEnd;
  const y = (value: number) => BASE - ((BASE - TOP) * value) / upEnd;
  const [vx, vy] = [fieldValue(result, across), fieldValue(result, up)];
  const kept = result.limits.every((l) => l.use === null || l.use <= 1 + 1e-9);
  // What was not typed gives way where the point leaves the limits; the lines stand for the feed of the chart.
  const followsFeed = !axes.includes('feedPerTooth') && body.numbers?.feedPerTooth === undefined;
  const binding = result.limits.find((l) => l.use !== null);

  const moveTo = (a: number, b: number) => {
    const three = (v: number) => Number(v.toPrecision(3));
    onMove({
      [across]: three(Math.min(Math.max(a, acrossEnd / 500), acrossEnd)),
      [up]: three(Math.min(Math.max(b, upEnd / 500), upEnd)),
    });
  };
  const onPointer = (e: PointerEvent) => {
    if (e.buttons !== 1) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(picture.current!.getScreenCTM()!.inverse());
    moveTo(((p.x - LEFT) / (RIGHT - LEFT)) * acrossEnd, ((BASE - p.y) / (BASE - TOP)) * upEnd);
  };
  const onKey = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!by) return;
    e.preventDefault();
    moveTo(vx + (by[0]! * acrossEnd) / 100, vy + (by[1]! * upEnd) / 100);
  };
  const ticks = (code: string, most: number) => {
    const { perBase } = units.shown(describe(code).quantity);
    const step =
      [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500].find((s) => most / perBase / s <= 7) ??
      1000;
    return Array.from({ length: Math.floor(most / perBase / step) }, (_, i) => (i + 1) * step * perBase);
  };
  const tick = (code: string, value: number) => String(Number((value / units.shown(describe(code).quantity).perBase).toPrecision(4)));
  const place = (line: readonly number[], i: number): [number, number] => [
    x((acrossEnd * (line[i]! + 1)) / size),
    y((upEnd * (line[i + 1]! + 1)) / size),
  ];
  const right = bestAcross > acrossEnd * 0.6;
  const bestWords = `most removal here ${units.text(bestRemovalRate, 'removalRate')}`;
  const best: Word = {
    x: x(bestAcross) + ((right ? -1 : 1) * (wideOf(bestWords) + 18)) / 2,
    y: Math.max(y(bestUp) + 15, TOP + 28),
    wide: wideOf(bestWords),
  };
  const point: Word = { x: x(Math.min(vx, acrossEnd)), y: y(Math.min(vy, upEnd)) + 5, wide: 16 };
  const named = labelled(lines, place, bestRemovalRate > 0 ? [best, point] : [point]);

  return (
    <div className="window">
      <div className="over">
        {[
          ['over', across, (v: string) => onAxes(v, v === up ? across : up)] as const,
          ['and', up, (v: string) => onAxes(v === across ? up : across, v)] as const,
        ].map(([word, value, take]) => (
          <label key={word}>
            {word}{' '}
            <Select
              size="small"
              variant="borderless"
              aria-label={`Window ${word}`}
              value={value}
              onChange={take}
              popupMatchSelectWidth={false}
              options={free.map((code) => ({ value: code, label: nameOf(code).toLowerCase() }))}
            />
          </label>
        ))}
        <span className="muted small">{binding && `${binding.name} ${Math.round(binding.use! * 100)} %`}</span>
      </div>
      <svg
        ref={picture}
        viewBox={`0 0 ${W} ${H}`}
        tabIndex={0}
        role="application"
        aria-label={
          `Operating window. The point stands at ${nameOf(across)} ${units.text(vx, describe(across).quantity)}` +
          `, ${nameOf(up)} ${units.text(vy, describe(up).quantity)}. Arrow keys move it.`
        }
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          onPointer(e);
        }}
        onPointerMove={onPointer}
        onKeyDown={onKey}
      >
        <defs>
          <pattern id="forbidden" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--stop)" strokeOpacity=".22" strokeWidth="1" />
          </pattern>
        </defs>
        <foreignObject x={LEFT} y={TOP} width={RIGHT - LEFT} height={BASE - TOP}>
          <canvas ref={canvas} width={size} height={size} />
        </foreignObject>
        {lines.map((line) => (
          <g key={line.kind} stroke={colourOf(line)} fill="none" strokeWidth="1.6">
            {line.lines.map((piece, i) => (
              <path key={i} d={pathOf(piece, place)} />
            ))}
          </g>
        ))}
        {named.map(({ line, text, word }) => (
          <text key={line.kind} x={word.x} y={word.y} textAnchor="middle" className="dim onlines" style={{ fill: colourOf(line) }}>
            {text}
          </text>
        ))}
        {bestRemovalRate > 0 && (
          <g>
            <circle cx={x(bestAcross)} cy={y(bestUp)} r="4.5" fill="var(--sheet)" stroke="var(--accent)" strokeWidth="1.6" />
            <text x={best.x} y={best.y} textAnchor="middle" className="dim accent onlines">
              {bestWords}
            </text>
          </g>
        )}
        <path
          d={`M${x(vx)} ${BASE}V${y(Math.min(vy, upEnd))}H${LEFT}`}
          stroke="var(--ink)"
          strokeWidth=".7"
          strokeDasharray="2 3"
          fill="none"
        />
        <circle
          cx={x(Math.min(vx, acrossEnd))}
          cy={y(Math.min(vy, upEnd))}
          r="6"
          fill={kept ? 'var(--accent)' : 'var(--stop)'}
          stroke="var(--sheet)"
          strokeWidth="1.5"
        />
        {ticks(across, acrossEnd).map((t) => (
          <text key={t} x={x(t)} y={BASE + 14} textAnchor="middle" className="dim">
            {tick(across, t)}
          </text>
        ))}
        {ticks(up, upEnd).map((t) => (
          <text key={t} x={LEFT - 6} y={y(t) + 4} textAnchor="end" className="dim">
            {tick(up, t)}
          </text>
        ))}
        <text x={RIGHT} y={H - 5} textAnchor="end" className="dim">
          <SymbolText text={describe(across).symbol} /> across, {units.unit(describe(across).quantity)} ·{' '}
          <SymbolText text={describe(up).symbol} /> up, {units.unit(describe(up).quantity)} · drag the point
          {followsFeed ? ' · beyond a line a proposed feed is lowered' : ', or use the arrow keys'}
        </text>
      </svg>
    </div>
  );
}

// The allowed side in the colours of the load, the forbidden side in hatched red.
function paint(context: CanvasRenderingContext2D, { use, size }: Schemas['OperatingWindow'], palette: Palette) {
  const bytes = Uint8Array.from(atob(use), (c) => c.charCodeAt(0));
  const image = context.createImageData(size, size);
  const shades = Array.from({ length: 256 }, (_, u) => shade(u / AT_LIMIT, palette));
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const [r, g, b] = shades[bytes[j * size + i]!]!;
      const to = ((size - 1 - j) * size + i) * 4;
      const hatch = bytes[j * size + i]! > AT_LIMIT && (i + j) % 12 < 2 ? 0.12 : 0;
      image.data.set([...mixed([r, g, b], channels(palette.stop), hatch), 255], to);
    }
  context.putImageData(image, 0, 0);
}

// Load colours, thinned on paper so that lines and words stay readable.
function shade(use: number, palette: Palette): Rgb {
  const paper = channels(palette.paper);
  if (use > 1) return mixed(paper, channels(palette.stop), 0.12);
  return mixed(paper, channels(palette[loadStep(Math.min(use, 0.99))]), use < 0.6 ? 0.1 + use * 0.15 : 0.22);
}

type Rgb = [number, number, number];
const channels = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as Rgb;
const mixed = (a: Rgb, b: Rgb, share: number) => a.map((v, i) => Math.round(v + (b[i]! - v) * share)) as Rgb;

const pathOf = (piece: readonly number[], place: (line: readonly number[], i: number) => [number, number]): string => {
  let d = '';
  for (let i = 0; i + 1 < piece.length; i += 2) {
    const [px, py] = place(piece, i);
    d += `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`;
  }
  return d;
};

/** A word on the picture: where it is centred, and how much it takes. */
interface Word {
  x: number;
  y: number;
  wide: number;
}

const wideOf = (text: string) => text.length * 6.7;
const collide = (a: Word, b: Word) => Math.abs(a.x - b.x) < (a.wide + b.wide) / 2 + 4 && Math.abs(a.y - b.y) < 13;
const shortOf = (line: Schemas['WindowLine']) => line.name.toLowerCase().replace(/ (at|of|outside) the .*|, continuous/, '');

// A name for every line, where it stands on no other word.
function labelled(lines: Schemas['WindowLine'][], place: (line: readonly number[], i: number) => [number, number], standing: Word[]) {
  const taken = [...standing];
  return lines.flatMap((line) => {
    const text = shortOf(line);
    const wide = wideOf(text);
    const piece = [...line.lines].sort((a, b) => b.length - a.length)[0]!;
    const count = piece.length / 2;
    for (const share of [0.5, 0.35, 0.65, 0.2, 0.8, 0.1, 0.9, 0.05, 0.95]) {
      const [px, py] = place(piece, 2 * Math.min(count - 1, Math.floor(count * share)));
      const x = Math.min(Math.max(px, LEFT + wide / 2 + 2), RIGHT - wide / 2 - 2);
      for (const y of [py - 5, py + 13]) {
        const word = { x, y: Math.min(Math.max(y, TOP + 10), BASE - 3), wide };
        if (taken.some((t) => collide(t, word))) continue;
        taken.push(word);
        return [{ line, text, word }];
      }
    }
    return [];
  });
}
