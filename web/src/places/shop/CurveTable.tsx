import { Button } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import type { Quantity } from '../../parts/units';

type Point = NonNullable<Schemas['Machine']['curve']>[number];

const COLUMNS: [keyof Point, string, Quantity][] = [
  ['speed', 'At', 'spindleSpeed'],
  ['power', 'Power, continuous', 'power'],
  ['shortPower', 'short-time', 'power'],
  ['torque', 'Torque, continuous', 'torque'],
  ['shortTorque', 'short-time', 'torque'],
];

/** Power and torque of a spindle, point by point. */
export function CurveTable(props: {
  points: readonly Point[];
  /** The field of the machine it is. */
  field: string;
  refused: Record<string, string>;
  disabled: boolean;
  onChange: (points: Point[]) => void;
}) {
  const { points, field, refused, disabled, onChange } = props;
  const units = useUnits();
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const put = (i: number, key: keyof Point, t: Typed | undefined) => {
    setTyped({ ...typed, [`${i}.${key}`]: t });
    if (t) onChange(points.map((p, j) => (j === i ? { ...p, [key]: t.base } : p)));
  };
  const add = () => {
    const last = points[points.length - 1];
    onChange([...points, last ? { ...last } : { speed: 0, power: 0, shortPower: 0, torque: 0, shortTorque: 0 }]);
  };
  return (
    <>
      <table className="curve">
        <thead>
          <tr>
            {COLUMNS.map(([key, words, quantity]) => (
              <th key={key}>
                {words}, {units.unit(quantity)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {points.map((p, i) => (
            <tr key={i}>
              {COLUMNS.map(([key, words, quantity]) => (
                <td key={key}>
                  <NumberField
                    bare
                    label={`${words}, point ${i + 1}${field === 'curve' ? '' : `, ${field.split('.')[0]} spindle`}`}
                    quantity={quantity}
                    value={p[key]}
                    typed={still(typed[`${i}.${key}`], p[key])}
                    onTyped={(t) => put(i, key, t)}
                    refused={refused[`${field}[${i}].${key}`]}
                    disabled={disabled}
                  />
                </td>
              ))}
              {!disabled && (
                <td>
                  <Button
                    size="small"
                    type="text"
                    onClick={() => {
                      setTyped({});
                      onChange(points.filter((_, j) => j !== i));
                    }}
                  >
                    Take out
                  </Button>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {!disabled && points.length < 40 && (
        <Button size="small" onClick={add} aria-label={field === 'curve' ? undefined : `Add a point, ${field.split('.')[0]} spindle`}>
          Add a point
        </Button>
      )}
    </>
  );
}
