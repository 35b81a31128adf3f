import { useQuery } from '@tanstack/react-query';
import { client, data } from '../../api/client';
import { day } from '../../parts/units';

type Kind = 'cutters' | 'holders' | 'assemblies';
interface Entry {
  revision: number;
  by: string;
  at: string;
  definition: object;
}

const text = (value: unknown) => (typeof value === 'object' ? JSON.stringify(value) : String(value));

/** Every revision of a stored thing with what it changed. */
export function History({ kind, id, revision, names }: { kind: Kind; id: number; revision: number; names: Record<string, string> }) {
  const history = useQuery({
    queryKey: [kind, id, 'revisions', revision],
    queryFn: async () =>
      (await data(
        client.GET(`/api/v1/library/${kind}/{id}/revisions` as '/api/v1/library/cutters/{id}/revisions', { params: { path: { id } } }),
      )) as Entry[],
  });
  const entries = history.data ?? [];
  return (
    <>
      <h2>Revisions</h2>
      <ol className="history">
        {entries.map((entry, i) => {
          const before = entries[i + 1];
          const changed = before
            ? Object.keys(entry.definition).filter((k) => text(entry.definition[k as never]) !== text(before.definition[k as never]))
            : [];
          return (
            <li key={entry.revision}>
              <b>{entry.revision}</b> {entry.by}, {day(entry.at)}
              {before ? '' : ', added'}
              {changed.map((k) => (
                <div key={k} className="muted small">
                  {names[k] ?? k}: {text(before!.definition[k as never])} → {text(entry.definition[k as never])}
                </div>
              ))}
            </li>
          );
        })}
      </ol>
    </>
  );
}
