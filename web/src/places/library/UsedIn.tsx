import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client, data } from '../../api/client';
import type { ListName } from '../../parts/shelf';

/** What rests on a cutter, holder or assembly: assemblies, records, editions. */
export function UsedIn({ list, id, none }: { list: ListName; id: number | undefined; none: string }) {
  const uses = useQuery({
    queryKey: [list, id, 'uses'],
    queryFn: () =>
      data(client.GET(`/api/v1/library/${list}/{id}/uses` as '/api/v1/library/cutters/{id}/uses', { params: { path: { id: id! } } })),
    enabled: Boolean(id),
  });
  const u = uses.data;
  return (
    <>
      <h2>Where it is used</h2>
      {(!u || (list !== 'assemblies' && u.assemblies.length === 0)) && <p className="muted">{none}</p>}
      {list !== 'assemblies' &&
        u?.assemblies.map((a) => (
          <div key={a.id}>
            <Link to={`/library/assemblies/${a.id}`}>{a.number}</Link>{' '}
            <span className="muted">{[a.stockPlace, ...a.machines, ...(a.retired ? ['retired'] : [])].filter(Boolean).join(' · ')}</span>
            {a.fault && <p className="refusal">No longer fits: {a.fault}</p>}
          </div>
        ))}
      {u && u.records.length > 0 && (
        <p>
          Records:{' '}
          {u.records.map((r, i) => (
            <span key={r}>
              {i > 0 && ', '}
              <Link to={`/records/${r}`}>{r}</Link>
            </span>
          ))}
        </p>
      )}
      {u && u.editions.length > 0 && <p className="muted">Published in edition {u.editions.join(', ')}.</p>}
      {u && u.replaces.length > 0 && <p className="muted">It replaces {u.replaces.join(', ')}.</p>}
      {u && list === 'assemblies' && u.records.length === 0 && <p className="muted">{none}</p>}
    </>
  );
}
