import { useMemo, useSyncExternalStore } from 'react';
import type { Schemas } from '../../api/client';

/** A pinned alternative: its state on the page as an address, and what is asked for it. */
export interface Pinned {
  name: string;
  address: string;
  alternative: Omit<Schemas['Alternative'], 'name'>;
}

export const MOST_PINNED = 8;
const KEY = 'tray';
const listeners = new Set<() => void>();

/**
 * The tray of pinned alternatives. It outlives the page, so that cutters can be looked up in between, and is one for all windows of the
 * browser: each change is made to what stands there now, and is seen in all of them.
 */
export function useTray() {
  const kept = useSyncExternalStore(subscribe, () => localStorage.getItem(KEY));
  const pinned = useMemo(() => parsed(kept), [kept]);
  return {
    pinned,
    full: pinned.length >= MOST_PINNED,
    pin: (p: Pinned) => change((all) => [...all, { ...p, name: free(p.name, all) }].slice(0, MOST_PINNED)),
    rename: (index: number, name: string) => change((all) => all.map((p, i) => (i === index ? { ...p, name } : p))),
    unpin: (index: number) => change((all) => all.filter((_, i) => i !== index)),
    clear: () => change(() => []),
  };
}

function subscribe(changed: () => void) {
  const other = (e: StorageEvent) => (e.key === KEY || e.key === null) && changed();
  listeners.add(changed);
  window.addEventListener('storage', other);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('storage', other);
  };
}

function change(next: (all: Pinned[]) => Pinned[]) {
  localStorage.setItem(KEY, JSON.stringify(next(parsed(localStorage.getItem(KEY)))));
  listeners.forEach((changed) => changed());
}

function parsed(kept: string | null): Pinned[] {
  try {
    return JSON.parse(kept ?? '[]') as Pinned[];
  } catch {
    return [];
  }
}

function free(name: string, pinned: Pinned[]): string {
  const taken = new Set(pinned.map((p) => p.name));
  for (let i = 1; ; i++) {
    const tried = i === 1 ? name : `${name} (${i})`;
    if (!taken.has(tried)) return tried;
  }
}
