import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../app/session';
import { NumberField, type Typed } from '../../../parts/NumberField';

type Step = Schemas['OutlineStep'];

const FIELDS = [
  ['diameter', 'Ø'],
  ['length', 'Length'],
] as const;

/** The steps of a finished outline, from the free end of the work; none where it has one diameter. */
export function Outline(props: { steps: Step[]; start: Step; refused: Record<string, string>; onSteps: (steps: Step[]) => void }) {
  const { steps, start, refused, onSteps } = props;
  const units = useUnits();
  // What was typed stays as typed; the address keeps the values.
  const [typed, setTyped] = useState<Record<string, Typed>>({});
  const last = steps.at(-1);
  return (
    <div>
      <h3>Outline, from the free end</h3>
      {refused.turnedOutline && <p role="alert">{refused.turnedOutline}</p>}
      {steps.map((step, i) => (
        <fieldset key={i} className="crossing">
          <legend>
            {i + 1}
            <button
              className="why"
              aria-label={`Remove step ${i + 1}`}
              onClick={() => {
                setTyped({});
                onSteps(steps.filter((_, j) => j !== i));
              }}
            >
              remove
            </button>
          </legend>
          {FIELDS.map(([code, label]) => (
            <NumberField
              key={code}
              label={`${label} of step ${i + 1}`}
              quantity="length"
              value={step[code]}
              typed={typed[`${i}.${code}`] ?? { text: units.editable(step[code], 'length'), system: units.system, base: step[code] }}
              refused={refused[`turnedOutline[${i}].${code}`]}
              onTyped={(t) => {
                if (!t) return;
                setTyped((all) => ({ ...all, [`${i}.${code}`]: t }));
                onSteps(steps.map((s, j) => (j === i ? { ...s, [code]: t.base } : s)));
              }}
            />
          ))}
        </fieldset>
      ))}
      {steps.length < 40 && (
        <button className="why" onClick={() => onSteps([...steps, last ? { diameter: last.diameter, length: last.length } : start])}>
          {last ? 'Add a step' : 'Give it several diameters'}
        </button>
      )}
    </div>
  );
}
