import { extra, wayOf } from '../../api/beside';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Stages } from '../calculate/holes/Stages';

/** What the tool of a hole record does along its axis, to be read. */
export function AlongTheAxis({ revision }: { revision: Schemas['RecordRevisionView'] }) {
  const units = useUnits();
  const way = wayOf(revision.result);
  const holes = extra(revision.extras, 'crossHoles')?.holes ?? [];
  if (!way.some((part) => part.from !== null)) return null;
  return (
    <section>
      <h2>Along the axis</h2>
      {holes.length > 0 && (
        <p>
          Crossed by{' '}
          {holes
            .map((h) => `Ø${units.size(h.diameter)} at ${units.text(h.distance, 'length')}${h.angle === 90 ? '' : `, ${h.angle}°`}`)
            .join('; ')}
          .
        </p>
      )}
      <Stages stages={way} edits={extra(revision.extras, 'stageEdits')?.edits} />
    </section>
  );
}
