import { useEffect, useRef, useState } from 'react';
import { attached, extra, wayOf } from '../../../api/beside';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { NumberField } from '../../../parts/NumberField';
import { Sym } from '../../../parts/Sym';
import { helixOf, ProfileShapes } from '../../../parts/Silhouette';
import { typeInto, type FieldCode, type Page, type Shown } from '../page';
import { fieldValue, figure, Hatch, SymbolText } from '../pictures/parts';
import { BELOW, ON_TOP, sectionOf } from './section';
import { rowsOf } from './stages';

const [LEFT, RIGHT, ROW, SLOT, TALL] = [128, 26, 29, 105, 136];

/**
 * The hole cut open along its axis, true to scale inside the work; every depth, plane and diameter on it is the field to change it, or is only
 * told where there is no page to change.
 */
export function HoleSection({ operation, result, cutter, assembly, extras, page }: Shown & { page?: Page | undefined }) {
  const typed = page?.address.chosen.numbers ?? {};
  const refused = page?.refused ?? {};
  const crossHoles = extra(extras, 'crossHoles')?.holes ?? [];
  const { profile } = assembly.looks;
  const units = useUnits();
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(640);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(Math.max(520, Math.floor(entry!.contentRect.width))));
    watch.observe(frame.current!);
    return () => watch.disconnect();
  }, []);

  const section = sectionOf(result, cutter);
  const size = (code: FieldCode) => fieldValue(result, code);
  const shown = (code: FieldCode) => {
    const state = result.fields.find((f) => f.code === code);
    return operation.fields.some((f) => f.code === code) && (state?.used !== false || Boolean(typed[code]));
  };
  const [tip, full, needed] = [figure(result, 'programmedDepth'), figure(result, 'fullDepth'), figure(result, 'depthNeeded')];
  const reach = Math.max(section.end, tip, needed);
  const scale = Math.min((width - LEFT - RIGHT) / reach, TALL / (section.radius * 2.5));
  const x = (depth: number) => LEFT + depth * scale;
  const planes: Record<string, number> = { retract: 18, approach: 62 };

  // Boxes above the drawing, each with a leader to what it measures.
  const boxes = ON_TOP.filter(shown);
  const rows = Math.ceil(boxes.length / Math.floor(width / SLOT));
  const perRow = Math.ceil(boxes.length / rows);
  const slot = width / perRow;
  const axis = rows * ROW + 18 + TALL / 2;
  const floor = axis + TALL / 2 + 8;
  const y = (radius: number, side = -1) => axis + side * radius * scale;
  const anchors: Record<string, [number, number]> = {
    retract: [planes.retract!, axis - TALL / 2 + 6],
    approach: [planes.approach!, axis - TALL / 2 + 6],
    surface: [x(0), axis - TALL / 2 + 4],
    chipRoom: [Math.max(x(-size('chipRoom') / 2), 74), y(Math.min(section.radius, figure(result, 'outerDiameter') / 2) * 0.7)],
    chamferDiameter: [x(0), y(size('chamferDiameter') / 2)],
    webFlat: [x(tip), y(size('webFlat') / 2)],
    pilotDiameter: [x(size('pilotDepth') / 2), y(size('pilotDiameter') / 2)],
    boreDiameter: [x(size('depth') / 2), y(size('boreDiameter') / 2)],
    holeBefore: [x(Math.min(section.end * 0.8, Math.max(full * 1.05, section.end * 0.6))), y(size('holeBefore') / 2)],
    bottomClearance: [x(tip + size('bottomClearance') / 2), y(0)],
    breakthrough: [x(section.end + size('breakthrough') / 2), y(0)],
  };

  // In the order of what they point at, so that no leader crosses another.
  const above = [...boxes].sort((a, b) => anchors[a]![0] - anchors[b]![0]);

  // Lengths below it, from the surface; what is programmed, and what led to it, comes last.
  const toPoint = result.options.meaning === 'point' && !section.through;
  const lengths = BELOW.filter(shown).map((code) => ({
    code,
    to: code === 'depth' ? (section.through ? section.end : toPoint ? tip : size('depth')) : size(code),
  }));
  const text = (mm: number) => units.number(mm, 'length');
  const past = section.through && shown('breakthrough') ? size('breakthrough') : 0;
  const [point, lead] = [figure(result, 'pointLength'), figure(result, 'leadLength')];
  const sum = [
    shown('depth') ? `${text(size('depth'))}` : '',
    !toPoint && point > 0 ? `${text(point)} point` : '',
    lead > 0 ? `${text(lead)} lead` : '',
    past > 0 ? `${text(past)} past` : '',
  ].filter(Boolean);
  const tell = [
    { to: tip, symbol: 't_p', words: `${text(tip)} programmed${sum.length > 1 ? ` = ${sum.join(' + ')}` : ''}`, strong: true },
    ...(needed > 0 && !section.through ? [{ to: needed, symbol: 't_n', words: `${text(needed)} the hole must have`, strong: false }] : []),
  ];
  const height = floor + (lengths.length + tell.length) * ROW + 4;
  const line = (points: [number, number][], side: number) =>
    points.map(([d, r], i) => `${i ? 'L' : 'M'}${x(d).toFixed(1)} ${y(r, side).toFixed(1)}`).join('');
  const cut = (points: [number, number][]) =>
    `${line(points, -1)}L${[...points]
      .reverse()
      .map(([d, r]) => `${x(d).toFixed(1)} ${y(r, 1).toFixed(1)}`)
      .join('L')}Z`;
  const block = TALL / 2;
  // A through hole ends where the work does; below a blind one it goes on.
  const face = section.through ? x(section.end) : width - 10;
  const callouts = rowsOf(wayOf(result));
  const bands = callouts.map((r) => ({ ...r, from: r.stage.from ?? 0, to: r.stage.to ?? 0 })).filter((r) => r.colour && r.to > r.from);
  const pecks = bands.filter((r) => r.stage.code.startsWith('peck-'));

  const box = (code: FieldCode) => {
    const field = operation.fields.find((f) => f.code === code)!;
    const state = result.fields.find((f) => f.code === code);
    if (!page)
      return (
        <span className="mono">
          <Sym text={field.symbol} /> {units.text(state?.value ?? 0, field.quantity)}
        </span>
      );
    return (
      <NumberField
        bare
        label={field.name}
        symbol={field.symbol}
        quantity={field.quantity}
        value={state?.value}
        typed={typed[code]}
        onTyped={(t) => typeInto(page.address, code, t)}
        refused={refused[code] && ' '}
        least={state?.least ?? undefined}
        most={state?.most ?? undefined}
      />
    );
  };
  const title = (code: FieldCode) => {
    const state = result.fields.find((f) => f.code === code);
    const most = state?.most !== null && state?.most !== undefined ? `, up to ${units.text(state.most, 'length')}` : '';
    return `${operation.fields.find((f) => f.code === code)!.name}${most}`;
  };

  return (
    <div ref={frame} className="section">
      <div className="drawing" style={{ width, height }}>
        <svg width={width} height={height} role="img" aria-label={`Section of the hole, programmed to ${units.text(tip, 'length')}`}>
          <Hatch id="hs" />
          <clipPath id="hc">
            <rect x={4} y={axis - block - 12} width={width - 8} height={TALL + 24} />
          </clipPath>
          <rect x={x(0)} y={axis - block} width={face - x(0)} height={TALL} fill="var(--solid)" />
          <rect x={x(0)} y={axis - block} width={face - x(0)} height={TALL} fill="url(#hs)" />
          {crossHoles.map((c, i) => (
            <Crossing key={i} hole={c} at={x(c.distance)} axis={axis} block={block} scale={scale} />
          ))}
          {/* What this operation takes away, then what was open before it. */}
          <path d={cut(section.hole)} fill="var(--stock)" stroke="var(--ink)" strokeWidth="1" />
          {section.before.length > 0 && <path d={cut(section.before)} fill="var(--paper)" stroke="var(--stock-edge)" strokeWidth=".7" />}
          {section.thread[0] > 0 && (
            <g stroke="var(--ink)" strokeWidth=".7">
              {[-1, 1].map((side) => (
                <path
                  key={side}
                  d={`M${x(0)} ${y(section.thread[0], side)}H${x(section.thread[1])}V${y(size('holeBefore') / 2, side)}`}
                  fill="none"
                />
              ))}
            </g>
          )}
          <g clipPath="url(#hc)" opacity=".93">
            <g transform={`translate(${x(tip + section.beyond)} ${axis}) scale(${-scale} ${scale})`}>
              <ProfileShapes profile={profile} helix={helixOf(cutter)} pixel={1 / scale} />
            </g>
          </g>
          <line x1={8} x2={width - 8} y1={axis} y2={axis} stroke="var(--muted)" strokeWidth=".8" strokeDasharray="12 3 2 3" />
          <path d={`M${x(0)} ${axis - block}V${axis + block}`} stroke="var(--ink)" strokeWidth="1.3" />
          <g stroke="var(--muted)" strokeDasharray="5 3">
            <line x1={planes.retract} x2={planes.retract} y1={axis - block + 4} y2={axis + block} />
            <line x1={planes.approach} x2={planes.approach} y1={axis - block + 4} y2={axis + block} />
          </g>
          <path d={`M${(planes.approach! + x(0)) / 2 - 4} ${axis + block - 6}l3 -6 3 12 3 -6`} stroke="var(--muted)" fill="none" />
          {pecks.length > 0 &&
            pecks
              .slice(0, -1)
              .map((r) => (
                <line
                  key={r.number}
                  x1={x(r.to)}
                  x2={x(r.to)}
                  y1={y(section.radius) - 3}
                  y2={y(section.radius, 1) + 3}
                  stroke="var(--load2)"
                  strokeWidth="1.1"
                />
              ))}
          {operation.picture === 'deep' &&
            bands.map((r) => (
              <g key={r.number}>
                <rect
                  x={Math.max(x(r.from), planes.approach!)}
                  y={axis + block - 13}
                  width={x(r.to) - Math.max(x(r.from), planes.approach!)}
                  height={12}
                  fill={r.colour}
                />
                <text
                  x={(Math.max(x(r.from), planes.approach!) + x(r.to)) / 2}
                  y={axis + block - 3.5}
                  textAnchor="middle"
                  className="dim"
                  style={{ fill: 'var(--sheet)', fontSize: 10 }}
                >
                  {r.number}
                </text>
              </g>
            ))}
          {operation.picture === 'deep' &&
            attached(result.attachments, 'openWalls')?.walls.map(({ from, to }, i) => (
              <g key={i} stroke="var(--load3)" strokeWidth="1">
                {[from, to].map((end) => (
                  <line key={end} x1={x(end)} x2={x(end)} y1={y(section.radius) - 5} y2={y(section.radius, 1) + 5} strokeDasharray="3 2" />
                ))}
              </g>
            ))}
          <g stroke="var(--accent)" fill="none">
            {above.map((code, i) => {
              const [ax, ay] = anchors[code]!;
              const from = (i % perRow) * slot + 40;
              return (
                <g key={code} strokeWidth=".8">
                  <path d={`M${from} ${(Math.floor(i / perRow) + 1) * ROW - 4}L${ax} ${ay}`} />
                  <circle cx={ax} cy={ay} r="2" fill="var(--accent)" stroke="none" />
                </g>
              );
            })}
            {[...lengths, ...tell].map((l, i) => {
              const at = floor + i * ROW + 13;
              return (
                <path
                  key={i}
                  d={`M${x(0)} ${at}H${x(l.to)}M${x(0)} ${at - 5}v10M${x(l.to)} ${at - 5}v10`}
                  strokeWidth={'strong' in l && l.strong ? 1.6 : 1}
                />
              );
            })}
            <path d={`M${x(0)} ${axis + block}V${floor + (lengths.length + tell.length - 1) * ROW + 18}`} strokeWidth=".6" />
          </g>
          {tell.map((l, i) => {
            const at = floor + (lengths.length + i) * ROW + 17;
            const wide = l.words.length * 6.6 + 16;
            const after = x(l.to) + 8 + wide < width;
            return (
              <text
                key={l.symbol}
                x={after ? x(l.to) + 8 : Math.max(x(0) + 6, x(l.to) - wide)}
                y={after ? at : at - 7}
                className={l.strong ? 'dim strong' : 'dim'}
              >
                <SymbolText text={l.symbol} /> {l.words}
              </text>
            );
          })}
        </svg>
        {above.map((code, i) => (
          <div key={code} title={title(code)} style={{ left: (i % perRow) * slot, top: Math.floor(i / perRow) * ROW }}>
            {box(code)}
          </div>
        ))}
        {lengths.map((l, i) => (
          <div key={l.code} title={title(l.code)} style={{ left: Math.min(x(l.to) + 8, width - 150), top: floor + i * ROW + 2 }}>
            {box(l.code)}
          </div>
        ))}
      </div>
      {[...above, ...BELOW].map(
        (code) =>
          refused[code] && (
            <p key={code} className="refusal" role="alert">
              {refused[code]}
            </p>
          ),
      )}
    </div>
  );
}

/** A crossing hole in the plane of the section: what is open there, and dashed what lies beside it. */
function Crossing({
  hole,
  at,
  axis,
  block,
  scale,
}: {
  hole: Schemas['CrossHole'];
  at: number;
  axis: number;
  block: number;
  scale: number;
}) {
  const lean = ((90 - hole.angle) * Math.PI) / 180;
  const shift = Math.tan(lean) * block;
  const outline = (across: number) => {
    const w = (across * scale) / Math.cos(lean);
    return `M${at - shift - w / 2} ${axis + block}h${w}L${at + shift + w / 2} ${axis - block}h${-w}Z`;
  };
  const chord = Math.sqrt(Math.max(0, hole.diameter ** 2 - 4 * hole.offset ** 2));
  return (
    <g stroke="var(--ink)" strokeWidth=".9">
      {chord > 0 && <path d={outline(chord)} fill="var(--paper)" />}
      {chord < hole.diameter && <path d={outline(hole.diameter)} fill="none" strokeDasharray="4 3" />}
    </g>
  );
}
