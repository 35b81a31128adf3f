import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { NumberField, type Typed } from '../../../parts/NumberField';
import { FromDrawing } from './FromDrawing';

type Step = Schemas['OutlineStep'];
type Code = keyof Step;

const MOST = 200;

/** From so many steps on, those that are not worked on are one line each. */
const FOLDED_FROM = 7;

const PLAIN: readonly (readonly [Code, string])[] = [
  ['diameter', 'Ø'],
  ['length', 'Length'],
];

// What only some steps have; an emptied box takes it away.
const SHAPE: readonly (readonly [Code, string, short: string])[] = [
  ['chamfer', 'Chamfer', 'chamfer'],
  ['rounding', 'Rounding', 'rounding'],
  ['fillet', 'Radius at the foot', 'foot'],
  ['to', 'Ø at its end', 'to Ø'],
  ['arc', 'Arc, below 0 if hollow', 'arc'],
];

/** The steps of a finished outline, from the free end of the work; none where it has one diameter. */
export function Outline(props: { steps: Step[]; start: Step; refused: Record<string, string>; onSteps: (steps: Step[]) => void }) {
  const { steps, start, refused, onSteps } = props;
  const units = useUnits();
  // What was typed stays as typed; the address keeps the values.
  const [typed, setTyped] = useState<Record<string, Typed>>({});
  const [opened, setOpened] = useState<readonly number[]>([]);
  const last = steps.at(-1);
  const told = (step: Step): string => {
    const mm = (value: number) => units.editable(value, 'length');
    const shape = SHAPE.filter(([code]) => code !== 'to' && step[code]).map(([code, , short]) => `, ${short} ${mm(step[code]!)}`);
    return `Ø${mm(step.diameter)}${step.to == null ? '' : ` to Ø${mm(step.to)}`} × ${mm(step.length)}${shape.join('')}`;
  };
  const change = (all: Step[]) => {
    setTyped({});
    setOpened([]);
    onSteps(all);
  };
  return (
    <div>
      <h3>Outline, from the free end</h3>
      {refused.turnedOutline && <p role="alert">{refused.turnedOutline}</p>}
      {steps.map((step, i) => {
        const open = opened.includes(i);
        const wrong = Object.keys(refused).some((key) => key.startsWith(`turnedOutline[${i}]`));
        if (steps.length >= FOLDED_FROM && !open && !wrong)
          return (
            <button key={i} className="why outline-folded" aria-label={`Open step ${i + 1}`} onClick={() => setOpened([...opened, i])}>
              <span>{i + 1}</span> {told(step)}
            </button>
          );
        const shape = SHAPE.filter(([code]) => open || step[code] != null || refused[`turnedOutline[${i}].${code}`]);
        return (
          <fieldset key={i} className="crossing outline-step">
            <legend>
              {i + 1}
              {!open && (
                <button className="why" aria-label={`Shape of step ${i + 1}`} onClick={() => setOpened([...opened, i])}>
                  shape
                </button>
              )}
              <button className="why" aria-label={`Remove step ${i + 1}`} onClick={() => change(steps.filter((_, j) => j !== i))}>
                remove
              </button>
            </legend>
            {[...PLAIN, ...shape].map(([code, label]) => {
              const value = step[code] ?? undefined;
              const key = `${i}.${code}`;
              return (
                <NumberField
                  key={code}
                  label={`${label} of step ${i + 1}`}
                  quantity="length"
                  value={value}
                  typed={
                    typed[key] ??
                    (value === undefined ? undefined : { text: units.editable(value, 'length'), system: units.system, base: value })
                  }
                  refused={refused[`turnedOutline[${i}].${code}`]}
                  onTyped={(t) => {
                    const optional = SHAPE.some(([own]) => own === code);
                    if (!t && !optional) return;
                    setTyped((all) => (t ? { ...all, [key]: t } : Object.fromEntries(Object.entries(all).filter(([k]) => k !== key))));
                    if (optional) setOpened((all) => (all.includes(i) ? all : [...all, i]));
                    onSteps(steps.map((s, j) => (j === i ? { ...s, [code]: t ? t.base : null } : s)));
                  }}
                />
              );
            })}
          </fieldset>
        );
      })}
      {steps.length < MOST && (
        <button
          className="why"
          onClick={() => {
            if (steps.length + 1 >= FOLDED_FROM) setOpened([...opened, steps.length]);
            onSteps([...steps, last ? { diameter: last.to ?? last.diameter, length: last.length } : start]);
          }}
        >
          {last ? 'Add a step' : 'Give it several diameters'}
        </button>
      )}
      <FromDrawing onSteps={change} />
    </div>
  );
}
