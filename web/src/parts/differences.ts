type Thing = Record<string, unknown>;

const isThing = (v: unknown): v is Thing => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Any value as a short text for people. */
export function text(value: unknown): string {
  if (value === undefined || value === null || value === '') return '—';
  if (Array.isArray(value))
    return value.length === 0 ? 'none' : value.every((v) => !isThing(v)) ? value.join(', ') : `${value.length} entries`;
  if (isThing(value))
    return Object.entries(value)
      .map(([k, v]) => `${plain(k)} ${text(v)}`)
      .join(', ');
  const word = value as string | number | boolean | null | undefined;
  return typeof word === 'boolean' ? (word ? 'yes' : 'no') : String(word);
}

// A code as words: squareEndMill is square end mill, P3 stays P3.
const plain = (code: string) => code.replace(/(?<=[a-z])[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

// What tells the elements of a list apart: the rows of a chart, its drilling cycles, feeds by diameter, a curve by speed.
const KEYS = [
  ['family', 'cuttingMaterial', 'subGroup', 'operation'],
  ['family', 'group', 'coolant'],
  ['diameter'],
  ['speed'],
  ['machineId', 'place'],
  ['field'],
];

/** The members that tell the elements of lists apart; undefined where nothing does, so that the list is one value. */
function keyOf(...lists: unknown[]): string[] | undefined {
  const all = lists.filter(Array.isArray) as unknown[][];
  if (all.some((list) => !list.every(isThing))) return undefined;
  return KEYS.find((key) =>
    all.every((list) => {
      const names = (list as Thing[]).map((e) => (key.every((k) => k in e) ? nameOf(e, key) : undefined));
      return !names.includes(undefined) && new Set(names).size === names.length;
    }),
  );
}

const nameOf = (element: Thing, key: string[]): string => key.map((k) => plain(String(element[k]))).join(', ');

const byName = (list: unknown, key: string[]): Map<string, Thing> =>
  new Map(((list as Thing[] | undefined) ?? []).map((e) => [nameOf(e, key), e]));

/** A definition as one level of names, so that a dimension or a row that changed is told by what it is called. */
export function flat(value: object, path = ''): Thing {
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, v]) => {
      if (isThing(v)) return Object.entries(flat(v, `${path}${key}.`));
      const names = Array.isArray(v) && v.length > 0 ? keyOf(v) : undefined;
      if (names) return (v as Thing[]).flatMap((e) => Object.entries(flat(e, `${path}${key}[${nameOf(e, names)}].`)));
      return [[path + key, v]];
    }),
  );
}

/** The fields in which two definitions differ. */
export function differences(before: object, after: object): { field: string; from: unknown; to: unknown }[] {
  const [a, b] = [flat(before), flat(after)];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((k) => text(a[k]) !== text(b[k]))
    .map((field) => ({ field, from: a[field], to: b[field] }));
}

/** Words of a field by its path: dimensions.DC is DC, a row of a list is told by what it is called. */
export function fieldWords(names: Partial<Record<string, string>>, path: string): string {
  if (names[path]) return names[path];
  const parts = path.replace(/^(dimensions|picks)\./, '').match(/[^.[\]]+(?:\[[^\]]*\])?/g) ?? [path];
  return parts
    .map((part) => {
      const [, name, which] = /^([^[]+)(?:\[(.*)\])?$/.exec(part)!;
      return `${names[name!] ?? plain(name!)}${which ? `, ${which}` : ''}`;
    })
    .join(': ');
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * One value of ours moved onto theirs: what was changed here goes along, and everything else is as they left it. Records go member
 * by member, lists element by element where something tells the elements apart; what only one of the two has is kept.
 */
function merged(mine: unknown, base: unknown, theirs: unknown): unknown {
  if (same(mine, base)) return theirs;
  if (isThing(mine) && isThing(base) && isThing(theirs)) {
    const all: Thing = {};
    for (const name of new Set([...Object.keys(theirs), ...Object.keys(mine), ...Object.keys(base)])) {
      const value = merged(mine[name], base[name], theirs[name]);
      if (value !== undefined) all[name] = value;
    }
    return all;
  }
  const key = Array.isArray(mine) && Array.isArray(theirs) ? keyOf(mine, base ?? [], theirs) : undefined;
  if (!key) return mine;
  const [ours, before, their] = [byName(mine, key), byName(base, key), byName(theirs, key)];
  const kept = [...their].flatMap(([name, element]) => {
    if (ours.has(name)) return [merged(ours.get(name), before.get(name), element)];
    // Taken out here: it goes, unless they changed it meanwhile.
    return before.has(name) && same(before.get(name), element) ? [] : [element];
  });
  const added = [...ours].filter(([name, element]) => !their.has(name) && !same(before.get(name), element)).map(([, element]) => element);
  return [...kept, ...added];
}

/** Edits moved onto a version that somebody else saved meanwhile. */
export function onto<T extends object>(edits: Partial<T>, base: T, theirs: T): Partial<T> {
  return Object.fromEntries(
    Object.entries(edits).map(([key, mine]) => [key, merged(mine, base[key as keyof T], theirs[key as keyof T])]),
  ) as Partial<T>;
}
