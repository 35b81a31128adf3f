import type { Schemas } from '../../api/client';
import { NumberField } from '../../parts/NumberField';
import { lengthOf, ProfileShapes } from '../../parts/Silhouette';
import type { Typed } from '../../parts/NumberField';

type Cutter = Schemas['Cutter'];
export type LengthField =
  'cuttingDiameter' | 'neckDiameter' | 'shankDiameter' | 'largestDepth' | 'fluteLength' | 'usableLength' | 'overallLength';

interface Field {
  value: number;
  typed: Typed | undefined;
  onTyped: (t: Typed | undefined) => void;
}

interface Props {
  cutter: Cutter;
  profile: readonly Schemas['ProfileSegment'][];
  field: (key: LengthField) => Field;
  refused: Record<string, string>;
  disabled: boolean;
}

const WIDTH = 980;
const LEFT = 150;
const RIGHT = 170;
const ROW = 38;

/** The cutter's dimensioned drawing; each dimension on it is the field to change it. */
export function CutterDrawing({ cutter, profile, field, refused, disabled }: Props) {
  const length = Math.max(lengthOf(profile), 1);
  const girth = Math.max(cutter.cuttingDiameter, cutter.shankDiameter, 1);
  const scale = Math.min((WIDTH - LEFT - RIGHT) / length, 150 / girth);
  const axis = 66 + (girth * scale) / 2;
  const bottom = axis + (girth * scale) / 2;
  const lengths: [LengthField, string, string][] = [
    ['largestDepth', 'APMX', 'Largest depth of cut'],
    ['fluteLength', 'LCF', 'Flute length'],
    ['usableLength', 'LU', 'Usable length'],
    ['overallLength', 'OAL', 'Overall length'],
  ];
  const x = (mm: number) => LEFT + mm * scale;
  const clamp = (mm: number) => (Number.isFinite(mm) ? Math.min(Math.max(mm, 0), length * 1.15) : 0);
  const necked = cutter.usableLength > cutter.fluteLength;
  const height = bottom + 20 + lengths.length * ROW + 20;

  const box = (key: LengthField, symbol: string, name: string) => (
    <NumberField bare label={name} symbol={symbol} quantity="length" {...field(key)} refused={refused[key]} disabled={disabled} />
  );

  return (
    <div className="drawing" style={{ width: WIDTH, height }}>
      <svg width={WIDTH} height={height} aria-hidden="true">
        <line x1={LEFT - 14} x2={x(length) + 14} y1={axis} y2={axis} stroke="#5C6773" strokeWidth=".8" strokeDasharray="12 3 2 3" />
        <g transform={`translate(${LEFT} ${axis}) scale(${scale})`}>
          <ProfileShapes profile={profile} helix={cutter.helixAngle ?? 30} pixel={1 / scale} />
        </g>
        <g stroke="#0F6E6E" fill="none" strokeWidth="1">
          <path
            d={`M${LEFT - 10} ${axis - (cutter.cuttingDiameter / 2) * scale}H${LEFT - 26}M${LEFT - 10} ${axis + (cutter.cuttingDiameter / 2) * scale}H${LEFT - 26}M${LEFT - 20} ${axis - (cutter.cuttingDiameter / 2) * scale}V${axis + (cutter.cuttingDiameter / 2) * scale}`}
          />
          <path
            d={`M${x(length) + 8} ${axis - (cutter.shankDiameter / 2) * scale}h14M${x(length) + 8} ${axis + (cutter.shankDiameter / 2) * scale}h14M${x(length) + 17} ${axis - (cutter.shankDiameter / 2) * scale}v${cutter.shankDiameter * scale}`}
          />
          {necked && (
            <path d={`M${x((cutter.fluteLength + cutter.usableLength) / 2)} ${axis - ((cutter.neckDiameter ?? 0) / 2) * scale}V44`} />
          )}
          {lengths.map(([key], i) => {
            const y = bottom + 34 + i * ROW;
            const end = x(clamp(cutter[key] ?? 0));
            return <path key={key} d={`M${LEFT} ${y}H${end}M${LEFT} ${y - 5}v10M${end} ${bottom + 4}V${y + 5}`} strokeDasharray="none" />;
          })}
          <path d={`M${LEFT} ${bottom + 4}V${bottom + 34 + (lengths.length - 1) * ROW + 5}`} />
        </g>
      </svg>
      <div style={{ left: 4, top: axis - 11 }}>{box('cuttingDiameter', 'DC', 'Cutting diameter')}</div>
      <div style={{ left: x(length) + 28, top: axis - 11 }}>{box('shankDiameter', 'DMM', 'Shank diameter')}</div>
      <div
        style={{
          left: necked ? x((cutter.fluteLength + cutter.usableLength) / 2) - 50 : LEFT + 120,
          top: 18,
          visibility: necked ? 'visible' : 'hidden',
        }}
      >
        {box('neckDiameter', 'DN', 'Neck diameter')}
      </div>
      {lengths.map(([key, symbol, name], i) => (
        <div key={key} style={{ left: Math.min(x(clamp(cutter[key] ?? 0)) + 8, WIDTH - 160), top: bottom + 24 + i * ROW }}>
          {box(key, symbol, name)}
        </div>
      ))}
    </div>
  );
}
