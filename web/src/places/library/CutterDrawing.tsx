import type { Schemas } from '../../api/client';
import { NumberField, type Typed } from '../../parts/NumberField';
import { spanOf, type Profile } from '../../parts/outline';
import type { Cutter, Family } from '../../parts/shelf';
import { helixOf, ProfileShapes } from '../../parts/Silhouette';
import { ALONG, anchorOf } from './anchors';

interface Field {
  value: number | undefined;
  typed: Typed | undefined;
  onTyped: (t: Typed | undefined) => void;
}

interface Props {
  cutter: Cutter;
  family: Family;
  profile: Profile;
  field: (symbol: string) => Field;
  sentences: Record<string, string>;
  meant: Record<string, number>;
  ranges: Record<string, Schemas['FieldRange']>;
  disabled: boolean;
}

const WIDTH = 1010;
const LEFT = 150;
const RIGHT = 190;
const ROW = 34;
const SLOT = 165;
const TALL = 170;

/** Dimensions that stand on the drawing: lengths and angles of the shape. */
export const onDrawing = (d: Schemas['FamilyDimension']) =>
  (d.dimension.quantity === 'length' || d.dimension.quantity === 'angle') &&
  !d.dimension.symbol.startsWith('a_') &&
  d.dimension.symbol !== 'FHA';

/** The cutter's dimensioned drawing, true to scale; each dimension on it is the field to change it. */
export function CutterDrawing({ cutter, family, profile, field, sentences, meant, ranges, disabled }: Props) {
  const drawn = family.dimensions.filter(onDrawing);
  const symbols = drawn.map((d) => d.dimension.symbol);
  // A flat tool called by its shank has that size across the picture, which the picture does not show.
  const tip = profile.shape === 'flat' && family.calledBy === family.shankSize ? '' : family.calledBy;
  const back = family.freeProfile || family.shankSize === tip ? undefined : family.shankSize;
  const along = ALONG.filter((s) => symbols.includes(s) && s !== tip).sort(
    (a, b) => (cutter.dimensions?.[a] ?? 0) - (cutter.dimensions?.[b] ?? 0),
  );
  const [low, high] = spanOf(profile);
  const length = Math.max(profile.length, 1);
  const scale = Math.min((WIDTH - LEFT - RIGHT) / length, TALL / (high - low));
  const x = (mm: number) => LEFT + Math.min(Math.max(mm, 0), length * 1.15) * scale;

  // Leaders fall in the order of what they point at, so that none crosses another.
  const above = symbols
    .filter((s) => s !== tip && s !== back && !along.includes(s))
    .map((symbol) => ({ symbol, at: anchorOf(symbol, profile) }))
    .sort((a, b) => a.at[0] - b.at[0]);
  const perRow = Math.floor((WIDTH - 20) / SLOT);
  const topRows = Math.ceil(above.length / perRow);
  const top = 16 + topRows * ROW + (topRows > 0 ? 14 : 6);
  const axis = top + high * scale;
  const bottom = axis - low * scale;
  const height = bottom + 26 + along.length * ROW + 6;
  const tipRadius = (cutter.dimensions?.[tip] ?? 0) / 2;
  const backRadius = (cutter.dimensions?.[back ?? ''] ?? 0) / 2;
  const flat = profile.shape === 'flat';

  const box = (symbol: string) => {
    const d = drawn.find((f) => f.dimension.symbol === symbol)!;
    const path = `dimensions.${symbol}`;
    return (
      <NumberField
        bare
        label={capital(d.dimension.name)}
        symbol={symbol}
        quantity={d.dimension.quantity}
        {...field(symbol)}
        refused={sentences[path] && ' '}
        meant={meant[path]}
        least={ranges[path]?.least}
        most={ranges[path]?.most}
        disabled={disabled}
      />
    );
  };
  const tipOf = (symbol: string) => {
    const r = ranges[`dimensions.${symbol}`];
    const d = drawn.find((f) => f.dimension.symbol === symbol)!;
    return `${capital(d.dimension.name)}${r ? `, ${+r.least.toFixed(3)} to ${+r.most.toFixed(3)}` : ''}`;
  };

  return (
    <div className="drawing" style={{ width: WIDTH, height }}>
      <svg width={WIDTH} height={height} aria-hidden="true">
        <line x1={LEFT - 14} x2={x(length) + 14} y1={axis} y2={axis} stroke="var(--muted)" strokeWidth=".8" strokeDasharray="12 3 2 3" />
        <g transform={`translate(${LEFT} ${axis}) scale(${scale})`}>
          <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
        </g>
        <g stroke="var(--accent)" fill="none" strokeWidth="1">
          {!flat && symbols.includes(tip) && (
            <path
              d={
                `M${LEFT - 10} ${axis - tipRadius * scale}H${LEFT - 26}M${LEFT - 10} ${axis + tipRadius * scale}` +
                `H${LEFT - 26}M${LEFT - 20} ${axis - tipRadius * scale}V${axis + tipRadius * scale}`
              }
            />
          )}
          {!flat && back && (
            <path
              d={
                `M${x(length) + 8} ${axis - backRadius * scale}h14M${x(length) + 8} ${axis + backRadius * scale}` +
                `h14M${x(length) + 17} ${axis - backRadius * scale}v${2 * backRadius * scale}`
              }
            />
          )}
          {along.map((symbol, i) => {
            const y = bottom + 30 + i * ROW;
            const end = x(cutter.dimensions?.[symbol] ?? 0);
            return <path key={symbol} d={`M${LEFT} ${y}H${end}M${LEFT} ${y - 5}v10M${end} ${bottom + 4}V${y + 5}`} />;
          })}
          {along.length > 0 && <path d={`M${LEFT} ${bottom + 4}V${bottom + 30 + (along.length - 1) * ROW + 5}`} />}
          {above.map(({ symbol, at }, i) => {
            const [slot, row] = [i % perRow, Math.floor(i / perRow)];
            const from = 10 + slot * SLOT + 30;
            const [ax, ay] = [LEFT + at[0] * scale, axis - Math.max(at[1], flat ? at[1] : 0) * scale];
            return (
              <g key={symbol} strokeWidth=".8">
                <path d={`M${from} ${8 + (row + 1) * ROW - 6}L${ax} ${ay}`} />
                <circle cx={ax} cy={ay} r="2" fill="var(--accent)" stroke="none" />
              </g>
            );
          })}
        </g>
      </svg>
      {symbols.includes(tip) && (
        <div title={tipOf(tip)} style={{ left: 2, top: axis - 11 }}>
          {box(tip)}
        </div>
      )}
      {back && (
        <div title={tipOf(back)} style={{ left: x(length) + 28, top: axis - 11 }}>
          {box(back)}
        </div>
      )}
      {above.map(({ symbol }, i) => (
        <div key={symbol} title={tipOf(symbol)} style={{ left: 10 + (i % perRow) * SLOT, top: 6 + Math.floor(i / perRow) * ROW }}>
          {box(symbol)}
        </div>
      ))}
      {along.map((symbol, i) => (
        <div
          key={symbol}
          title={tipOf(symbol)}
          style={{ left: Math.min(x(cutter.dimensions?.[symbol] ?? 0) + 8, WIDTH - 170), top: bottom + 20 + i * ROW }}
        >
          {box(symbol)}
        </div>
      ))}
    </div>
  );
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
