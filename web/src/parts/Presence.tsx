import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { client, data } from '../api/client';
import { useApp, useMayWork } from './session';

const AGAIN = 8000;

/** Says who else has this page open, and whether they are changing it. */
export function Presence({ page, editing }: { page: string; editing: boolean }) {
  const { session } = useApp();
  const mayWork = useMayWork();
  const others = useQuery({
    queryKey: ['presence', page, editing],
    queryFn: () => data(client.POST('/api/v1/presence', { body: { page, editing } })),
    enabled: mayWork,
    refetchInterval: AGAIN,
    retry: false,
  });
  useEffect(() => {
    if (!mayWork) return;
    // Without a network they are gone by themselves a little later.
    return () => void client.DELETE('/api/v1/presence', { params: { query: { page } } }).catch(() => undefined);
  }, [page, mayWork]);
  const there = (others.data ?? []).filter((o) => o.name !== session?.name);
  if (there.length === 0) return null;
  const changing = there.filter((o) => o.editing).map((o) => o.name);
  return (
    <p className={changing.length > 0 ? 'warn' : 'muted'} role="status">
      {changing.length > 0
        ? `${changing.join(', ')} ${changing.length === 1 ? 'is' : 'are'} changing this too; what both save is put together, field by field.`
        : `${there.map((o) => o.name).join(', ')} ${there.length === 1 ? 'has' : 'have'} this open too.`}
    </p>
  );
}
