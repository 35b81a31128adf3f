import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
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

/**
 * What is chosen on the page. It lives here, so that neither keys nor quick picks ever wait for the address, and is written to the
 * address as it changes, so that every state can be sent to somebody.
 */
export function useChoices() {
  const [address, setAddress] = useSearchParams();
  const [chosen, setChosen] = useState<Record<string, string>>(() => Object.fromEntries(address));
  const [typed, setTyped] = useState<Inputs>(() => fromAddress(address));

  useEffect(() => {
    if (new URLSearchParams(chosen).toString() !== address.toString()) setAddress(chosen, { replace: true });
  }, [chosen, address, setAddress]);

  const setMany = useCallback((values: Record<string, string | undefined>) => setChosen((all) => present({ ...all, ...values })), []);
  const set = useCallback((key: string, value: string | undefined) => setMany({ [key]: value }), [setMany]);
  const options = Object.fromEntries(
    Object.entries(chosen).flatMap(([key, value]) => (key.startsWith('o.') ? [[key.slice(2), value]] : [])),
  );

  return {
    chosen,
    typed,
    options,
    setMany,
    /** Takes a whole state over from an address. */
    restore: (from: string) => {
      const search = new URLSearchParams(from);
      setChosen(Object.fromEntries(search));
      setTyped(fromAddress(search));
    },
    /** Takes what was typed in some fields, all at once; undefined gives a field's proposal back. */
    type: (values: Record<string, Typed | undefined>) => {
      setTyped((all) => present({ ...all, ...values }));
      setMany(Object.fromEntries(Object.entries(values).map(([code, t]) => [`n.${code}`, t && String(t.base)])));
    },
    pick: (code: string, value: string) => set(`o.${code}`, value),
    choose: set,
  };
}

const present = <T>(all: Record<string, T | undefined>): Record<string, T> =>
  Object.fromEntries(Object.entries(all).filter((entry): entry is [string, T] => entry[1] !== undefined));

function fromAddress(search: URLSearchParams): Inputs {
  const all: Inputs = {};
  search.forEach((value, key) => {
    const base = Number(value);
    if (key.startsWith('n.') && Number.isFinite(base)) all[key.slice(2)] = { text: value, system: 'mm', base };
  });
  return all;
}

/** What is chosen in a situation: what an open draft keeps. */
type Choices = Omit<Schemas['CalculationRequest'], 'materialId' | 'assemblyId' | 'machineId'>;

/** The calculation of what is chosen; while a value is refused the last good figures stay. */
export function useCalculation(
  situation: Situation | null,
  typed: Inputs,
  options: Record<string, string>,
  explain: boolean,
  leftover: Schemas['TakenLeftover'] | null,
  method: string | undefined,
  hole: Partial<Choices>,
) {
  const numbers = Object.fromEntries(Object.entries(typed).map(([code, t]) => [code, t.base]));
  const choices: Choices = { numbers, options, ...(leftover && { leftover }), ...(method && { method }), ...hole };
  const body: Schemas['CalculationRequest'] = {
    materialId: situation?.materialId ?? 0,
    assemblyId: situation?.assemblyId ?? 0,
    machineId: situation?.machineId ?? 0,
    ...choices,
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
  // A refused value takes no figures away: the last good ones of the same situation stay.
  const about = situation && `${situation.operation}/${situation.materialId}/${situation.assemblyId}/${situation.machineId}`;
  const [good, setGood] = useState<{ about: string | null; result: Schemas['CalculationResult'] } | null>(null);
  if (query.data && !query.isPlaceholderData && query.data !== good?.result) setGood({ about, result: query.data });
  const result = query.data ?? (good?.about === about ? good?.result : undefined);
  const refused = query.error instanceof ApiError ? query.error.byField : {};
  return { query, result, body, choices, refused };
}
