import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { Problem } from '../../../parts/Problem';

/** Drills of the library nearest to the hole wanted, with the thread each would give. */
export function TapDrills({ body, onTake }: { body: Schemas['CalculationRequest']; onTake: (diameter: number) => void }) {
  const units = useUnits();
  const drills = useQuery({
    queryKey: ['tap-drills', body],
    queryFn: ({ signal }) => data(client.POST('/api/v1/calculations/tap/drills', { body, signal })),
    retry: false,
  });
  if (drills.error) return <Problem error={drills.error} />;
  if (drills.data?.length === 0)
    return <p className="muted">The library has no drill whose hole this tap could use. Add one in Library.</p>;
  return (
    <table className="courses" aria-label="Drills for this thread">
      <thead>
        <tr>
          <th>drill</th>
          <th>Ø</th>
          <th>thread height</th>
          <th>minor diameter</th>
          <th>class</th>
          <th>stands in</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {(drills.data ?? []).map((d) => (
          <tr key={d.cutterId}>
            <th>
              <Link to={`/library/cutters/${d.cutterId}`}>{d.number}</Link> {d.family}
            </th>
            <td>{units.text(d.diameter, 'length')}</td>
            <td>{d.height.toFixed(0)} %</td>
            <td>{units.text(d.minor, 'length')}</td>
            <td>{d.class || 'none'}</td>
            <td>{d.assemblies.join(', ') || 'no assembly'}</td>
            <td>
              <button className="why" onClick={() => onTake(d.diameter)}>
                take it
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
