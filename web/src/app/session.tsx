import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { client, data, onSessionEnd, type Schemas } from '../api/client';
import { UnitFormat, type UnitSystem } from '../parts/units';

export type Session = Schemas['SessionView'];

interface App {
  session: Session | null;
  /** The session ended while somebody was working; the page stays as it is. */
  expired: boolean;
  units: UnitFormat;
  setSystem: (system: UnitSystem) => void;
  signedIn: (session: Session) => void;
  signOut: () => Promise<void>;
}

const AppContext = createContext<App | null>(null);

export function useApp(): App {
  return use(AppContext)!;
}

export const useUnits = (): UnitFormat => useApp().units;

/** Whether the person may work on library and records. */
export function useMayWork(): boolean {
  const role = useApp().session?.role;
  return role === 'engineer' || role === 'approver';
}

export function AppProvider({ children }: { children: ReactNode }) {
  const queries = useQueryClient();
  const [expired, setExpired] = useState(false);
  const [system, setSystemState] = useState<UnitSystem>(() => (localStorage.getItem('units') === 'in' ? 'in' : 'mm'));
  const session = useQuery({
    queryKey: ['session'],
    queryFn: async () => (await data(client.GET('/api/v1/session'))) ?? null,
    staleTime: Infinity,
  });
  const quantities = useQuery({
    queryKey: ['quantities'],
    queryFn: () => data(client.GET('/api/v1/quantities')),
    staleTime: Infinity,
  });

  useEffect(() => onSessionEnd(() => setExpired(true)), []);

  const setSystem = useCallback((to: UnitSystem) => {
    localStorage.setItem('units', to);
    setSystemState(to);
  }, []);
  const signedIn = useCallback(
    (to: Session) => {
      const other = session.data != null && session.data.name !== to.name;
      if (other) queries.clear();
      queries.setQueryData(['session'], to);
      setExpired(false);
      if (!other) void queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'session' && q.state.status === 'error' });
    },
    [queries, session.data],
  );
  const signOut = useCallback(async () => {
    await client.DELETE('/api/v1/session');
    queries.clear();
    queries.setQueryData(['session'], null);
  }, [queries]);

  const units = useMemo(() => new UnitFormat(quantities.data ?? [], system), [quantities.data, system]);
  const value = useMemo(
    () => ({ session: session.data ?? null, expired: expired && session.data != null, units, setSystem, signedIn, signOut }),
    [session.data, expired, units, setSystem, signedIn, signOut],
  );
  if (session.isError || quantities.isError)
    return (
      <p className="page" role="alert">
        The server cannot be reached. This page tries again when it is loaded again.
      </p>
    );
  if (session.isPending || quantities.data === undefined) return <p className="page muted">Opening…</p>;
  return <AppContext value={value}>{children}</AppContext>;
}
