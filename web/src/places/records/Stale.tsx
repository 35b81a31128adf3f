import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Findings } from '../../parts/Findings';
import { moveWords } from '../../parts/Touches';
import type { Quantity } from '../../parts/units';

/** How the revision stands today: what moved, by how much, and what its figures break now. */
export function Stale({ revision }: { revision: Schemas['RecordRevisionView'] }) {
  const units = useUnits();
  const { moved, figures, limits, findings, refused, breaks, stale } = revision.standing;
  if (moved.length === 0) return null;
  const what = moved
    .map((m) =>
      m.footing.kind === 'engine'
        ? `the calculation itself (engine ${m.footing.revision} to ${m.now})`
        : `${m.footing.kind} ${m.footing.name} (revision ${m.footing.revision} to ${m.now})`,
    )
    .join('; ');
  if (revision.kept) {
    const kept = revision.events.findLast((e) => e.act === 'keep');
    return (
      <section className="card holdsbox" role="status">
        <b>Kept.</b> Revised since: {what}. {kept?.by} said that it still holds: <span className="quote">{kept?.reason}</span>
      </section>
    );
  }
  if (!stale)
    return (
      <section className="card holdsbox" role="status">
        <b>Holds.</b> Revised since: {what}. Calculated today, no figure, limit or finding differs.
      </section>
    );
  const amount = (value: number | null, quantity: Quantity) => (value === null ? 'none' : units.text(value, quantity));
  const percent = (use: number | null) => (use === null ? 'not judged' : `${Math.round(use * 100)} %`);
  return (
    <section className={revision.standing.broken ? 'card stalebox broken' : 'card stalebox'} role="status">
      <p>
        <b>Stale.</b> Revised since: {what}.
      </p>
      {refused && <p className="grave">It can no longer be calculated: {refused}</p>}
      {breaks.length > 0 && (
        <div className="grave">
          The figures as {revision.state === 'approved' ? 'approved' : 'they stand'} break now:
          <Findings findings={breaks} />
        </div>
      )}
      {figures.length > 0 && (
        <p>
          Calculated today:{' '}
          {figures
            .slice(0, 6)
            .map((c) => `${c.name.toLowerCase()} ${amount(c.to, c.quantity)} instead of ${amount(c.from, c.quantity)}`)
            .join('; ')}
          {figures.length > 6 && `; and ${figures.length - 6} more figures`}.
        </p>
      )}
      {limits.length > 0 && (
        <p>
          Limits:{' '}
          {limits
            .slice(0, 4)
            .map((l) => `${l.name.toLowerCase()} ${percent(l.from)} → ${percent(l.to)}`)
            .join('; ')}
          {limits.length > 4 && `; and ${limits.length - 4} more`}.
        </p>
      )}
      {findings.length > 0 && (
        <p>Findings: {findings.map((f) => `${f.appeared ? 'new' : 'gone'}: ${units.sentence(f.finding.text)}`).join(' ')}</p>
      )}
    </section>
  );
}

/** What made a record stale, and what moved most. */
export function StaleLine({ record: r }: { record: Schemas['RecordSummary'] }) {
  const units = useUnits();
  if (r.ended) return <span className="stale broken">· held until {r.endsOn}, which is over</span>;
  if (r.staleBy.length === 0) return null;
  return (
    <span className={r.broken ? 'stale broken' : 'stale'}>
      · stale{r.broken ? ', breaks a limit now' : ''}: {r.staleBy.join(', ')} revised since. {moveWords(r, units)}
    </span>
  );
}
