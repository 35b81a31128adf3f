import { useEffect } from 'react';
import { ApiError, type Schemas } from '../../api/client';
import { useMachines, useMaterials, useOperations, usePicks, useSheet, type AssemblySheet } from '../../parts/shelf';
import type { Address } from './useAddress';

type Operation = Schemas['OperationDescription'];

export interface Situation {
  operation: string;
  materialId: number;
  assemblyId: number;
  machineId: number;
}

const LAST = 'situation';

/**
 * The situation that the address speaks of. What is missing there is filled in, from the last one worked on and from what fits; what is
 * there and does not exist is told, and nothing is put in its place.
 */
export function useSituation({ chosen, adjust, arrived }: Address) {
  const operations = useOperations();
  const materials = useMaterials();
  const machines = useMachines();
  const wanted = useSheet('assemblies', chosen.assembly);
  const operation = operations.data?.find((o) => o.code === chosen.operation);
  const material = materials.data?.find((m) => m.id === chosen.material);
  const machine = machines.data?.find((m) => m.id === chosen.machine);
  const assembly = wanted.data?.id === chosen.assembly ? wanted.data : undefined;
  const none = wanted.error instanceof ApiError && wanted.error.status === 404;
  const cutter = assembly?.looks.built?.cutter;
  // What fits the situation stands first, so that the page opens with something that can be run.
  const fitting = usePicks(
    'assemblies',
    { ...(material && { materialId: material.id }), ...(machine && { machineId: machine.id }), operation: operation?.code ?? '' },
    Boolean(material && machine && operation) && (!chosen.assembly || unable(operation, assembly) || none),
  );

  const able = fitting.data?.rows.map((r) => r.sheet).filter((a) => !unable(operation, a)) ?? [];

  const asksBefore = operation?.extras.includes('drilledBefore') ?? false;
  useEffect(() => {
    // A hole that comes with a depth is an existing one: its depth is what a change is measured against.
    if (arrived && asksBefore && chosen.numbers.depth && !chosen.before)
      adjust(({ numbers }) => ({ before: { depth: numbers.depth!.base } }));
  }, [adjust, arrived, asksBefore, chosen.before, chosen.numbers.depth]);

  const family = cutter?.family;
  useEffect(() => {
    if (!operations.data?.length || !materials.data?.length || !machines.data?.length) return;
    const last = JSON.parse(localStorage.getItem(LAST) ?? '{}') as Partial<Record<'material' | 'machine' | 'assembly', number>>;
    const of = (all: { id: number }[], id: number | undefined) => all.find((x) => x.id === Number(id))?.id ?? all[0]!.id;
    if (!chosen.material) adjust({ material: of(materials.data, last.material) });
    else if (!chosen.machine) adjust({ machine: of(machines.data, last.machine) });
    else if (!chosen.operation && !(chosen.assembly && wanted.isPending))
      adjust({ operation: (operations.data.find((o) => family && o.families.includes(family)) ?? operations.data[0]!).code });
    else if (!chosen.assembly && !fitting.isPlaceholderData && able.length > 0) adjust({ assembly: of(able, last.assembly) });
    else if (material && machine && assembly)
      localStorage.setItem(LAST, JSON.stringify({ material: material.id, machine: machine.id, assembly: assembly.id }));
  });

  const missing = [
    chosen.operation && operations.data && !operation && `There is no operation “${chosen.operation}”.`,
    chosen.material && materials.data && !material && `There is no work material ${chosen.material}.`,
    chosen.machine && machines.data && !machine && `There is no machine ${chosen.machine}.`,
    none && `There is no assembly ${chosen.assembly}.`,
  ].filter((sentence) => typeof sentence === 'string');
  const fits = Boolean(assembly) && !unable(operation, assembly);
  const complete: Situation | null =
    operation && material && machine && assembly && fits
      ? { operation: operation.code, materialId: material.id, assemblyId: assembly.id, machineId: machine.id }
      : null;
  return {
    operations: operations.data,
    operation,
    material,
    machine,
    assembly,
    cutter,
    complete,
    missing,
    /** Assemblies to take instead of one that cannot do this operation, or that does not exist. */
    instead: (assembly && operation && !fits) || none ? able : null,
    error: operations.error ?? materials.error ?? machines.error ?? (none ? null : wanted.error),
  };
}

const unable = (operation: Operation | undefined, assembly: AssemblySheet | undefined): boolean => {
  const family = assembly?.looks.built?.cutter.family;
  return operation !== undefined && family !== undefined && !operation.families.includes(family);
};
