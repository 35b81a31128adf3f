import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { NumberField, type Typed } from '../../parts/NumberField';
import { ApiError } from '../../api/client';

type Point = Schemas['SpindlePoint'];

const FIELDS = [
  ['power', 'Power, continuous', 'power'],
  ['shortPower', 'Power, short-time', 'power'],
  ['torque', 'Torque, continuous', 'torque'],
  ['shortTorque', 'Torque, short-time', 'torque'],
] as const;
type Key = (typeof FIELDS)[number][0];

/** What the plate says of the spindle; the curve of it is drawn as it is typed, and becomes the machine's. */
export function Plate({ onCurve }: { onCurve: (curve: Point[]) => void }) {
  const [typed, setTyped] = useState<Partial<Record<Key, Typed>>>({});
  const plate = {
    power: typed.power?.base,
    shortPower: typed.shortPower?.base ?? typed.power?.base,
    torque: typed.torque?.base,
    shortTorque: typed.shortTorque?.base ?? typed.torque?.base,
  };
  const whole = Object.values(plate).every((v) => v !== undefined);
  const curve = useQuery({
    queryKey: ['plate', plate],
    queryFn: () => data(client.POST('/api/v1/shop/machines/plate', { body: plate as Record<Key, number> })),
    enabled: whole,
    staleTime: Infinity,
    retry: false,
  });
  const refused = curve.error instanceof ApiError ? curve.error.byField : {};
  useEffect(() => {
    if (curve.data) onCurve(curve.data);
    // What the plate says changes the curve; that the curve was changed by hand afterwards does not bring the plate's back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [curve.data]);
  return (
    <>
      {FIELDS.map(([key, label, quantity]) => (
        <NumberField
          key={key}
          label={label}
          quantity={quantity}
          value={plate[key]}
          typed={typed[key]}
          onTyped={(t) => setTyped({ ...typed, [key]: t })}
          refused={refused[key]}
          note={key.startsWith('short') && !typed[key] ? 'as continuous, unless the plate says more' : undefined}
        />
      ))}
    </>
  );
}
