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
