import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useLocation, useNavigate, type Location } from 'react-router';
import { readAddress, writeAddress, type Chosen } from './address';

/** What an entry of the browser's history that was made here remembers: how many of its kind lie behind it. */
interface Entry {
  behind: number;
}

/** What follows within this time and changes the same thing is one step: a number typed, a point dragged. */
const ONE_STEP = 1500;

export interface Address {
  chosen: Chosen;
  /** Changes what is chosen, as a step of its own that can be taken back; changes of one name in a row are one step. */
  change: (step: string, next: Partial<Chosen> | ((chosen: Chosen) => Partial<Chosen>)) => void;
  /** Changes what nobody chose or what is only looked at; no step. */
  adjust: (next: Partial<Chosen> | ((chosen: Chosen) => Partial<Chosen>)) => void;
  /** Takes a whole state over. */
  replace: (step: string, chosen: Chosen) => void;
  /** Whether somebody came here by a link or by typing the address, and has changed nothing since. */
  arrived: boolean;
  back: (() => void) | undefined;
  forward: (() => void) | undefined;
}

/** An address that stands still, to draw from. */
export const still = (chosen: Chosen): Address => ({
  chosen,
  change: () => {},
  adjust: () => {},
  replace: () => {},
  arrived: false,
  back: undefined,
  forward: undefined,
});

/**
 * What is chosen in Calculate. The address of the page is where it stands: it is read from there and written there, so that a link, a
 * reload and the browser's back and forward all mean the same; nothing keeps a copy.
 */
export function useAddress(): Address {
  const { search, pathname, state, key } = useLocation() as Location<Entry | null>;
  const navigate = useNavigate();
  const behind = state?.behind ?? 0;
  const here = useRef({ search, pathname, behind });
  const [ahead] = useState(() => new Ahead());
  const written = useSyncExternalStore(ahead.subscribe, ahead.search);
  const chosen = useMemo(() => readAddress(written ?? search), [written, search]);
  useLayoutEffect(() => {
    here.current = { search, pathname, behind };
    ahead.set(null);
  }, [ahead, key, search, pathname, behind]);
  // Gone back before what was written was drawn, the page stands where it stood: what was written is not ahead of it any more.
  useEffect(() => {
    const gone = () => ahead.set(null);
    window.addEventListener('popstate', gone);
    return () => window.removeEventListener('popstate', gone);
  }, [ahead]);
  const last = useRef({ step: '', at: 0 });
  const [furthest, setFurthest] = useState(behind);

  const write = useCallback(
    (step: string | null, next: (chosen: Chosen) => Chosen) => {
      const at = here.current;
      const before = ahead.now;
      const written = `?${writeAddress(next(readAddress(before?.search ?? at.search)))}`;
      if (written === (before?.search ?? at.search)) return;
      const goesOn = step === null || (last.current.step === step && Date.now() - last.current.at < ONE_STEP);
      const replace = goesOn && (before?.replace ?? true);
      const depth = replace ? at.behind : at.behind + 1;
      if (step !== null) {
        last.current = { step, at: Date.now() };
        setFurthest(depth);
      }
      ahead.set({ search: written, replace });
      void navigate({ pathname: at.pathname, search: written }, { replace, state: { behind: depth } satisfies Entry, flushSync: true });
    },
    [ahead, navigate],
  );

  // After a step back the same thing changed again is a new step.
  const go = useCallback(
    (by: number) => {
      last.current = { step: '', at: 0 };
      void navigate(by);
    },
    [navigate],
  );

  const back = useMemo(() => (behind > 0 ? () => go(-1) : undefined), [behind, go]);
  const forward = useMemo(() => (behind < furthest ? () => go(1) : undefined), [behind, furthest, go]);
  useKeys(back, forward);

  return {
    chosen,
    change: useCallback((step, next) => write(step, (c) => ({ ...c, ...(typeof next === 'function' ? next(c) : next) })), [write]),
    adjust: useCallback((next) => write(null, (c) => ({ ...c, ...(typeof next === 'function' ? next(c) : next) })), [write]),
    replace: useCallback((step, all) => write(step, () => all), [write]),
    arrived: state === null,
    back,
    forward,
  };
}

/**
 * What was written and has not arrived in the address yet. A box shows it at once, since the browser takes the address a moment later; and
 * further changes build on it and go in its place.
 */
class Ahead {
  now: { search: string; replace: boolean } | null = null;
  private readonly listeners = new Set<() => void>();

  set(next: Ahead['now']) {
    if (this.now === next) return;
    this.now = next;
    this.listeners.forEach((changed) => changed());
  }

  readonly search = () => this.now?.search ?? null;

  readonly subscribe = (changed: () => void) => {
    this.listeners.add(changed);
    return () => void this.listeners.delete(changed);
  };
}

// Ctrl+Z and Ctrl+Y outside of a box; within one they are the box's own.
function useKeys(back: (() => void) | undefined, forward: (() => void) | undefined) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || (e.target as HTMLElement).closest('input, textarea, [contenteditable]')) return;
      const wanted = { z: e.shiftKey ? forward : back, y: forward }[e.key.toLowerCase()];
      if (!wanted) return;
      e.preventDefault();
      wanted();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [back, forward]);
}
