import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { client, data, notReached, onSessionEnd, type Schemas } from '../api/client';
import { forgetPart, keptPart } from './device';
import { UnitFormat, type UnitSystem } from './units';

export type Session = Schemas['SessionView'];

// Said while the server could not be reached: carried out before anything else as soon as it can be.
const LEAVING = 'incisura.leaving';
// How often a server that was not reached is tried again, ms.
const AGAIN = 15_000;

interface App {
  session: Session | null;
  /** The session ended while somebody was working; the page stays as it is. */
  expired: boolean;
  /** The server is not reached; what is shown is what this device keeps. */
  away: boolean;
  quantities: Schemas['QuantityUnits'][];
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
    queryFn: fetchSession,
    staleTime: Infinity,
    refetchInterval: (query) => (query.state.data?.away ? AGAIN : false),
  });
  const quantities = useQuery({
    queryKey: ['quantities'],
    queryFn: () => data(client.GET('/api/v1/quantities')).catch(async (error) => keptOr(error, (kept) => kept.quantities)),
    staleTime: Infinity,
  });
  const away = session.data?.away === true;

  useEffect(
    () =>
      onSessionEnd(() => {
        setExpired(true);
        void forgetPart();
      }),
    [],
  );
  // As soon as the server is back, everything is asked anew.
  useEffect(() => (away ? () => void queries.invalidateQueries() : undefined), [away, queries]);

  const setSystem = useCallback((to: UnitSystem) => {
    localStorage.setItem('units', to);
    setSystemState(to);
  }, []);
  const signedIn = useCallback(
    (to: Session) => {
      localStorage.removeItem(LEAVING);
      const other = session.data != null && session.data.name !== to.name;
      if (other) queries.clear();
      queries.setQueryData(['session'], to);
      setExpired(false);
      if (!other) void queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'session' && q.state.status === 'error' });
    },
    [queries, session.data],
  );
  const signOut = useCallback(async () => {
    localStorage.setItem(LEAVING, 'yes');
    await forgetPart();
    await leave();
    queries.clear();
    queries.setQueryData(['session'], null);
  }, [queries]);

  const units = useMemo(() => new UnitFormat(quantities.data ?? [], system), [quantities.data, system]);
  const value = useMemo(
    () => ({
      session: session.data ?? null,
      expired: expired && session.data != null,
      away,
      quantities: quantities.data ?? [],
      units,
      setSystem,
      signedIn,
      signOut,
    }),
    [session.data, expired, away, quantities.data, units, setSystem, signedIn, signOut],
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

async function fetchSession(): Promise<(Session & { away?: boolean }) | null> {
  if (localStorage.getItem(LEAVING) && !(await leave())) return null;
  try {
    const session = (await data(client.GET('/api/v1/session'))) ?? null;
    if ((await keptPart())?.session.name !== session?.name) await forgetPart();
    return session;
  } catch (error) {
    return keptOr(error, (kept) => ({ ...kept.session, away: true }));
  }
}

// Ends the session on the server; false where that was not done.
async function leave(): Promise<boolean> {
  try {
    await client.DELETE('/api/v1/session');
  } catch {
    return false;
  }
  localStorage.removeItem(LEAVING);
  return true;
}

async function keptOr<T>(error: unknown, of: (kept: NonNullable<Awaited<ReturnType<typeof keptPart>>>) => T): Promise<T> {
  const kept = notReached(error) ? await keptPart() : undefined;
  if (!kept) throw error;
  return of(kept);
}
