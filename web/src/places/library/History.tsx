import { useQuery } from '@tanstack/react-query';
import { client, data } from '../../api/client';
import { useUnits } from '../../parts/session';
import { differences, fieldWords, text } from '../../parts/differences';
import { day } from '../../parts/units';
import type { ListName } from '../../parts/shelf';

interface Entry {
  revision: number;
  by: string;
  at: string;
  definition: object;
}

/** Every revision of a stored thing with what it changed. */
export function History({ kind, id, revision, names }: { kind: ListName; id: number; revision: number; names: Record<string, string> }) {
  const units = useUnits();
  const history = useQuery({
    queryKey: [kind, id, 'revisions', revision],
    queryFn: async () =>
      (await data(
        client.GET(`/api/v1/library/${kind}/{id}/revisions` as '/api/v1/library/cutters/{id}/revisions', { params: { path: { id } } }),
      )) as Entry[],
  });
  const entries = history.data ?? [];
  // Lengths of the shape are shown in the person's units; other values as they are.
  const shown = (field: string, value: unknown) =>
    typeof value === 'number' && /^dimensions\.[A-Z]+$/.test(field) && !/ZEFF|SIG|KAPR|TA|STA|PNA|FHA|RPMX/.test(field)
      ? units.text(value, 'length')
      : text(value);
  return (
    <>
      <h2>Revisions</h2>
      <ol className="history">
        {entries.map((entry, i) => {
          const before = entries[i + 1];
          return (
            <li key={entry.revision}>
              <b>{entry.revision}</b> {entry.by}, {day(entry.at)}
              {before ? '' : ', added'}
              {before &&
                differences(before.definition, entry.definition).map((d) => (
                  <div key={d.field} className="muted small">
                    {fieldWords(names, d.field)}: {shown(d.field, d.from)} → {shown(d.field, d.to)}
                  </div>
                ))}
            </li>
          );
        })}
      </ol>
    </>
  );
}
