import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { Stages } from '../calculate/holes/Stages';

/** What the tool of a hole record does along its axis, to be read. */
export function AlongTheAxis({ revision }: { revision: Schemas['RecordRevisionView'] }) {
  const units = useUnits();
  if ((revision.result.stages?.length ?? 0) === 0) return null;
  return (
    <section>
      <h2>Along the axis</h2>
      {revision.crossHoles.length > 0 && (
        <p>
          Crossed by{' '}
          {revision.crossHoles
            .map((h) => `Ø${units.size(h.diameter)} at ${units.text(h.distance, 'length')}${h.angle === 90 ? '' : `, ${h.angle}°`}`)
            .join('; ')}
          .
        </p>
      )}
      <Stages stages={revision.result.stages!} edits={revision.edits} />
    </section>
  );
}
