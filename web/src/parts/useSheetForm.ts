import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError } from '../api/client';
import { onto } from './differences';
import type { Typed } from './NumberField';
import { useShelfChanged } from './shelf';
import type { StoredCalls } from './stored';

// A number within records of records, by its path.
const valueAt = (of: unknown, path: readonly string[]): number | undefined =>
  path.reduce<unknown>((at, name) => (at as Record<string, unknown> | null | undefined)?.[name], of) as number | undefined;

function withValueAt(of: unknown, path: readonly string[], value: number | undefined): Record<string, unknown> {
  const next = { ...(of as Record<string, unknown> | null | undefined) };
  const [name, ...rest] = path as [string, ...string[]];
  if (rest.length > 0) next[name] = withValueAt(next[name], rest, value);
  else if (value === undefined) delete next[name];
  else next[name] = value;
  return next;
}

interface Sheet<T> {
  id: number;
  revision: number;
  changedBy: string;
  definition: T;
}

/** What stands behind a page that edits one stored thing: typed values, undo, saving, and a lost race. */
export function useSheetForm<T extends object, S extends Sheet<T>>(options: {
  sheet: S | undefined;
  blank: T;
  calls: StoredCalls<T, S>;
  onSaved: (sheet: S) => void;
}) {
  const { sheet, blank, calls, onSaved } = options;
  const shelfChanged = useShelfChanged();
  const [steps, setSteps] = useState<{ edits: Partial<T>; typed: Record<string, Typed> }[]>([{ edits: {}, typed: {} }]);
  const [lastKey, setLastKey] = useState('');
  const [base, setBase] = useState<S | undefined>(undefined);
  const now = steps[steps.length - 1]!;
  const from = base ?? sheet;
  const definition = { ...(from?.definition ?? blank), ...now.edits };

  // Keystrokes in one field make one step of undo.
  function put(next: (typeof steps)[number], key: string) {
    const again = steps.length > 1 && lastKey === key;
    setSteps((all) => (again ? [...all.slice(0, -1), next] : [...all, next]));
    setLastKey(key);
  }

  /** Changes one field; `step` tells edits within it apart for undo. */
  function set<K extends keyof T & string>(key: K, value: T[K] | undefined, typed?: Typed, step: string = key) {
    const edits = { ...now.edits };
    const all = { ...now.typed };
    if (value === undefined) delete edits[key];
    else edits[key] = value;
    if (typed) all[step] = typed;
    else delete all[step];
    put({ edits, typed: all }, step);
  }

  const save = useMutation({
    mutationFn: () => (from ? calls.change(from, definition) : calls.create(definition)),
    onSuccess: async (saved) => {
      setBase(undefined);
      setSteps([{ edits: {}, typed: {} }]);
      await shelfChanged();
      onSaved(saved);
    },
  });
  const theirs = save.error instanceof ApiError && save.error.status === 412 ? (save.error.problem.current as S) : undefined;

  return {
    definition,
    typed: now.typed,
    changed: Object.keys(now.edits).length > 0,
    canUndo: steps.length > 1,
    undo: () => {
      setLastKey('');
      setSteps((all) => (all.length > 1 ? all.slice(0, -1) : all));
    },
    set,
    /** Changes several fields in one step of undo; what was typed in their boxes is forgotten. */
    setMany: (values: Partial<T>) => {
      const typed = Object.fromEntries(Object.entries(now.typed).filter(([key]) => !(key.split('.')[0]! in values)));
      put({ edits: { ...now.edits, ...values }, typed }, Object.keys(values).join());
    },
    number: (key: keyof T & string) => ({
      value: definition[key] as number,
      typed: now.typed[key],
      onTyped: (t: Typed | undefined) => set(key, t?.base as T[keyof T & string] | undefined, t),
    }),
    /** One value of a record within the definition, such as a dimension, by its path there. Emptying it gives back what is stored. */
    entry: (key: keyof T & string, entry: string) => {
      const path = entry.split('.');
      const stored = valueAt((from?.definition ?? blank)[key], path);
      return {
        value: valueAt(definition[key], path),
        typed: now.typed[`${key}.${entry}`],
        onTyped: (t: Typed | undefined) => {
          set(key, withValueAt(definition[key], path, t?.base ?? stored) as T[keyof T & string], t, `${key}.${entry}`);
        },
      };
    },
    save,
    /** The version somebody else saved meanwhile, with the fields in which it differs from ours. */
    theirs,
    /** Goes on from their version, keeping what was typed here. */
    keepMine: () => {
      setSteps((all) => [
        ...all.slice(0, -1),
        { ...now, edits: theirs && from ? onto(now.edits, from.definition, theirs.definition) : now.edits },
      ]);
      setBase(theirs);
      save.reset();
    },
    /** Takes their version and forgets what was typed here. */
    takeTheirs: () => {
      setBase(theirs);
      setSteps([{ edits: {}, typed: {} }]);
      save.reset();
    },
    refused: save.error instanceof ApiError ? save.error.byField : {},
  };
}
