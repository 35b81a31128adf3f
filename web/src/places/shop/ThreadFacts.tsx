import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import { ThreadDrawing } from './ThreadDrawing';

type View = Schemas['ThreadView'];
type Limits = Schemas['LimitPair'];

/** What somebody typed about measuring, milling and coating a thread. */
export type Questions = Partial<Record<'wire' | 'cutter' | 'allowed' | 'plating', Typed>>;

const FIELDS: Record<string, string> = { starts: 'count', leftHand: 'yes' };

/** What is known of a thread: its picture, its dimensions, its limits, and how it is measured. */
export function ThreadFacts(props: {
  thread: View;
  typed?: Questions;
  refused?: Record<string, string>;
  onTyped?: (questions: Questions) => void;
}) {
  const { thread: t, typed = {}, refused = {}, onTyped } = props;
  const units = useUnits();
  const length = (mm: number) => `${units.fine(mm)} ${units.unit('length')}`;
  const usable = (w: NonNullable<View['wires']>) => `best ${units.fine(w.best)}, usable ${units.fine(w.least)} to ${units.fine(w.most)}`;
  const asks = (key: keyof Questions) => (next: Typed | undefined) => {
    const all = { ...typed };
    if (next) all[key] = next;
    else delete all[key];
    onTyped?.(all);
  };
  const row = (name: ReactNode, value: ReactNode) => (
    <div>
      <span>{name}</span>
      <b>{value}</b>
    </div>
  );
  return (
    <>
      <div className="columns thread">
        <div>
          <section className="card notched">
            <ThreadDrawing thread={t} />
            {!t.sizes.heightKnown && (
              <p className="notjudged">
                The truncations of this form are not here: crests and roots are drawn as those of its sister thread.
              </p>
            )}
          </section>
          <div className="columns measured">
            {t.wires && (
              <section>
                <h2>Over three wires</h2>
                {onTyped && (
                  <NumberField
                    label="Wire"
                    symbol="w"
                    quantity="length"
                    value={t.wires.wire}
                    typed={typed.wire}
                    onTyped={asks('wire')}
                    note={usable(t.wires)}
                    refused={refused.wire}
                  />
                )}
                <div className="rows">
                  {!onTyped && row('Best wire', length(t.wires.best))}
                  {row('Size over wires M', length(t.wires.over))}
                  {row('with the lead angle', length(t.wires.withLead))}
                </div>
                {(t.wires.wire < t.wires.least || t.wires.wire > t.wires.most) && (
                  <p className="refusal">
                    A wire of {length(t.wires.wire)} {t.wires.wire < t.wires.least ? 'sinks below the crests' : 'rides on the crests'}; take{' '}
                    {units.fine(t.wires.least)} to {length(t.wires.most)}.
                  </p>
                )}
              </section>
            )}
            {t.milled && (
              <section>
                <h2>Milled inside with one profile</h2>
                {onTyped && (
                  <>
                    <NumberField
                      label="Cutter"
                      symbol="D_c"
                      quantity="length"
                      value={t.milled.cutter}
                      typed={typed.cutter}
                      onTyped={asks('cutter')}
                      refused={refused.cutter}
                    />
                    <NumberField
                      label="Flank error allowed"
                      symbol="E_f"
                      quantity="deviation"
                      value={t.milled.allowed}
                      typed={typed.allowed}
                      onTyped={asks('allowed')}
                      refused={refused.allowed}
                    />
                  </>
                )}
                <div className="rows">
                  {row(`Flank error of Ø${units.number(t.milled.cutter, 'length')}`, units.text(t.milled.error, 'deviation'))}
                  {row(
                    `Largest cutter within ${units.text(t.milled.allowed, 'deviation')}`,
                    t.milled.largest == null ? 'none' : units.text(t.milled.largest, 'length'),
                  )}
                </div>
                {t.milled.error > t.milled.allowed && (
                  <p className="refusal">
                    The cutter takes {units.text(t.milled.error, 'deviation')} off the flanks.{' '}
                    {t.milled.largest == null
                      ? 'No cutter keeps what is allowed; tap it.'
                      : `Take Ø${units.text(t.milled.largest, 'length')} or less.`}
                  </p>
                )}
              </section>
            )}
          </div>
        </div>
        <section>
          <h2>Basic dimensions</h2>
          <div className="rows">
            {row('Major diameter d', length(t.sizes.major))}
            {t.sizes.internalMajor !== t.sizes.major && row('Major diameter of the nut D₄', length(t.sizes.internalMajor))}
            {row(t.taper > 0 && t.gauge?.effective ? 'Pitch diameter at the small end E₀' : 'Pitch diameter d₂', length(t.sizes.pitch))}
            {row('Minor diameter of the bolt d₃', length(t.sizes.minor))}
            {row('Minor diameter of the nut D₁', length(t.sizes.internalMinor))}
            {row(
              'Height: bolt, nut, bearing',
              `${units.fine(t.sizes.height)}, ${units.fine(t.sizes.internalHeight)}, ${length(t.sizes.bearing)}`,
            )}
            {row(t.starts > 1 ? `Lead, ${t.starts} starts` : 'Lead', length(t.lead))}
            {row('Lead angle at d₂', units.text(t.leadAngle, 'angle'))}
            {t.stressArea != null && row('Stress area', units.text(t.stressArea, 'section'))}
            {t.engagement &&
              row('Normal engagement', `${units.number(t.engagement.least!, 'length')} – ${units.text(t.engagement.most!, 'length')}`)}
          </div>
          {t.gauge && (
            <>
              <h2>Gauge plane</h2>
              <div className="rows">
                {row('Small end to gauge plane', length(t.gauge.length))}
                {row('Pitch diameter there', length(t.gauge.atGauge))}
                {row('Pitch diameter at the small end', length(t.gauge.smallEnd))}
                {t.gauge.effective != null && row('Effective length', length(t.gauge.effective))}
                {row('One turn of stand-off changes it by', length(t.gauge.perPitch))}
              </div>
            </>
          )}
          <h2>Around it</h2>
          <div className="rows">
            {row('Chamfer outside begins at, at most', length(t.around.chamferOutside))}
            {row('Countersink inside reaches, at least', length(t.around.chamferInside))}
            {t.around.undercut && (
              <>
                {row('Undercut behind it, diameter *', length(t.around.undercut.diameter))}
                {row('Undercut, width *', `${units.fine(t.around.undercut.least)} – ${length(t.around.undercut.most)}`)}
              </>
            )}
            {t.around.coilInsert && (
              <>
                {row('Hole for a coil insert, minor', length(t.around.coilInsert.minor))}
                {row('its pitch and major diameter', `${units.fine(t.around.coilInsert.pitch)}, ${length(t.around.coilInsert.major)}`)}
              </>
            )}
          </div>
          {t.around.undercut && <p className="muted small">* DIN 76-1, form A, set down from memory.</p>}
        </section>
      </div>
      {t.differences.length > 0 && <Differences thread={t} />}
      {t.classes.length > 0 && onTyped && (
        <div className="coating">
          <NumberField
            label="Coating that comes after"
            symbol="t"
            quantity="deviation"
            value={t.plating ?? 0}
            typed={typed.plating}
            onTyped={asks('plating')}
            note="the limits below are those before it"
            refused={refused.plating}
          />
        </div>
      )}
      {t.classes.length > 0 ? (
        <div className="columns limits">
          <Classes thread={t} internal={false} />
          <Classes thread={t} internal />
        </div>
      ) : (
        <p className="notjudged">No limits of size are known here for this thread.</p>
      )}
    </>
  );
}

