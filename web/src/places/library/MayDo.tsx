import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { MaterialName } from '../../parts/Situation';
import { clock } from '../../parts/units';

/** What a cutter may do: its approved figures by work material and operation, at a glance. */
export function MayDo({ id }: { id: number }) {
  const approved = useQuery({
    queryKey: ['coverage', 'cutter', id],
    queryFn: () => data(client.GET('/api/v1/coverage/cutters/{id}', { params: { path: { id } } })),
  });
  const rows = approved.data ?? [];
  return (
    <section aria-label="What it may do">
      <h2>
        What it may do <Link to={`/records/coverage?view=cutter&cutter=${id}`}>coverage</Link>
      </h2>
      {approved.isSuccess && rows.length === 0 && <p className="muted">Nothing is approved for it yet.</p>}
      {rows.length > 0 && (
        <table className="maydo">
          <tbody>
            {rows.map((r, i) => (
              <tr key={r.record}>
                <th scope="row">
                  {r.situation.material !== rows[i - 1]?.situation.material && (
                    <MaterialName name={r.situation.material} group={r.situation.group} />
                  )}
                </th>
                <td>
                  {r.situation.operationName} <span className="muted">on {r.situation.machine}</span>
                </td>
                <td className="mono">
                  <Figures figures={r.figures} />
                </td>
                <td>
                  <Link to={`/records/${r.record}`}>{r.record}</Link> {r.stale && <span className="stale">stale</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Figures({ figures }: { figures: readonly Schemas['Figure'][] }) {
  const units = useUnits();
  return figures
    .slice(0, 3)
    .map((f) => (f.quantity === 'time' ? `${clock(f.value)} min` : units.text(f.value, f.quantity)))
    .join(' · ');
}
