import type { Schemas } from '../../api/client';
import type { Setter, Typed } from '../../parts/NumberField';

type Hole = Schemas['CrossHole'];
type Step = Schemas['OutlineStep'];
type Edit = Schemas['StageEdit'];

/** Numbers typed, by the code of their field. */
export type Inputs = Record<string, Typed>;

/** How a hole that exists was drilled before something changed. */
export interface Before {
  depth: number;
  /** The cycle it was drilled in, and with what; not known until it was worked out once. */
  cycle?: string;
  about?: string;
}

/** Everything that is chosen in Calculate. Its address keeps all of it, and nothing else does. */
export interface Chosen {
  operation?: string | undefined;
  material?: number | undefined;
  assembly?: number | undefined;
  machine?: number | undefined;
  numbers: Inputs;
  picks: Record<string, string>;
  method?: string | undefined;
  /** The record and revision whose leftover is taken. */
  leftover?: Schemas['TakenLeftover'] | undefined;
  crossHoles: readonly Hole[];
  edits: readonly Edit[];
  /** Steps of the finished outline of turned work, from its free end. */
  outline: readonly Step[];
  /** The thread to cut, as text, and its identity where it is the shop's own. */
  thread?: { text: string; ownId: number } | undefined;
  before?: Before | undefined;
  note?: string | undefined;
  /** The open draft that is worked on, and the version of it that was read. */
  record?: string | undefined;
  version?: string | undefined;
  /** What is looked at below the picture, the two values its window is drawn over, and the symbol that was asked about. */
  show?: string | undefined;
  axes?: string | undefined;
  why?: string | undefined;
  /** Of which work this is which step, where it was gone on from others. */
  step?: string | undefined;
  /** What stands in the address and says nothing that could be read, as written. */
  unread: readonly [key: string, value: string][];
}

// What a step of an outline has, in the order of the address.
const STEP = ['diameter', 'length', 'chamfer', 'rounding', 'fillet', 'to', 'arc'] as const;

export const NOTHING: Chosen = { numbers: {}, picks: {}, crossHoles: [], edits: [], outline: [], unread: [] };

/** Words that stand in the address as they are, under a key of their own. */
const LAST = ['note', 'record', 'version', 'show', 'axes', 'why', 'step'] as const;
const WORDS = new Map<string, 'operation' | 'method' | (typeof LAST)[number]>([
  ['op', 'operation'],
  ['method', 'method'],
  ...LAST.map((key) => [key, key] as const),
]);
/** Numbers stand under n where they were typed, and under the first letter of what put them there otherwise. */
const NUMBERS = new Map<string, Setter | undefined>([
  ['n.', undefined],
  ['b.', 'best'],
  ['m.', 'method'],
]);
const IDENTITIES = ['material', 'assembly', 'machine'] as const;

/** Reads an address. What cannot be read is kept by itself and told, never taken for something else. */
export function readAddress(address: string | URLSearchParams): Chosen {
  const chosen: Chosen = { ...NOTHING, numbers: {}, picks: {} };
  const unread: [string, string][] = [];
  for (const [key, value] of new URLSearchParams(address)) if (!readPart(chosen, key, value)) unread.push([key, value]);
  return { ...chosen, unread };
}

function readPart(chosen: Chosen, key: string, value: string): boolean {
  const word = WORDS.get(key);
  const identity = IDENTITIES.find((one) => one === key);
  if (word) chosen[word] = value;
  else if (identity) {
    if (!/^\d{1,9}$/.test(value) || Number(value) === 0) return false;
    chosen[identity] = Number(value);
  } else if (NUMBERS.has(key.slice(0, 2))) {
    const typed = readTyped(value);
    const by = NUMBERS.get(key.slice(0, 2));
    if (!typed) return false;
    chosen.numbers[key.slice(2)] = by ? { ...typed, by } : typed;
  } else if (key.startsWith('o.')) chosen.picks[key.slice(2)] = value;
  else if (key === 'leftover') {
    const [record, revision] = value.split('~');
    if (!record || !(Number.isInteger(Number(revision)) && Number(revision) > 0)) return false;
    chosen.leftover = { record, revision: Number(revision) };
  } else if (key === 'cross') {
    const holes = parts(value).map((p) => p.map(Number));
    if (!holes.every((h) => h.length === 4 && h.every(Number.isFinite))) return false;
    chosen.crossHoles = holes.map(([distance, diameter, angle, offset]) => ({
      distance: distance!,
      diameter: diameter!,
      angle: angle!,
      offset: offset!,
    }));
  } else if (key === 'outline') {
    const steps = parts(value).map((p) => p.map((n) => (n === '' ? null : Number(n))));
    if (!steps.every((s) => s.length <= STEP.length && s[0] != null && s[1] != null && s.every((n) => n === null || Number.isFinite(n))))
      return false;
    chosen.outline = steps.map((s) => Object.fromEntries(s.flatMap((n, i) => (n === null ? [] : [[STEP[i], n]]))) as unknown as Step);
  } else if (key === 'edits') {
    const edits = parts(value);
    if (!edits.every((e) => e.length === 4 && e[0])) return false;
    chosen.edits = edits.map(([stage, speed, feed, coolant]) => ({
      stage: stage!,
      speed: optional(speed),
      feedRate: optional(feed),
      coolant: coolant ? coolant === 'on' : null,
    }));
  } else if (key === 'thread') {
    const [text, own = '0'] = value.split('~');
    if (!text || !/^\d{1,9}$/.test(own)) return false;
    chosen.thread = { text, ownId: Number(own) };
  } else if (key === 'was') {
    const [depth, cycle, about] = value.split('~');
    if (!(Number(depth) > 0)) return false;
    chosen.before = { depth: Number(depth), ...(cycle && { cycle }), ...(about && { about }) };
  } else return false;
  return true;
}

