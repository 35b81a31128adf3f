import { useCallback, useMemo, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

/**
 * A list that the browser keeps. It outlives the page, so that something can be looked up in between, and is one for all its windows: each
 * change is made to what stands there now, and is seen in all of them.
 */
export function useKept<T>(key: string): [kept: readonly T[], change: (next: (now: T[]) => T[]) => void] {
  const text = useSyncExternalStore(
    useCallback((changed) => subscribe(key, changed), [key]),
    () => localStorage.getItem(key),
  );
  const kept = useMemo(() => parsed<T>(text), [text]);
  const change = useCallback(
    (next: (now: T[]) => T[]) => {
      localStorage.setItem(key, JSON.stringify(next(parsed(localStorage.getItem(key)))));
      listeners.forEach((changed) => changed());
    },
    [key],
  );
  return [kept, change];
}

function subscribe(key: string, changed: () => void) {
  const other = (e: StorageEvent) => (e.key === key || e.key === null) && changed();
  listeners.add(changed);
  window.addEventListener('storage', other);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('storage', other);
  };
}

function parsed<T>(kept: string | null): T[] {
  try {
    const read: unknown = JSON.parse(kept ?? '[]');
    return Array.isArray(read) ? (read as T[]) : [];
  } catch {
    return [];
  }
}
