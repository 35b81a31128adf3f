import { Checkbox } from 'antd';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import type { Quantity } from '../../parts/units';
import { CurveTable } from './CurveTable';
import { SpindleCurve } from './SpindleCurve';

type Spindle = Schemas['MainSpindle'];

const CHUCK: readonly [string, string, Quantity][] = [
  ['force', 'Clamping force at rest', 'force'],
  ['jaws', 'Jaws', 'count'],
  ['jawMass', 'Mass of a jaw', 'mass'],
  ['jawRadius', 'Its radius from the axis', 'length'],
  ['friction', 'Friction of the jaws', 'ratio'],
  ['largestBar', 'Largest bar through it, 0 if none', 'length'],
];

/** A spindle that turns the work, with its chuck; a machine that only turns tools has none. */
export function WorkSpindle(props: {
  field: 'main' | 'counter';
  spindle: Spindle | null;
  entry: (key: string) => { value: number | undefined; typed: Typed | undefined; onTyped: (t: Typed | undefined) => void };
  refused: Record<string, string>;
  onSpindle: (spindle: Spindle | null) => void;
}) {
  const { field, spindle, entry, refused, onSpindle } = props;
  const mayWork = useMayWork();
  const name = `${field} spindle`;
  const number = ([key, label, quantity]: readonly [string, string, Quantity]) => (
    <NumberField key={key} label={label} quantity={quantity} {...entry(key)} refused={refused[`${field}.${key}`]} disabled={!mayWork} />
  );
  return (
    <>
      <h2>{field === 'main' ? 'Main spindle' : 'Counter spindle'}</h2>
      <Checkbox
        checked={spindle !== null}
        disabled={!mayWork}
        onChange={(e) => onSpindle(e.target.checked ? { chuckSpeed: 0, curve: [] } : null)}
      >
        {field === 'main' ? 'it turns the work' : 'it takes the work over'}
      </Checkbox>
      {spindle && (
        <>
          {number(['leastSpeed', `Lowest speed of the ${name}`, 'spindleSpeed'])}
          {number(['largestSpeed', `Highest speed of the ${name}`, 'spindleSpeed'])}
          {number([
            'chuckSpeed',
            field === 'main' ? 'Highest speed of the chuck, 0 if not lower' : 'Highest speed of its chuck, 0 if not lower',
            'spindleSpeed',
          ])}
          <Checkbox
            checked={spindle.chuck != null}
            disabled={!mayWork}
            onChange={(e) =>
              onSpindle({
                ...spindle,
                chuck: e.target.checked ? { jaws: 3, jawMass: 0, jawRadius: 0, friction: 0.15, largestBar: 0 } : null,
              })
            }
          >
            its chuck is known
          </Checkbox>
          {spindle.chuck && CHUCK.map(([key, label, quantity]) => number([`chuck.${key}`, `${label}, ${name}`, quantity]))}
          <div className="card notched">
            <SpindleCurve
              curve={spindle.curve ?? []}
              least={spindle.leastSpeed ?? 0}
              most={spindle.largestSpeed ?? 0}
              name={`${field === 'main' ? 'Main' : 'Counter'} spindle: power and torque over speed`}
            />
          </div>
          <CurveTable
            points={spindle.curve ?? []}
            field={`${field}.curve`}
            refused={refused}
            disabled={!mayWork}
            onChange={(curve) => onSpindle({ ...spindle, curve })}
          />
        </>
      )}
    </>
  );
}