/** Writes what is chosen as an address, in one order, so that the same choices are the same address. */
export function writeAddress(chosen: Chosen): string {
  const address = new URLSearchParams();
  const put = (key: string, value: string | number | undefined) =>
    value !== undefined && value !== '' && address.append(key, String(value));
  put('op', chosen.operation);
  for (const key of IDENTITIES) put(key, chosen[key]);
  for (const [code, typed] of Object.entries(chosen.numbers)) put(`${typed.by?.[0] ?? 'n'}.${code}`, writeTyped(typed));
  for (const [code, pick] of Object.entries(chosen.picks)) put(`o.${code}`, pick);
  put('method', chosen.method);
  put('leftover', chosen.leftover && `${chosen.leftover.record}~${chosen.leftover.revision}`);
  put('cross', chosen.crossHoles.map((h) => [h.distance, h.diameter, h.angle, h.offset].join('~')).join('!'));
  put(
    'outline',
    chosen.outline
      .map((s) =>
        STEP.map((code) => s[code] ?? '')
          .join('~')
          .replace(/~+$/, ''),
      )
      .join('!'),
  );
  put('edits', chosen.edits.map((e) => [e.stage, e.speed ?? '', e.feedRate ?? '', coolantOf(e)].join('~')).join('!'));
  put('thread', chosen.thread && (chosen.thread.ownId ? `${chosen.thread.text}~${chosen.thread.ownId}` : chosen.thread.text));
  put('was', chosen.before && [chosen.before.depth, chosen.before.cycle, chosen.before.about].filter((x) => x !== undefined).join('~'));
  for (const key of LAST) put(key, chosen[key]);
  for (const [key, value] of chosen.unread) address.append(key, value);
  return address.toString();
}

/** The path of a calculation. */
export const pathOf = (chosen: Partial<Chosen>): string => `/calculate?${writeAddress({ ...NOTHING, ...chosen })}`;

/** With another cutter what a method or the best point put into fields goes back to proposals; what was typed stays. */
export const withAnother = (chosen: Chosen, assembly: number): Partial<Chosen> => {
  const typed = Object.entries(chosen.numbers).filter(([, t]) => !t.by);
  const same = typed.length === Object.keys(chosen.numbers).length;
  return { assembly, numbers: Object.fromEntries(typed), ...(!same && { method: undefined }) };
};

/** What an alternative is pinned and a situation is kept with: all but what is looked at, the note, and the draft it may belong to. */
export const bare = (chosen: Chosen): Chosen => ({
  ...chosen,
  show: undefined,
  axes: undefined,
  why: undefined,
  note: undefined,
  record: undefined,
  version: undefined,
});

/** Numbers that nobody typed, as records and chains hand them to the page. */
export const given = (numbers: Record<string, number>): Inputs =>
  Object.fromEntries(Object.entries(numbers).map(([code, base]) => [code, { text: String(base), system: 'mm', base }]));

const PLAIN = 9;
const parts = (text: string): string[][] => (text ? text.split('!').map((p) => p.split('~')) : []);
const optional = (text: string | undefined) => (text ? Number(text) : null);
const coolantOf = (e: Edit) => (e.coolant === null ? '' : e.coolant ? 'on' : 'off');

// A number as its value in base units; where it was typed as something else, that stands behind it with its system of units.
const writeTyped = ({ base, system, text }: Typed): string =>
  system === 'mm' && text === String(base) && text.length <= PLAIN ? text : `${base}~${system}~${text}`;

function readTyped(value: string): Typed | null {
  const [number = '', system = 'mm', ...text] = value.split('~');
  const base = Number(number);
  if (number.trim() === '' || !Number.isFinite(base) || (system !== 'mm' && system !== 'in')) return null;
  // Nobody types as many digits as a program writes: what came from one is shown as one would.
  const shown = number.length <= PLAIN ? number : String(Number(base.toPrecision(6)));
  return { text: text.length > 0 ? text.join('~') : shown, system, base };
}