function Differences({ thread }: { thread: View }) {
  const units = useUnits();
  const said = (field: string, value: number) =>
    FIELDS[field] === 'yes'
      ? value
        ? 'yes'
        : 'no'
      : FIELDS[field] === 'count'
        ? String(value)
        : `${units.fine(value)} ${units.unit('length')}`;
  return (
    <section className="card differs">
      <h2>In what it differs</h2>
      <table className="limits">
        <thead>
          <tr>
            <th scope="col">Dimension</th>
            <th scope="col">Listed thread, or its form</th>
            <th scope="col">Own</th>
          </tr>
        </thead>
        <tbody>
          {thread.differences.map((d) => (
            <tr key={d.field}>
              <th scope="row">{d.name}</th>
              <td className="mono">{said(d.field, d.listed)}</td>
              <td className="mono">{said(d.field, d.own)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Classes({ thread, internal }: { thread: View; internal: boolean }) {
  const units = useUnits();
  const rows = thread.classes.filter((c) => c.internal === internal);
  if (rows.length === 0) return null;
  const end = (value: number | null | undefined) => (value == null ? '–' : units.fine(value));
  const cells = (pair: Limits) => (
    <>
      <td className="mono">{end(pair.least)}</td>
      <td className="mono">{end(pair.most)}</td>
    </>
  );
  const unsure = rows.filter((r) => !r.checked).map((r) => r.name || 'internal');
  return (
    <section>
      <h2>
        Limits, {internal ? 'internal' : 'external'}
        {thread.plating ? `, before ${units.text(thread.plating, 'deviation')} of coating` : ''}, {units.unit('length')}
      </h2>
      <div className="wide-table">
        <table className="limits">
          <thead>
            <tr>
              <th rowSpan={2} style={{ textAlign: 'left' }}>
                Class
              </th>
              <th colSpan={2} className="pair">
                Major
              </th>
              <th colSpan={2} className="pair">
                Pitch
              </th>
              <th colSpan={2} className="pair">
                Minor
              </th>
            </tr>
            <tr>
              {[0, 1, 2].map((i) => (
                <Ends key={i} />
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((c) => (
              <tr key={c.name}>
                <th scope="row">
                  {c.name || 'all'}
                  {!c.checked && ' *'}
                </th>
                {cells(c.major)}
                {cells(c.pitch)}
                {cells(c.minor)}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="muted small">
        Go gauge at the {internal ? 'least' : 'largest'} pitch diameter, no-go gauge at the {internal ? 'largest' : 'least'}.{' '}
        {rows[0]!.source.split(';')[0]}.{unsure.length > 0 && ' * Set down from memory, not checked against the standard.'}
        {[...new Set(rows.map((r) => r.source.split('; ')[1]).filter(Boolean))].map((s) => ` ${s![0]!.toUpperCase()}${s!.slice(1)}.`)}
      </p>
    </section>
  );
}

const Ends = () => (
  <>
    <th scope="col">least</th>
    <th scope="col">most</th>
  </>
);
