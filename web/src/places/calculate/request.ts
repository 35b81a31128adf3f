import type { Schemas } from '../../api/client';
import type { Chosen } from './address';
import type { Situation } from './useSituation';

type Operation = Schemas['OperationDescription'];
type Cycle = NonNullable<Schemas['ExtraDrilledBefore']['cycle']>;

/** Codes of the drilling cycles as the figure that names one counts them. */
export const CYCLES: readonly Cycle[] = ['plain', 'chipBreaking', 'fullRetract', 'staged'];

/** With what a hole is drilled, as far as it decides the cycle. */
export const drilledWith = (c: Chosen): string => [c.material, c.assembly, c.machine, c.picks.coolant ?? ''].join('.');

/** What is chosen in a situation: what an open draft keeps. */
export type Choices = Omit<Schemas['CalculationRequest'], 'materialId' | 'assemblyId' | 'machineId'>;

/** What is asked of an operation: only what it has; values typed for another one stay in the address and come back with it. */
export function choicesOf(chosen: Chosen, operation: Operation | undefined): Choices {
  const has = (all: readonly { code: string }[] | undefined, code: string) => !operation || all!.some((one) => one.code === code);
  const extras = operation ? extrasOf(chosen, operation) : [];
  return {
    numbers: Object.fromEntries(
      Object.entries(chosen.numbers).flatMap(([code, t]) => (has(operation?.fields, code) ? [[code, t.base]] : [])),
    ),
    options: Object.fromEntries(Object.entries(chosen.picks).filter(([code]) => has(operation?.options, code))),
    ...(chosen.leftover && operation?.takes && { leftover: chosen.leftover }),
    ...(chosen.method && { method: chosen.method }),
    ...(extras.length > 0 && { extras }),
  };
}

export const requestOf = (situation: Situation | null, choices: Choices): Schemas['CalculationRequest'] => ({
  materialId: situation?.materialId ?? 0,
  assemblyId: situation?.assemblyId ?? 0,
  machineId: situation?.machineId ?? 0,
  ...choices,
});

function extrasOf(chosen: Chosen, operation: Operation): Schemas['Extra'][] {
  const extras: Schemas['Extra'][] = [];
  if (operation.extras.includes('crossHoles') && chosen.crossHoles.length > 0)
    extras.push({ kind: 'crossHoles', holes: [...chosen.crossHoles] });
  if (operation.extras.includes('turnedOutline') && chosen.outline.length > 0)
    extras.push({ kind: 'turnedOutline', steps: [...chosen.outline] });
  if (operation.extras.includes('stageEdits') && chosen.edits.length > 0) extras.push({ kind: 'stageEdits', edits: [...chosen.edits] });
  if (operation.extras.includes('threadToCut') && chosen.thread) extras.push({ kind: 'threadToCut', ...chosen.thread });
  if (operation.extras.includes('drilledBefore') && chosen.before) {
    // A depth that no hole could have had is no depth to measure a change against.
    const { depth, cycle, about } = chosen.before;
    const field = operation.fields.find((f) => f.code === 'depth');
    const now = chosen.numbers.depth?.base;
    const changed = now !== undefined && now !== depth && field !== undefined && depth >= field.least && depth <= field.most;
    const otherwise = cycle !== undefined && about !== drilledWith(chosen);
    if (changed || otherwise)
      extras.push({ kind: 'drilledBefore', depth: changed ? depth : null, cycle: otherwise ? (cycle as Cycle) : null });
  }
  return extras;
}

/** Values that were typed or picked for no operation there is: an address that was written wrong, or by another version. */
export function unknownTo(chosen: Chosen, operations: readonly Operation[]): string[] {
  const nowhere = (code: string, of: (o: Operation) => readonly { code: string }[]) =>
    !operations.some((o) => of(o).some((one) => one.code === code));
  return [
    ...chosen.unread.map(([key]) => key),
    ...Object.keys(chosen.numbers).flatMap((code) => (nowhere(code, (o) => o.fields) ? [`n.${code}`] : [])),
    ...Object.keys(chosen.picks).flatMap((code) => (nowhere(code, (o) => o.options) ? [`o.${code}`] : [])),
  ];
}
