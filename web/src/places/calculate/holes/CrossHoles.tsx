import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { NumberField, type Typed } from '../../../parts/NumberField';

type Hole = Schemas['CrossHole'];

const FIELDS = [
  ['distance', 'Depth of the crossing', 'x', 'length'],
  ['diameter', 'Its diameter', 'd_x', 'length'],
  ['angle', 'Angle to the bore', 'θ', 'angle'],
  ['offset', 'Axes apart', 'e_x', 'length'],
] as const;

/** The holes that cross a bore. */
export function CrossHoles(props: { holes: Hole[]; start: Hole; refused: Record<string, string>; onHoles: (holes: Hole[]) => void }) {
  const { holes, start, refused, onHoles } = props;
  const units = useUnits();
  // What was typed stays as typed; the address keeps the values.
  const [typed, setTyped] = useState<Record<string, Typed>>({});
  return (
    <div>
      <h3>Crossing holes</h3>
      {holes.map((hole, i) => (
        <fieldset key={i} className="crossing">
          <legend>
            {i + 1}
            <button
              className="why"
              aria-label={`Remove crossing hole ${i + 1}`}
              onClick={() => {
                setTyped({});
                onHoles(holes.filter((_, j) => j !== i));
              }}
            >
              remove
            </button>
          </legend>
          {FIELDS.map(([code, label, symbol, quantity]) => (
            <NumberField
              key={code}
              label={label}
              symbol={symbol}
              quantity={quantity}
              value={hole[code]}
              typed={typed[`${i}.${code}`] ?? { text: units.editable(hole[code], quantity), system: units.system, base: hole[code] }}
              refused={refused[`crossHoles[${i}].${code}`]}
              onTyped={(t) => {
                if (!t) return;
                setTyped((all) => ({ ...all, [`${i}.${code}`]: t }));
                onHoles(holes.map((h, j) => (j === i ? { ...h, [code]: t.base } : h)));
              }}
            />
          ))}
        </fieldset>
      ))}
      {holes.length < 12 && (
        <button className="why" onClick={() => onHoles([...holes, start])}>
          Add a crossing hole
        </button>
      )}
    </div>
  );
}
