import type { Schemas } from '../api/client';
import { useUnits } from '../app/session';
import { loadColour } from '../app/theme';

/** Every limit as a bar, the tightest on top; a bar always has its number beside it. */
export function LimitLadder({ limits, most = 8 }: { limits: readonly Schemas['JudgedLimit'][]; most?: number }) {
  const units = useUnits();
  const judged = limits.filter((l) => l.use !== null);
  const not = limits.filter((l) => l.use === null);
  const values = (l: Schemas['JudgedLimit']) =>
    l.isLeast
      ? `${units.number(l.used, l.quantity)}, least ${units.text(l.allowed!, l.quantity)}`
      : `${units.number(l.used, l.quantity)} of ${units.text(l.allowed!, l.quantity)}`;
  return (
    <section className="ladder" aria-label="Limits, tightest first">
      <h3>Limits, tightest first</h3>
      {judged.slice(0, most).map((l) => (
        <div key={l.kind} className={`rung ${l.use! > 1 + 1e-9 ? 'over' : ''}`} data-limit={l.kind}>
          <span className="what">
            <span title={l.at ? `Worst ${units.text(l.at, 'length')} along the cut` : undefined}>
              {l.name}
              {l.at ? <small className="muted"> at {units.size(l.at)}</small> : null}
            </span>{' '}
            <b>{values(l)}</b>
          </span>
          <span className="track">
            <i style={{ width: `${Math.min(100, l.use! * 100)}%`, backgroundColor: loadColour(l.use!) }} />
            <em />
          </span>
          <span className="pc">{Math.round(l.use! * 100)}%</span>
        </div>
      ))}
      {judged.length > most && (
        <p className="muted small">
          Further below:{' '}
          {judged
            .slice(most)
            .map((l) => `${l.name.toLowerCase()} ${Math.round(l.use! * 100)}%`)
            .join(', ')}
          .
        </p>
      )}
      {not.length > 0 && <p className="notjudged">Not judged for lack of data: {not.map((l) => l.name.toLowerCase()).join('; ')}.</p>}
    </section>
  );
}
