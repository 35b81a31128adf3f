import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { client, data } from '../api/client';
import { Problem } from './Problem';

/** The server's calls for one kind of stored thing; every kind has the same. */
export interface StoredCalls<T, S> {
  list: string;
  get: (id: number) => Promise<S>;
  create: (definition: T) => Promise<S>;
  change: (sheet: { id: number; revision: number }, definition: T) => Promise<S>;
}

type Paths =
  | 'library/cutters'
  | 'library/holders'
  | 'library/assemblies'
  | 'shop/materials'
  | 'shop/machines'
  | 'shop/charts'
  | 'shop/methods'
  | 'shop/threads'
  | 'hole-groups';

/** Calls for the kind at a path. The paths differ only in the definition they carry, so one of them lends its type to all. */
export function storedCalls<T, S>(path: Paths): StoredCalls<T, S> {
  const one = `/api/v1/${path}/{id}` as '/api/v1/library/cutters/{id}';
  const all = `/api/v1/${path}` as '/api/v1/library/cutters';
  return {
    list: path.split('/').at(-1)!,
    get: (id) => data(client.GET(one, { params: { path: { id } } })) as Promise<S>,
    create: (definition) => data(client.POST(all, { body: definition as never })) as Promise<S>,
    change: ({ id, revision }, definition) =>
      data(
        client.PUT(one, { params: { path: { id } }, headers: { 'If-Match': `"${revision}"` }, body: definition as never }),
      ) as Promise<S>,
  };
}

/** The page of the stored thing in the address, or of a new one; hands its sheet on once it is there. */
export function StoredPage<T, S extends { revision: number }>(props: {
  calls: StoredCalls<T, S>;
  word: string;
  children: (sheet: S | undefined, key: string) => ReactNode;
}) {
  const { calls, word, children } = props;
  const id = useParams().id ?? 'new';
  const isNew = id === 'new';
  const sheet = useQuery({ queryKey: [calls.list, Number(id)], queryFn: () => calls.get(Number(id)), enabled: !isNew });
  if (sheet.error)
    return (
      <div className="page">
        <Problem error={sheet.error} />
      </div>
    );
  if (!isNew && sheet.isPending) return <p className="page muted">Fetching the {word}…</p>;
  return children(sheet.data, id);
}
