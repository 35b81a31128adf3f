import { useCallback, useState } from 'react';
import type { Schemas } from '../../api/client';

/** A pinned alternative: its state on the page as an address, and what is asked for it. */
export interface Pinned {
  name: string;
  address: string;
  alternative: Omit<Schemas['Alternative'], 'name'>;
}

export const MOST_PINNED = 8;
const KEY = 'tray';

/** The tray of pinned alternatives. It outlives the page, so that cutters can be looked up in between. */
export function useTray() {
  const [pinned, setPinned] = useState<Pinned[]>(() => read());
  const keep = useCallback((next: Pinned[]) => {
    localStorage.setItem(KEY, JSON.stringify(next));
    setPinned(next);
  }, []);
  return {
    pinned,
    full: pinned.length >= MOST_PINNED,
    pin: (p: Pinned) => keep([...pinned, { ...p, name: free(p.name, pinned) }].slice(0, MOST_PINNED)),
    rename: (index: number, name: string) => keep(pinned.map((p, i) => (i === index ? { ...p, name } : p))),
    unpin: (index: number) => keep(pinned.filter((_, i) => i !== index)),
    clear: () => keep([]),
  };
}

function read(): Pinned[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Pinned[];
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
