import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { readEdits, readHoles, writeEdits, writeHoles } from './address';

/** Whether a picture is the section of a hole. */
export const isHolePicture = (picture: string): boolean => ['hole', 'tap', 'deep'].includes(picture);

/** What belongs to a hole beside fields and options: holes that cross it, changed stages, and the depth the drawing had before. */
export function useHole(
  operation: Schemas['OperationDescription'] | undefined,
  chosen: Record<string, string>,
  choose: (key: string, value: string | undefined) => void,
) {
  // A calculation that was opened with a depth is an existing one: its depth is what a change is measured against.
  const [opened] = useState(chosen.was ?? chosen['n.depth']);
  const isHole = isHolePicture(operation?.picture ?? '');
  const staged = operation?.inStages ?? false;
  const crossHoles = staged ? readHoles(chosen.cross) : [];
  const edits = staged ? readEdits(chosen.edits) : [];
  const before = Number(opened);
  const depth = operation?.fields.find((f) => f.code === 'depth');
  // A depth that no hole could have had is no depth to measure a change against.
  const was = depth !== undefined && before >= depth.least && before <= depth.most;
  const changed = isHole && was && chosen['n.depth'] !== undefined && Number(chosen['n.depth']) !== before;
  const body: Partial<Schemas['CalculationRequest']> = {
    ...(crossHoles.length > 0 && { crossHoles }),
    ...(edits.length > 0 && { edits }),
    ...(changed && { depthBefore: before }),
  };
  return {
    isHole,
    staged,
    crossHoles,
    edits,
    body,
    onHoles: (holes: Schemas['CrossHole'][]) => choose('cross', writeHoles(holes)),
    onEdits: (all: Schemas['StageEdit'][]) => choose('edits', writeEdits(all)),
  };
}
