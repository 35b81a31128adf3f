import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { readEdits, readHoles, writeEdits, writeHoles } from './address';

/** Whether a picture is the section of a hole. */
export const isHolePicture = (picture: string): boolean => ['hole', 'tap', 'deep'].includes(picture);

const CYCLES = ['plain', 'chipBreaking', 'fullRetract', 'staged'] as const;

/** What belongs to a hole beside fields and options: holes that cross it, changed stages, and the depth the drawing had before. */
export function useHole(
  operation: Schemas['OperationDescription'] | undefined,
  chosen: Record<string, string>,
  choose: (key: string, value: string | undefined) => void,
) {
  // A calculation that was opened with a depth is an existing one: its depth is what a change is measured against.
  const [opened] = useState(chosen.was ?? chosen['n.depth']);
  // How it was drilled, with what it was opened with; another cutter, material, machine or coolant can change that unseen.
  const about = [chosen.material, chosen.assembly, chosen.machine, chosen['o.coolant']].join();
  const [drilled, setDrilled] = useState<{ about: string; cycle: (typeof CYCLES)[number] } | null>(null);
  const isHole = isHolePicture(operation?.picture ?? '');
  const staged = operation?.extras.includes('crossHoles') ?? false;
  const crossHoles = staged ? readHoles(chosen.cross) : [];
  const edits = staged ? readEdits(chosen.edits) : [];
  const before = Number(opened);
  const depth = operation?.fields.find((f) => f.code === 'depth');
  // A depth that no hole could have had is no depth to measure a change against.
  const was = depth !== undefined && before >= depth.least && before <= depth.most;
  const changed = isHole && was && chosen['n.depth'] !== undefined && Number(chosen['n.depth']) !== before;
  const otherwise = drilled !== null && drilled.about !== about;
  const extras: Schemas['Extra'][] = [];
  if (crossHoles.length > 0) extras.push({ kind: 'crossHoles', holes: crossHoles });
  if (edits.length > 0) extras.push({ kind: 'stageEdits', edits });
  if (operation?.extras.includes('drilledBefore') && (changed || otherwise))
    extras.push({ kind: 'drilledBefore', depth: changed ? before : null, cycle: otherwise ? drilled.cycle : null });
  const body: Partial<Schemas['CalculationRequest']> = extras.length > 0 ? { extras } : {};
  return {
    isHole,
    staged,
    crossHoles,
    edits,
    body,
    /** Keeps how an existing hole is drilled, the first time it is known. */
    keep: (result: Schemas['CalculationResult'] | undefined) => {
      const cycle = result?.figures.find((f) => f.code === 'cycle');
      if (isHole && opened !== undefined && !drilled && cycle) setDrilled({ about, cycle: CYCLES[cycle.value]! });
    },
    onHoles: (holes: Schemas['CrossHole'][]) => choose('cross', writeHoles(holes)),
    onEdits: (all: Schemas['StageEdit'][]) => choose('edits', writeEdits(all)),
  };
}
