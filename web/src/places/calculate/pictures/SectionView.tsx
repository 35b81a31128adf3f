import { arcOf, radiusOf, type Profile } from '../../../parts/outline';
import { helixOf, ProfileShapes } from '../../../parts/Silhouette';
import { useUnits } from '../../../parts/session';
import { colourOf, fieldValue, figure, Hatch, Label, niceFactor, radians, Solid, SymbolText, type Drawn } from './parts';

const [W, H] = [350, 262];

/** Across the feed: what the profile leaves. Ridges of a surface, a chamfer, or an engraved line. */
export function SectionView(props: Drawn & { profile: Profile }) {
  return props.picture === 'surface' ? <Surface {...props} /> : <ConeSection {...props} />;
}

function Surface({ result, cutter, profile }: Drawn & { profile: Profile }) {
  const units = useUnits();
  const [step, ridge] = [figure(result, 'step'), figure(result, 'ridge')];
  const radius = cutter.dimensions!.PRFRAD ?? cutter.dimensions!.RE ?? cutter.dimensions!.DC! / 2;
  const barrel = cutter.family === 'barrelMill' && cutter.picks?.form !== 'lens';
  const colour = colourOf(result, 'ridge');
  const scale = Math.min(120 / profile.girth, 7);

  // Below: five steps to scale, their ridges higher by a factor so that they can be seen.
  const steps = 5;
  const across = (W - 40) / steps;
  const factor = niceFactor((ridge * across) / step, 26);
  const high = ((ridge * across) / step) * factor;
  const base = H - 38;
  const arcs = Array.from({ length: steps }, (_, i) => 20 + across * i).map(
    (x) => `Q${x + across / 2} ${base + high} ${x + across} ${base - high}`,
  );
  const bow = `M20 ${base - high}${arcs.join('')}`;
  const ground = 148;
  const tilt = figure(result, 'tilt');
  const [u1, u2] = [figure(result, 'contactFrom'), figure(result, 'contactTo')];
  // A barrel lies to the right, which leaves the left to its labels.
  const told = barrel ? ({ x: 8, anchor: 'start' } as const) : ({ x: W - 8, anchor: 'end' } as const);
  const pose = barrel ? onFlank(profile, radius, fieldValue(result, 'contactPlace'), tilt) : onTip(profile, radius, tilt);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`Step ${units.text(step, 'length')}, ridge ${units.text(ridge, 'chip')}`}
    >
      <Hatch id="h4" />
      <clipPath id="above">
        <rect x="0" y="4" width={W} height={ground - 4} />
      </clipPath>
      <g clipPath="url(#above)">
        <g
          transform={
            `translate(${barrel ? 60 : 110} ${ground - pose.up * scale}) ` +
            `rotate(${pose.turn}) scale(${scale}) translate(${-pose.z} ${-pose.r})`
          }
        >
          <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
        </g>
      </g>
      <Solid d={`M10 ${ground}H${W - 10}v10H10Z`} hatch="h4" />
      <circle cx={barrel ? 60 : 110} cy={ground} r="3.2" fill={colour} />
      <Label {...told} y={barrel ? 20 : ground - 46} accent>
        <SymbolText text="D_e" /> {units.text(figure(result, 'diameter'), 'length')}
      </Label>
      <Label {...told} y={barrel ? 36 : ground - 30}>
        tilt {units.text(tilt, 'angle')}
        {barrel ? ' to the surface' : ' from its normal'}
      </Label>
      {u2 > 0 && (
        <Label {...told} y={barrel ? 52 : ground - 14} colour={u1 < 0 || u2 > 1 ? 'var(--stop)' : undefined}>
          arc {units.number(u1, 'ratio')} to {units.number(u2, 'ratio')}
        </Label>
      )}
      <Solid d={`${bow}V${base + 16}H20Z`} hatch="h4" />
      <path d={`M20 ${base - high}H${W - 20}`} stroke={colour} strokeDasharray="3 3" />
      <path
        d={`M20 ${base - high - 8}H${20 + across}M20 ${base - high - 12}v8M${20 + across} ${base - high - 12}v8`}
        stroke="var(--accent)"
      />
      <Label x={20} y={base - high - 14} accent>
        <SymbolText text="s_r" /> {units.text(step, 'length')}
      </Label>
      <Label x={W - 20} y={base - high - 8} anchor="end" colour={colour}>
        <SymbolText text="h_r" /> {units.text(ridge, 'chip')} ×{factor}
      </Label>
      <Label x={W} y={H - 4} anchor="end">
        across the feed · ridges higher
      </Label>
    </svg>
  );
}

