import { useUnits } from '../../../app/session';
import { colourOf, CutterInCut, fieldValue, figure, Hatch, Label, radians, Solid, Stock, SymbolText, type Drawn } from './parts';

const [W, H] = [350, 262];

/**
 * A bend or corner seen along the axis: the wall to be made, the stock before it, and the cutter in the middle of the bend with its
 * arc there. True to scale.
 */
export function CornerView({ result, cutter }: Pick<Drawn, 'result' | 'cutter'>) {
  const units = useUnits();
  const cleaning = figure(result, 'leftover') > 0;
  const outer = result.options.bend === 'outer';
  const radius = fieldValue(result, 'cornerRadius');
  const diameter = figure(result, 'diameter');
  const before = cleaning ? fieldValue(result, 'diameterBefore') / 2 : 0;
  const width = figure(result, 'width');
  const arc = radians(figure(result, 'bendArc') || figure(result, 'arc'));
  const scale = Math.min(outer ? 130 / (radius + diameter) : 200 / (Math.max(radius, before, diameter) * 1.5), 26);
  const colour = colourOf(result, 'largestChip');
  const px = (mm: number) => mm * scale;

  // Everything is drawn around the centre of the bend; the walls of an inner one run left and down.
  const corner = px(radius);
  const [cx, cy] = outer ? [210, 168] : [250 - corner, 40 + corner];
  const r = px(diameter / 2);
  const path = Math.max(0, outer ? radius + diameter / 2 : radius - diameter / 2) * scale;
  // The cutter stands on the bisector.
  const s = Math.SQRT1_2;
  const [mx, my] = outer ? [cx - path * s, cy - path * s] : [cx + path * s, cy - path * s];
  const wall = `M0 ${cy - corner}H${cx}A${corner} ${corner} 0 0 1 ${cx + corner} ${cy}V${H - 8}H${W}V8H0Z`;
  const inner = px(Math.max(0, radius - width));
  const stockInner = cleaning ? px(before) : inner;
  const turn = outer ? -45 : 45;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={
        `In the bend: arc ${units.text(figure(result, 'bendArc') || figure(result, 'arc'), 'angle')} ` +
        `against ${units.text(figure(result, 'arc'), 'angle')} on the straight`
      }
    >
      <Hatch id="h3" />
      {outer ? (
        <>
          <circle cx={cx} cy={cy} r={px(radius + width)} fill="var(--stock)" stroke="var(--stock-edge)" />
          <circle cx={cx} cy={cy} r={corner} fill="var(--solid)" stroke="var(--ink)" />
          <circle cx={cx} cy={cy} r={corner} fill="url(#h3)" />
        </>
      ) : (
        <>
          {cleaning ? (
            <Stock
              d={
                `M${cx + corner - stockInner} ${cy - corner}H${cx + corner}V${cy - corner + stockInner}` +
                `A${stockInner} ${stockInner} 0 0 0 ${cx + corner - stockInner} ${cy - corner}Z`
              }
            />
          ) : (
            <Stock
              d={
                `M0 ${cy - corner}H${cx + corner}V${H - 8}H${cx + corner - px(width)}` +
                `V${cy}A${stockInner} ${stockInner} 0 0 0 ${cx} ${cy - stockInner}H0Z`
              }
            />
          )}
          <Solid d={wall} hatch="h3" />
        </>
      )}
      {path > 1 && <circle cx={cx} cy={cy} r={path} fill="none" stroke="var(--accent)" strokeDasharray="5 3" />}
      <g transform={`rotate(${turn} ${mx} ${my})`}>
        <CutterInCut cx={mx} cy={my} r={r} teeth={cutter.dimensions!.ZEFF ?? 1} entry={0} exit={arc} colour={colour} />
      </g>
      <Label x={8} y={H - 62} colour={colour}>
        <SymbolText text="φ_b" /> {units.text(figure(result, 'bendArc') || figure(result, 'arc'), 'angle')}
      </Label>
      {!cleaning && (
        <Label x={8} y={H - 46}>
          straight {units.text(figure(result, 'arc'), 'angle')}
        </Label>
      )}
      {cleaning && (
        <Label x={8} y={H - 46} accent>
          leftover {units.text(figure(result, 'leftover'), 'length')}
        </Label>
      )}
      <Label x={8} y={H - 30} accent>
        <SymbolText text="R_c" /> {units.text(radius, 'length')}
      </Label>
      <Label x={8} y={H - 10}>
        {cleaning ? 'corner' : 'bend'}, along the axis
      </Label>
    </svg>
  );
}
