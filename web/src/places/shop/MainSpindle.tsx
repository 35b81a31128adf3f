import { Checkbox } from 'antd';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../app/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import { CurveTable } from './CurveTable';
import { SpindleCurve } from './SpindleCurve';

type Spindle = Schemas['MainSpindle'];

const FIELDS = [
  ['leastSpeed', 'Lowest speed of the main spindle'],
  ['largestSpeed', 'Highest speed of the main spindle'],
  ['chuckSpeed', 'Highest speed of the chuck, 0 if not lower'],
] as const;

/** The spindle of a lathe, which turns the work; a machine that only turns tools has none. */
export function Main(props: {
  spindle: Spindle | null;
  entry: (key: string) => { value: number | undefined; typed: Typed | undefined; onTyped: (t: Typed | undefined) => void };
  refused: Record<string, string>;
  onSpindle: (spindle: Spindle | null) => void;
}) {
  const { spindle, entry, refused, onSpindle } = props;
  const mayWork = useMayWork();
  return (
    <>
      <h2>Main spindle</h2>
      <Checkbox
        checked={spindle !== null}
        disabled={!mayWork}
        onChange={(e) => onSpindle(e.target.checked ? { chuckSpeed: 0, curve: [] } : null)}
      >
        it turns the work
      </Checkbox>
      {spindle && (
        <>
          {FIELDS.map(([key, label]) => (
            <NumberField
              key={key}
              label={label}
              quantity="spindleSpeed"
              {...entry(key)}
              refused={refused[`main.${key}`]}
              disabled={!mayWork}
            />
          ))}
          <div className="card notched">
            <SpindleCurve
              curve={spindle.curve ?? []}
              least={spindle.leastSpeed ?? 0}
              most={spindle.largestSpeed ?? 0}
              name="Main spindle: power and torque over speed"
            />
          </div>
          <CurveTable
            points={spindle.curve ?? []}
            field="main.curve"
            refused={refused}
            disabled={!mayWork}
            onChange={(curve) => onSpindle({ ...spindle, curve })}
          />
        </>
      )}
    </>
  );
}
