import { Link } from 'react-router';
import { useUnits } from '../../parts/session';
import { cutterWords, familyWords, useFamilies, type AssemblySheet, type Cutter } from '../../parts/shelf';
import type { Operation } from './page';

/** Assemblies to take instead of one that cannot do the operation, what fits material and machine first. */
export default function Fitting(props: {
  operation: Operation;
  cutter: Cutter | undefined;
  rows: AssemblySheet[];
  onTake: (id: number) => void;
}) {
  const { operation, cutter, rows, onTake } = props;
  const units = useUnits();
  const families = useFamilies().data;
  const family = cutter && familyWords(families, cutter.family);
  return (
    <section className="fitting" aria-label="Assemblies that can">
      <h3>
        {family ? `A ${family} cannot do ${operation.name.toLowerCase()}; these can` : `These can do ${operation.name.toLowerCase()}`}
      </h3>
      {rows.length === 0 && (
        <p className="muted">
          None of the shop’s assemblies can. <Link to="/library/assemblies/new">Put one together</Link>.
        </p>
      )}
      <ul>
        {rows.slice(0, 8).map((a) => (
          <li key={a.id}>
            <button onClick={() => onTake(a.id)}>
              <b>{a.definition.number}</b> {cutterWords(a.looks.built!.cutter, a.looks, (mm) => units.size(mm), families)},{' '}
              {units.size(a.definition.projection)} {units.unit('length')} out
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
