import { wayOf } from '../../../api/beside';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import type { Result } from '../page';

type Edit = Schemas['StageEdit'];

/** Stages somebody changed, each with what is wrong with it and a way back: also where nothing can be worked out because of one. */
export function ChangedStages(props: {
  edits: readonly Edit[];
  result: Result | undefined;
  refused: Record<string, string>;
  onEdits: (edits: Edit[]) => void;
}) {
  const { edits, result, refused, onEdits } = props;
  const units = useUnits();
  if (edits.length === 0) return null;
  const nameOf = (code: string) => (result && wayOf(result).find((p) => p.code === code)?.name) ?? code;
  return (
    <div className="changed-stages">
      <h3>Changed stages</h3>
      {edits.map((edit, i) => {
        const wrong = Object.entries(refused).filter(([field]) => field.startsWith(`edits[${i}]`));
        const values = [
          typeof edit.speed === 'number' && units.text(edit.speed, 'spindleSpeed'),
          typeof edit.feedRate === 'number' && units.text(edit.feedRate, 'feedRate'),
          typeof edit.coolant === 'boolean' && (edit.coolant ? 'coolant on' : 'coolant off'),
        ].filter(Boolean);
        return (
          <div key={edit.stage}>
            {nameOf(edit.stage)}: {values.join(', ')}{' '}
            <button
              className="why"
              onClick={() => onEdits(edits.filter((e) => e !== edit))}
              aria-label={`Take back: ${nameOf(edit.stage)}`}
            >
              take it back
            </button>
            {wrong.map(([field, sentence]) => (
              <p key={field} className="refusal" role="alert">
                {sentence}
              </p>
            ))}
          </div>
        );
      })}
    </div>
  );
}
