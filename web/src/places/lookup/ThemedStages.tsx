import { Themed } from '../../parts/Themed';
import type { Schemas } from '../../api/client';
import { Stages } from '../calculate/holes/Stages';

/** The stages of a deep hole as they are approved. */
export default function ThemedStages({ stages }: { stages: readonly Schemas['WayPart'][] }) {
  return (
    <Themed>
      <Stages stages={stages} />
    </Themed>
  );
}
