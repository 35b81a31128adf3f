import { useMutation, useQueryClient } from '@tanstack/react-query';
import { client, data } from '../../api/client';

/** Says once that one has read an edition; everything that asks for it is asked anew. */
export function useSayRead(number: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => data(client.POST('/api/v1/editions/{number}/reading', { params: { path: { number } } })),
    onSuccess: () => Promise.all(['lookup', 'editions', 'readers'].map((key) => queries.invalidateQueries({ queryKey: [key] }))),
  });
}
