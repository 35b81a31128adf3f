/** Any value as a short text. */
export const text = (value: unknown) =>
  value === undefined || value === '' ? '—' : typeof value === 'object' ? JSON.stringify(value) : String(value);

/** A definition as one level of names, so that a dimension that changed is told by its symbol. */
export function flat(value: object, path = ''): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, v]) =>
      v !== null && typeof v === 'object' && !Array.isArray(v) ? Object.entries(flat(v as object, `${path}${key}.`)) : [[path + key, v]],
    ),
  );
}

/** The fields in which two definitions differ. */
export function differences(before: object, after: object): { field: string; from: unknown; to: unknown }[] {
  const [a, b] = [flat(before), flat(after)];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((k) => text(a[k]) !== text(b[k]))
    .map((field) => ({ field, from: a[field], to: b[field] }));
}

/** Words of a field by its path: dimensions.DC is DC. */
export const fieldWords = (names: Partial<Record<string, string>>, path: string): string =>
  names[path] ?? path.replace(/^(dimensions|picks)\./, '');

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * Edits moved onto a version that somebody else saved meanwhile. Of a record such as the dimensions only the entries that were
 * changed here go along.
 */
export function onto<T extends object>(edits: Partial<T>, base: T, theirs: T): Partial<T> {
  return Object.fromEntries(
    Object.entries(edits).map(([key, mine]) => {
      const [before, other] = [base[key as keyof T], theirs[key as keyof T]];
      if (!isRecord(mine) || !isRecord(before) || !isRecord(other)) return [key, mine];
      const merged: Record<string, unknown> = { ...other };
      for (const entry of new Set([...Object.keys(mine), ...Object.keys(before)])) {
        if (mine[entry] === before[entry]) continue;
        if (mine[entry] === undefined) delete merged[entry];
        else merged[entry] = mine[entry];
      }
      return [key, merged];
    }),
  ) as Partial<T>;
}
