import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ApiError, client, data, type Schemas } from '../../api/client';
import type { Typed } from '../../parts/NumberField';

export interface Situation {
  operation: string;
  materialId: number;
  assemblyId: number;
  machineId: number;
}

export type Inputs = Record<string, Typed>;

/** What is chosen on the page. All of it stands in the address, so that every state can be sent to somebody. */
export function useChoices() {
  const [search, setSearch] = useSearchParams();
  // Typed values live here, so that typing is never slower than the address, and are written to the address as they come.
  const [typed, setTyped] = useState<Inputs>(() => fromAddress(search));
  const options = useMemo(() => {
    const all: Record<string, string> = {};
    search.forEach((value, key) => {
      if (key.startsWith('o.')) all[key.slice(2)] = value;
    });
    return all;
  }, [search]);

  const setMany = useCallback(
    (values: Record<string, string | undefined>) =>
      setSearch(
        (s) => {
          for (const [key, value] of Object.entries(values)) {
            if (value === undefined) s.delete(key);
            else s.set(key, value);
          }
          return s;
        },
        { replace: true },
      ),
    [setSearch],
  );
  const set = useCallback((key: string, value: string | undefined) => setMany({ [key]: value }), [setMany]);

  return {
    search,
    typed,
    options,
    /** Takes what was typed in some fields, all at once; undefined gives a field's proposal back. */
    type: (values: Record<string, Typed | undefined>) => {
      setTyped((all) => Object.fromEntries(Object.entries({ ...all, ...values }).filter((e): e is [string, Typed] => e[1] !== undefined)));
      setMany(Object.fromEntries(Object.entries(values).map(([code, t]) => [`n.${code}`, t && String(t.base)])));
    },
    pick: (code: string, value: string) => set(`o.${code}`, value),
    choose: set,
  };
}

function fromAddress(search: URLSearchParams): Inputs {
  const all: Inputs = {};
  search.forEach((value, key) => {
    const base = Number(value);
    if (key.startsWith('n.') && Number.isFinite(base)) all[key.slice(2)] = { text: value, system: 'mm', base };
  });
  return all;
}

/** The calculation of what is chosen; while a value is refused the last good figures stay. */
export function useCalculation(situation: Situation | null, typed: Inputs, options: Record<string, string>, explain: boolean) {
  const numbers = Object.fromEntries(Object.entries(typed).map(([code, t]) => [code, t.base]));
  const body: Schemas['CalculationRequest'] = {
    materialId: situation?.materialId ?? 0,
    assemblyId: situation?.assemblyId ?? 0,
    machineId: situation?.machineId ?? 0,
    numbers,
    options,
  };
  const query = useQuery({
    queryKey: ['calculation', situation?.operation, body, explain],
    queryFn: ({ signal }) =>
      data(
        client.POST('/api/v1/calculations/{operation}', {
          params: { path: { operation: situation!.operation }, query: { explain } },
          body,
          signal,
        }),
      ),
    enabled: situation !== null,
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 0,
    gcTime: 30_000,
  });
  const refused = query.error instanceof ApiError ? query.error.byField : {};
  return { query, body, refused };
}
