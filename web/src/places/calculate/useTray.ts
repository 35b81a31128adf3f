import type { Schemas } from '../../api/client';
import { useKept } from './useKept';

/** A pinned alternative: its state on the page as an address, and what is asked for it. */
export interface Pinned {
  name: string;
  address: string;
  alternative: Omit<Schemas['Alternative'], 'name'>;
}

export const MOST_PINNED = 8;

/** The tray of pinned alternatives. */
export function useTray() {
  const [pinned, change] = useKept<Pinned>('tray');
  return {
    pinned,
    full: pinned.length >= MOST_PINNED,
    pin: (p: Pinned) => change((all) => [...all, { ...p, name: free(p.name, all) }].slice(0, MOST_PINNED)),
    rename: (index: number, name: string) => change((all) => all.map((p, i) => (i === index ? { ...p, name } : p))),
    unpin: (index: number) => change((all) => all.filter((_, i) => i !== index)),
    clear: () => change(() => []),
  };
}

function free(name: string, pinned: Pinned[]): string {
  const taken = new Set(pinned.map((p) => p.name));
  for (let i = 1; ; i++) {
    const tried = i === 1 ? name : `${name} (${i})`;
    if (!taken.has(tried)) return tried;
  }
}
