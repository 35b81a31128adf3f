import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { fetchList, type ListName, type RowOf } from '../../parts/shelf';

/** Rows fetched at once. */
export const PAGE = 200;
const OWN = ['q', 'sort', 'descending', 'leastSize', 'largestSize'];

/** What the address asks of a list: the text, the order, sizes, and the filters by facet. */
export function useListQuery(text: string) {
  const [search, setSearch] = useSearchParams();
  const query = useMemo(() => {
    const all: Record<string, string> = Object.fromEntries(search);
    if (text) all.q = text;
    else delete all.q;
    return all;
  }, [search, text]);
  const set = (values: Record<string, string | undefined>) =>
    setSearch(
      (s) => {
        for (const [key, value] of Object.entries(values))
          if (value) s.set(key, value);
          else s.delete(key);
        return s;
      },
      { replace: true },
    );
  const filters = Object.entries(query).filter(([key]) => !OWN.includes(key));
  return { query, set, filters, replace: (address: string) => setSearch(address, { replace: true }), address: search.toString() };
}

/** The rows of a list between two indexes, fetched a page at a time with the next ones ready; counts come with the first page. */
export function useListing<L extends ListName>(list: L, query: Record<string, string>, from: number, to: number) {
  const first = useQuery({
    queryKey: [list, 'page', query, 0],
    queryFn: ({ signal }) => fetchList(list, { ...query, skip: 0, take: PAGE }, signal),
    placeholderData: keepPreviousData,
  });
  const total = first.data?.total ?? 0;
  const lastPage = Math.max(0, Math.ceil(total / PAGE) - 1);
  const pages: number[] = [];
  for (let p = Math.max(1, Math.floor(from / PAGE) - 1); p <= Math.min(lastPage, Math.floor(to / PAGE) + 1); p++) pages.push(p);
  const others = useQueries({
    queries: pages.map((p) => ({
      queryKey: [list, 'page', query, p],
      queryFn: ({ signal }: { signal: AbortSignal }) => fetchList(list, { ...query, skip: p * PAGE, take: PAGE }, signal),
      staleTime: 60_000,
    })),
  });
  const row = (i: number): RowOf[L] | undefined => {
    const page = Math.floor(i / PAGE);
    const answer = page === 0 ? first.data : others[pages.indexOf(page)]?.data;
    return answer?.rows[i % PAGE];
  };
  return { first: first.data, total, error: first.error, isPending: first.isPending, row };
}
