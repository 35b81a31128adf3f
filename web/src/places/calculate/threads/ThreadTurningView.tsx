import { attached } from '../../../api/beside';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { ProfileShapes } from '../../../parts/Silhouette';
import type { Shown } from '../page';
import { colourOf, fieldValue, figure, Hatch, Label, Solid, SymbolText } from '../pictures/parts';

const [W, H] = [350, 262];
const SIDE = 270;

/** The chips of every infeed in the groove with the course of the force, and the tool at the work, to scale. */
export function ThreadTurningView(page: Shown) {
  return (
    <div className="pictures">
      <Chips {...page} />
      <AtWork {...page} />
    </div>
  );
}

function Chips({ result }: Shown) {
  const units = useUnits();
  const course = attached(result.attachments, 'infeedCourse')!;
  const { infeeds, height, pitch, towardsChuck } = course;
  const wide = Math.max(pitch, ...infeeds.flatMap((i) => i.outline.map((p) => 2 * Math.abs(p.z))));
  const scale = Math.min(210 / wide, 190 / (height * 1.25));
  const [cx, top] = [120, 34];
  // The chuck is on the left.
  const x = (z: number) => cx + (towardsChuck ? -z : z) * scale;
  const y = (depth: number) => top + depth * scale;
  const path = (points: Schemas['ProfilePoint'][]) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${x(p.z).toFixed(2)} ${y(p.r).toFixed(2)}`).join('');
  const most = Math.max(...infeeds.map((i) => i.force));
  const bar = Math.min(14, 190 / infeeds.length);
  const heaviest = infeeds.find((i) => i.force === most)!;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="xMidYMin"
      role="img"
      aria-label={`${infeeds.length} infeeds to ${units.text(height, 'length')}; most at infeed ${heaviest.number}, ${units.text(most, 'force')}`}
    >
      <Hatch id="h-thread" />
      <Solid d={`M10 ${top}H230V${y(height) + 26}H10Z`} hatch="h-thread" />
      {infeeds.map((i) => (
        <path
          key={i.number}
          d={`${path(i.outline)}Z`}
          fill="var(--accent)"
          fillOpacity={0.18 + (0.62 * i.force) / most}
          stroke="var(--sheet)"
          strokeWidth={infeeds.length > 14 ? 0.3 : 0.7}
        />
      ))}
      <path d={`M10 ${top}H230`} stroke="var(--ink)" strokeWidth="1.2" />
      <path d={`M222 ${top}V${y(height)}M216 ${top}h12M216 ${y(height)}h12`} stroke="var(--accent)" />
      <Label x={226} y={y(height) + 16} anchor="end" accent clear>
        <SymbolText text="h_c" /> {units.text(height, 'length')}
      </Label>
      <path
        d={towardsChuck ? `M44 ${top - 12}H14l7 -4M14 ${top - 12}l7 4` : `M14 ${top - 12}H44l-7 -4M44 ${top - 12}l-7 4`}
        stroke="var(--muted)"
        fill="none"
      />
      <Label x={50} y={top - 8}>
        feed
      </Label>
      {infeeds.map((i, k) => (
        <g key={i.number}>
          <rect
            x={252}
            y={top + k * bar}
            width={Math.max(1, (60 * i.force) / most)}
            height={Math.max(1, bar - 2)}
            fill={i.force === most ? colourOf(result, 'threadBend') : 'var(--accent)'}
            fillOpacity={i.force === most ? 1 : 0.18 + (0.62 * i.force) / most}
          />
          {bar >= 10 && (
            <text x={248} y={top + k * bar + bar - 3} textAnchor="end" className="dim small">
              {i.number}
            </text>
          )}
        </g>
      ))}
      <Label x={252} y={top - 8}>
        cutting force
      </Label>
      <Label x={316} y={top + (heaviest.number - 1) * bar + Math.max(bar, 13) - 3}>
        {units.number(most, 'force')}
      </Label>
      <Label x={W} y={H - 4} anchor="end">
        chips in the groove · each infeed and its force
      </Label>
    </svg>
  );
}

function AtWork({ result, cutter, assembly }: Shown) {
  const units = useUnits();
  const thread = attached(result.attachments, 'cutThread')!;
  const { towardsChuck, clockwise } = attached(result.attachments, 'infeedCourse')!;
  const inside = thread.inside;
  const [crest, root] = [fieldValue(result, 'crestDiameter'), figure(result, 'rootDiameter')];
  const [length, runIn, runOut] = [fieldValue(result, 'length'), fieldValue(result, 'runIn'), fieldValue(result, 'runOut')];
  const body = fieldValue(result, 'bodyDiameter');
  const out = inside ? length + runOut + 12 : Math.max(fieldValue(result, 'standsOut'), length + 4);
  const widest = Math.max(crest, root, inside ? 0 : body);
  const outer = inside ? widest * 1.35 : widest;
  // Along the axis: the chuck, the work, the way to run in, and room for the tool.
  const long = out + runIn + (inside ? 40 : 18);
  const scale = Math.min((SIDE - 46) / long, 140 / outer);
  const axis = inside ? 122 : 168;
  const face = 34 + out * scale;
  const x = (z: number) => face - z * scale;
  const y = (radius: number) => axis - radius * scale;
  const grow = thread.taper / 2;
  const at = (z: number, diameter: number) => y(diameter / 2 + (inside ? -grow : grow) * z);
  const pitches = Math.min(60, Math.max(2, Math.round(length / thread.pitch)));
  // Crests and roots from the face inward.
  const teeth = Array.from({ length: 2 * pitches + 1 }, (_, i) => {
    const z = (i * length) / (2 * pitches);
    return `L${x(z).toFixed(2)} ${at(z, i % 2 ? root : crest).toFixed(2)}`;
  });
  const tool = `translate(${x(towardsChuck ? -runIn : length + runOut)} ${y(crest / 2)}) ${inside ? '' : 'rotate(-90)'} scale(${scale} ${-scale})`;
  return (
    <svg viewBox={`0 0 ${SIDE} ${H}`} preserveAspectRatio="xMidYMin" role="img" aria-label={`The tool at the work, thread ${thread.text}`}>
      <Hatch id="h-work" />
      <clipPath id="at-work">
        <rect x="0" y="4" width={SIDE} height={H - 34} />
      </clipPath>
      <g clipPath="url(#at-work)">
        <path d={`M4 ${y(outer / 2) - 16}H30V${y(-outer / 2) + 16}H4Z`} fill="var(--part)" stroke="var(--muted)" />
        {inside ? (
          <>
            <Solid d={`M30 ${y(outer / 2)}H${face}${teeth.join('')}H${x(length + runOut)}V${y(crest / 2) + 3}H30Z`} hatch="h-work" />
            <Solid d={`M30 ${y(-outer / 2)}H${face}V${y(-crest / 2)}H30Z`} hatch="h-work" />
          </>
        ) : (
          <Solid
            d={`M30 ${y(body / 2)}H${x(length)}${[...teeth].reverse().join('')}V${y(-crest / 2)}H${x(length)}V${y(-body / 2)}H30Z`}
            hatch="h-work"
          />
        )}
        <path d={`M0 ${axis}H${SIDE}`} stroke="var(--muted)" strokeDasharray="8 3 2 3" />
        <g transform={tool}>
          <ProfileShapes profile={assembly.looks.profile} helix={cutter.dimensions?.FHA ?? 0} pixel={1 / scale} />
        </g>
      </g>
      <Label x={x(length / 2)} y={inside ? y(outer / 2) - 20 : y(-crest / 2) + 14} anchor="middle" accent clear>
        {thread.text}
      </Label>
      <Label x={x(length / 2)} y={inside ? y(outer / 2) - 7 : y(-crest / 2) + 28} anchor="middle" clear>
        L {units.text(length, 'length')}
      </Label>
      <Label x={SIDE} y={H - 17} anchor="end">
        feed {towardsChuck ? 'towards' : 'away from'} the chuck
      </Label>
      <Label x={SIDE} y={H - 4} anchor="end">
        work turns {clockwise ? 'clockwise' : 'counter-clockwise'}
      </Label>
    </svg>
  );
}
