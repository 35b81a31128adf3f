import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useAssemblies } from '../../parts/shelf';

/** The assemblies that a cutter or a holder is part of. */
export function UsedIn({ part, none }: { part: (assembly: Schemas['Assembly']) => boolean; none: string }) {
  const usedIn = (useAssemblies().data ?? []).filter((a) => part(a.definition));
  return (
    <>
      <h2>Where it is used</h2>
      {usedIn.length === 0 && <p className="muted">{none}</p>}
      {usedIn.map((a) => (
        <div key={a.id}>
          <Link to={`/library/assemblies/${a.id}`}>{a.definition.number}</Link> <span className="muted">{a.definition.stockPlace}</span>
        </div>
      ))}
    </>
  );
}