/** How a tool stands on the surface: the point of its profile that is put there, how far above, and its turn. */
interface Pose {
  z: number;
  r: number;
  up: number;
  turn: number;
}

// On its rounding: the middle of the rounding stands one radius above the surface, the axis tilted from the normal.
function onTip(profile: Profile, radius: number, tilt: number): Pose {
  const flat = profile.elements[0]?.toZ === 0 ? profile.elements[0].toR : 0;
  return { z: radius, r: flat, up: radius, turn: -90 + tilt };
}

// On its flank: the place of the contact lies on the surface, with the tangent there along it.
function onFlank(profile: Profile, radius: number, place: number, tilt: number): Pose {
  const flank = profile.elements.find((e) => e.part === 'cutting' && (e.bulge ?? 0) < 0 && Math.abs(radiusOf(e) - radius) < 1e-3 * radius);
  const arc = flank && arcOf(flank);
  if (!arc) return { z: 0, r: 0, up: 0, turn: -tilt };
  // Angles of the arc run from the axis, the lean of the flank from the direction across it.
  const lean = Math.PI / 2 - (arc.from + place * arc.sweep);
  return { z: arc.z + arc.radius * Math.sin(lean), r: arc.r + arc.radius * Math.cos(lean), up: 0, turn: (lean * 180) / Math.PI };
}

/** A cone in the work, much larger than life where it is small. */
function ConeSection({ result, cutter, picture }: Drawn) {
  const units = useUnits();
  const chamfer = picture === 'chamfer';
  const half = Math.tan(radians(cutter.dimensions!.SIG! / 2));
  const tip = (cutter.dimensions!.DC ?? 0) / 2;
  const depth = figure(result, 'tipDepth');
  const top = figure(result, 'diameter') / 2;
  const scale = Math.min(130 / depth, 95 / top);
  const [x0, floor] = [180, 214];
  const surface = floor - depth * scale;
  const x = (mm: number) => x0 + mm * scale;
  const y = (mm: number) => floor - mm * scale;
  const over = depth * 1.35;
  const colour = colourOf(result, 'highestSpeed');
  const below = fieldValue(result, 'tipBelow');
  const cone = `M${x(-tip)} ${floor}H${x(tip)}L${x(tip + over * half)} ${y(over)}H${x(-tip - over * half)}Z`;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} preserveAspectRatio="xMidYMin" role="img" aria-label={`Depth of the tip ${units.text(depth, 'length')}`}>
      <Hatch id="h4" />
      {chamfer ? (
        <Solid d={`M${x(figure(result, 'lowerDiameter') / 2)} ${H - 20}V${y(below)}L${x(top)} ${surface}H${W}V${H - 20}Z`} hatch="h4" />
      ) : (
        <Solid d={`M0 ${surface}H${x(-top)}L${x(-tip)} ${floor}H${x(tip)}L${x(top)} ${surface}H${W}V${H - 20}H0Z`} hatch="h4" />
      )}
      <path d={cone} fill="var(--sheet)" fillOpacity=".85" stroke="var(--ink)" strokeWidth="1.2" />
      <path d={`M${x0} 12V${floor + 10}`} stroke="var(--muted)" strokeDasharray="8 3 2 3" />
      <path d={`M${x(-top)} ${surface}H${x(top)}`} stroke={colour} strokeWidth="1.4" />
      <Label x={x0 - 6} y={surface - 6} anchor="end" colour={colour}>
        <SymbolText text="D_e" /> {units.text(2 * top, 'length')}
      </Label>
      {chamfer && (
        <>
          <path
            d={
              `M${x(figure(result, 'lowerDiameter') / 2)} ${surface - 12}H${x(top)}` +
              `m0 -4v8M${x(figure(result, 'lowerDiameter') / 2)} ${surface - 16}v8`
            }
            stroke="var(--accent)"
          />
          <Label x={x(top) + 6} y={surface - 8} accent>
            c {units.text(fieldValue(result, 'leg'), 'length')}
          </Label>
          <Label x={W - 8} y={floor + 16} anchor="end">
            tip {units.text(below, 'length')} below
          </Label>
        </>
      )}
      <path d={`M18 ${floor}V${surface}M12 ${floor}h12M12 ${surface}h12`} stroke="var(--accent)" />
      <Label x={8} y={surface - 8} accent>
        <SymbolText text={chamfer ? 't_t' : 't'} /> {units.text(depth, 'length')}
      </Label>
      <Label x={W} y={H - 4} anchor="end">
        across the feed · {scale > 12 ? `${Math.round(scale / 3.78)} times life size` : 'to scale'}
      </Label>
    </svg>
  );
}
