import { useQuery } from '@tanstack/react-query';
import { client, data } from '../../api/client';

/** What the workshop has of all that a first published figure needs, asked anew wherever it is shown. */
export const useFirstDay = (enabled = true) =>
  useQuery({ queryKey: ['first-day'], queryFn: () => data(client.GET('/api/v1/first-day')), enabled, staleTime: 0, retry: false });
