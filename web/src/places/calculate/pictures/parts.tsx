import type { ReactNode } from 'react';
import { loadColour } from '../../../parts/theme';
import { Sym, SymbolText } from '../../../parts/Sym';
import type { Cutter } from '../../../parts/shelf';
import type { FieldCode, FigureCode, LimitKind, Picture, Result } from '../page';

/** What every picture is drawn from. */
export interface Drawn {
  result: Result;
  cutter: Cutter;
  /** Which picture, from the operation's description. */
  picture: Picture;
}

/** A figure; 0 where the operation has it not. A code that no operation has does not compile. */
export const figure = (result: Result, code: FigureCode): number => result.figures.find((f) => f.code === code)?.value ?? 0;
/** The value of a field; 0 where the operation has it not. */
export const fieldValue = (result: Result, code: FieldCode): number => result.fields.find((f) => f.code === code)?.value ?? 0;
export const shareOf = (result: Result, kind: LimitKind): number => result.limits.find((l) => l.kind === kind)?.use ?? 0;

/** Colour of a load, never so light that its lines vanish on paper. */
export const colourOf = (result: Result, kind: LimitKind): string => loadColour(Math.max(shareOf(result, kind), 0.6));

export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** A point on a circle: angles run from the wall above towards the stock ahead, which lies to the left. */
export const at = (cx: number, cy: number, radius: number, angle: number): string =>
  `${(cx - radius * Math.sin(angle)).toFixed(2)} ${(cy - radius * Math.cos(angle)).toFixed(2)}`;

export function Hatch({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--hatch)" strokeWidth="1.1" />
      </pattern>
    </defs>
  );
}

/** Material that stays: filled and hatched. */
export function Solid({ d, hatch }: { d: string; hatch: string }) {
  return (
    <>
      <path d={d} fill="var(--solid)" />
      <path d={d} fill={`url(#${hatch})`} stroke="var(--ink)" strokeWidth=".9" />
    </>
  );
}

/** Material about to be cut. */
export const Stock = ({ d }: { d: string }) => <path d={d} fill="var(--stock)" stroke="var(--stock-edge)" strokeWidth=".8" />;

export function Label(props: {
  x: number;
  y: number;
  children: ReactNode;
  anchor?: 'start' | 'middle' | 'end';
  accent?: boolean;
  colour?: string;
  /** Where it stands on lines: they end around it. */
  clear?: boolean;
}) {
  const { x, y, children, anchor = 'start', accent, colour, clear } = props;
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      className={`dim ${accent ? 'accent' : ''} ${clear ? 'onlines' : ''}`}
      style={colour ? { fill: colour } : undefined}
    >
      {children}
    </text>
  );
}

export { Sym, SymbolText };

/** The cutter seen along its axis, with one tooth at an angle, its arc and the chip it cuts. */
export function CutterInCut(props: {
  cx: number;
  cy: number;
  r: number;
  teeth: number;
  entry: number;
  exit: number;
  colour: string;
  /** Whether the chip is equally thick over the arc. */
  even?: boolean;
}) {
  const { cx, cy, r, teeth, entry, exit, colour, even } = props;
  const p = (radius: number, angle: number) => at(cx, cy, radius, angle);
  const pitch = (2 * Math.PI) / teeth;
  const first = entry + (exit - entry) * 0.55;
  const body = Array.from({ length: teeth }, (_, i) => {
    const tip = first - i * pitch;
    return (
      `${i ? 'L' : 'M'}${p(r, tip)}L${p(r * 0.66, tip - 0.03)}Q${p(r * 0.5, tip - 0.28 * pitch)} ` +
      `${p(r * 0.93, tip - 0.48 * pitch)}Q${p(r * 1.02, tip - 0.72 * pitch)} ${p(r, tip - pitch)}`
    );
  }).join('');
  const angles = Array.from({ length: 33 }, (_, i) => entry + ((exit - entry) * i) / 32);
  const thick = (a: number) => 9 * (even ? 1 : Math.max(0, Math.sin(a)));
  const large = exit - entry > Math.PI ? 1 : 0;
  return (
    <>
      <circle cx={cx} cy={cy} r={r} fill="var(--paper)" stroke="var(--muted)" strokeWidth=".8" strokeDasharray="3 3" />
      <path d={`${body}Z`} fill="var(--part)" stroke="var(--ink)" strokeWidth="1.2" strokeLinejoin="round" />
      <path
        d={`M${cx} ${cy}L${p(r, entry)}A${r} ${r} 0 ${large} 0 ${p(r, exit)}Z`}
        fill={colour}
        fillOpacity=".12"
        stroke={colour}
        strokeWidth="1.2"
      />
      <path
        d={`M${angles.map((a) => p(r, a)).join('L')}L${[...angles]
          .reverse()
          .map((a) => p(r - thick(a), a))
          .join('L')}Z`}
        fill={colour}
        fillOpacity=".75"
      />
      <circle cx={cx} cy={cy} r="2.2" fill="var(--ink)" />
      <g stroke="var(--muted)" fill="none">
        <path d={`M${p(r + 12, -1.2)}A${r + 12} ${r + 12} 0 0 1 ${p(r + 12, -2.1)}`} />
        <path d={`M${p(r + 6, -2.02)}L${p(r + 12, -2.12)}L${p(r + 17, -2.0)}`} />
      </g>
    </>
  );
}

/** The round factor that makes something of some pixels visible without leaving the picture. */
export function niceFactor(pixels: number, wanted = 22): number {
  if (pixels <= 0) return 1;
  const factor = wanted / pixels;
  const decade = 10 ** Math.floor(Math.log10(factor));
  return Math.max(1, decade * ([5, 2, 1].find((s) => s * decade <= factor) ?? 1));
}
