import { useSyncExternalStore } from 'react';

/** Every colour of the application. Styles and drawings read them as CSS variables, `accentSoft` as `--accent-soft`. */
const light = {
  paper: '#faf8f4',
  sheet: '#ffffff',
  well: '#f3efe7',
  ink: '#1d2630',
  muted: '#5c6773',
  rule: '#ddd8ce',
  hair: '#eae5db',
  accent: '#0f6e6e',
  accentSoft: '#e7f0ee',
  onAccent: '#ffffff',
  stop: '#b3261e',
  stopSoft: '#fbeeec',
  caution: '#8a5a12',
  cautionSoft: '#fbf6e9',
  // Tempering colours of steel: lightness falls all the way to the limit, so that a bar reads without colour.
  load1: '#e9c46a',
  load2: '#b9722e',
  load3: '#6b3f7a',
  load4: '#27457c',
  leaf: '#4e6b2f',
  rest: '#9aa3a8',
  // Drawings: material that stays and its hatching, stock and its edge, and the parts of a tool.
  solid: '#efeae0',
  hatch: '#c9c2b4',
  stock: '#e4dccb',
  stockEdge: '#9c937f',
  part: '#ffffff',
  shank: '#f4f0e7',
  extension: '#eceae2',
  holder: '#e3e6e8',
};

export type Palette = typeof light;

// For the night shift: quiet surfaces, and loads that grow lighter towards the limit.
const dark: Palette = {
  paper: '#15191d',
  sheet: '#1d2328',
  well: '#262d33',
  ink: '#e8e4db',
  muted: '#a3adb6',
  rule: '#3a434b',
  hair: '#2b3239',
  accent: '#55b8af',
  accentSoft: '#1c3634',
  onAccent: '#0c1415',
  stop: '#ff8d7e',
  stopSoft: '#3a2220',
  caution: '#e2b25e',
  cautionSoft: '#342b1a',
  load1: '#7a6a37',
  load2: '#c98746',
  load3: '#b795c4',
  load4: '#9fc0f5',
  leaf: '#9dbf72',
  rest: '#7c868d',
  solid: '#2a2f31',
  hatch: '#545b5e',
  stock: '#3d3a31',
  stockEdge: '#8d8570',
  part: '#39424a',
  shank: '#313940',
  extension: '#2c343a',
  holder: '#262e35',
};

// For bright light and tired eyes: ink on white, and lines that are seen.
const contrast: Palette = {
  ...light,
  paper: '#ffffff',
  well: '#eeeeee',
  ink: '#000000',
  muted: '#2e3338',
  rule: '#4a4f54',
  hair: '#8c9196',
  accent: '#003f44',
  accentSoft: '#d8ecec',
  stop: '#8c0d07',
  stopSoft: '#ffffff',
  caution: '#5a3600',
  cautionSoft: '#ffffff',
  load1: '#c79a1e',
  load2: '#8f4c0d',
  load3: '#4b1f5c',
  load4: '#0d2457',
  leaf: '#2d4713',
  rest: '#5d656b',
  hatch: '#7f786a',
  stockEdge: '#4f4839',
};

/** The stripe of each ISO 513 group, always shown with its letter. */
export const groupColours: Record<string, string> = { P: '#2F6FB0', M: '#C9A400', K: '#B8352B', N: '#2E8B57', S: '#B0651D', H: '#8A8F94' };

export const PALETTES = { light, dark, contrast };
export type Look = keyof typeof PALETTES;
export type LookChoice = Look | 'system';
export const LOOKS: readonly [LookChoice, string][] = [
  ['system', 'as the system'],
  ['light', 'light'],
  ['dark', 'dark'],
  ['contrast', 'high contrast'],
];

const KEY = 'look';
const DARK = '(prefers-color-scheme: dark)';
const CONTRAST = '(prefers-contrast: more)';
const asks = (query: string) => window.matchMedia(query).matches;
const listeners = new Set<() => void>();

const choice = (): LookChoice => LOOKS.find(([code]) => code === localStorage.getItem(KEY))?.[0] ?? 'system';

function look(): Look {
  const chosen = choice();
  if (chosen !== 'system') return chosen;
  return asks(CONTRAST) ? 'contrast' : asks(DARK) ? 'dark' : 'light';
}

function apply(now = look()) {
  const root = document.documentElement;
  root.dataset.look = now;
  root.style.colorScheme = now === 'dark' ? 'dark' : 'light';
  for (const [name, colour] of Object.entries(PALETTES[now])) root.style.setProperty(cssName(name), colour);
  listeners.forEach((changed) => changed());
}

const cssName = (name: string) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`;

/** Colours the page before anything is drawn, and again whenever the system or another window changes its mind. */
export function startLook() {
  apply();
  for (const query of [DARK, CONTRAST]) window.matchMedia(query).addEventListener('change', () => apply());
  window.addEventListener('storage', (e) => e.key === KEY && apply());
  // Paper is white.
  window.addEventListener('beforeprint', () => apply('light'));
  window.addEventListener('afterprint', () => apply());
}

function subscribe(changed: () => void) {
  listeners.add(changed);
  return () => void listeners.delete(changed);
}

/** The look in force, what was chosen, and the colours as such, for what cannot read variables. */
export function useLook() {
  const now = useSyncExternalStore(subscribe, look);
  const chosen = useSyncExternalStore(subscribe, choice);
  return {
    look: now,
    palette: PALETTES[now],
    choice: chosen,
    choose: (next: LookChoice) => {
      localStorage.setItem(KEY, next);
      apply();
    },
  };
}
