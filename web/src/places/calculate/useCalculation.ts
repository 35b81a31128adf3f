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
  const [texts, setTexts] = useState<Inputs>({});
  const typed = useMemo(() => {
    const all: Inputs = {};
    search.forEach((value, key) => {
      const code = key.startsWith('n.') ? key.slice(2) : '';
      const base = Number(value);
      if (code && Number.isFinite(base)) all[code] = texts[code]?.base === base ? texts[code] : { text: value, system: 'mm', base };
    });
    return all;
  }, [search, texts]);
  const options = useMemo(() => {
    const all: Record<string, string> = {};
    search.forEach((value, key) => {
      if (key.startsWith('o.')) all[key.slice(2)] = value;
    });
    return all;
  }, [search]);

  const set = useCallback(
    (key: string, value: string | undefined) =>
      setSearch(
        (s) => {
          if (value === undefined) s.delete(key);
          else s.set(key, value);
          return s;
        },
        { replace: true },
      ),
    [setSearch],
  );

  return {
    search,
    typed,
    options,
    type: (code: string, t: Typed | undefined) => {
      setTexts((all) => {
        const next = { ...all };
        if (t) next[code] = t;
        else delete next[code];
        return next;
      });
      set(`n.${code}`, t && String(t.base));
    },
    pick: (code: string, value: string) => set(`o.${code}`, value),
    choose: set,
    replaceAll: (next: Record<string, string>) => {
      setTexts({});
      setSearch(next, { replace: true });
    },
  };
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
