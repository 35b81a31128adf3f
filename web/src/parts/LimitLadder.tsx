import type { Schemas } from '../api/client';
import { useUnits } from './session';
import { loadColour } from './theme';

type Limit = Schemas['JudgedLimit'];

/** Limits of what is put together and of the room there is: no speed and no feed moves them. */
const OF_ROOM: ReadonlySet<string> = new Set<Limit['kind']>([
  'grip',
  'reach',
  'fluteLength',
  'depthOfCutter',
  'widthOfCutter',
  'holeDepth',
  'largestHole',
  'leastHole',
  'rampAngle',
]);

const over = (l: Limit) => l.use! > 1 + 1e-9;

/** Every limit as a bar, those of the cut apart from those of the room it has, the tightest on top; a bar always has its number beside it. */
export function LimitLadder({ limits, most = 8 }: { limits: readonly Limit[]; most?: number }) {
  const judged = limits.filter((l) => l.use !== null);
  const not = limits.filter((l) => l.use === null);
  const room = judged.filter((l) => OF_ROOM.has(l.kind));
  const cut = judged.filter((l) => !OF_ROOM.has(l.kind));
  const parts: [string, Limit[]][] = [
    ['Limits of the cut, tightest first', cut],
    ['Limits of the room it has', room],
  ];
  // What is exceeded stands on top.
  if (room.some(over) && !cut.some(over)) parts.reverse();
  return (
    <section className="ladder" aria-label="Limits, tightest first">
      {parts.map(([words, rungs]) => rungs.length > 0 && <Rungs key={words} words={words} rungs={rungs} most={most} />)}
      {not.length > 0 && <p className="notjudged">Not judged for lack of data: {not.map((l) => l.name.toLowerCase()).join('; ')}.</p>}
    </section>
  );
}

function Rungs({ words, rungs, most }: { words: string; rungs: readonly Limit[]; most: number }) {
  const units = useUnits();
  const worst = (l: Limit) =>
    l.at
      ? `Worst ${units.text(l.at, 'length')} along the cut`
      : l.atDiameter
        ? `Worst at Ø${units.text(l.atDiameter, 'length')} of the work`
        : undefined;
  const values = (l: Limit) =>
    l.isLeast
      ? `${units.number(l.used, l.quantity)}, least ${units.text(l.allowed!, l.quantity)}`
      : `${units.number(l.used, l.quantity)} of ${units.text(l.allowed!, l.quantity)}`;
  return (
    <>
      <h3>{words}</h3>
      {rungs.slice(0, most).map((l) => (
        <div key={l.kind} className={`rung ${over(l) ? 'over' : ''}`} data-limit={l.kind}>
          <span className="what">
            <span title={worst(l)}>
              {l.name}
              {l.at ? <small className="muted"> at {units.size(l.at)}</small> : null}
              {l.atDiameter ? <small className="muted"> at Ø{units.size(l.atDiameter)}</small> : null}
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
      {rungs.length > most && (
        <p className="muted small">
          Further below:{' '}
          {rungs
            .slice(most)
            .map((l) => `${l.name.toLowerCase()} ${Math.round(l.use! * 100)}%`)
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}
