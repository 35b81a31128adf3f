import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, client, data, type Schemas } from '../../api/client';
import type { Situation } from './useSituation';

/** The calculation of what is chosen; while a value is refused the last good figures stay. */
export function useCalculation(situation: Situation | null, body: Schemas['CalculationRequest'], explain: boolean) {
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
  const result = situation === null ? undefined : (query.data ?? (good?.about === about ? good?.result : undefined));
  const refused = query.error instanceof ApiError ? query.error.byField : {};
  return { query, result, refused };
}
