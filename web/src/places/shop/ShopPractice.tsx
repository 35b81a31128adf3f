import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { NumberField, still, type Typed } from '../../parts/NumberField';

type Practice = NonNullable<Schemas['SpeedChart']['practice']>;

/** The numbers no standard gives and on which shops differ: what this one goes by. */
export function ShopPractice(props: {
  practice: Practice | undefined;
  disabled: boolean;
  refused: Record<string, string>;
  onPractice: (practice: Practice, step: string) => void;
}) {
  const { practice = {}, disabled, refused, onPractice } = props;
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const all = useQuery({ queryKey: ['practices'], queryFn: () => data(client.GET('/api/v1/shop/practices')), staleTime: Infinity });
  return (
    <section aria-labelledby="practice">
      <h2 id="practice">What this shop goes by</h2>
      <p className="muted">No standard gives these; every calculation uses them. An emptied box goes back to the usual value.</p>
      <div className="practice">
        {(all.data ?? []).map((d) => {
          const code = d.code as keyof Practice;
          const value = practice[code] ?? d.usual;
          return (
            <NumberField
              key={code}
              label={d.name}
              quantity={d.quantity}
              value={value}
              typed={still(typed[code], value)}
              onTyped={(t) => {
                setTyped((before) => ({ ...before, [code]: t }));
                onPractice({ ...practice, [code]: t ? t.base : d.usual }, `practice.${code}`);
              }}
              refused={refused[`practice.${code}`]}
              disabled={disabled}
            />
          );
        })}
      </div>
    </section>
  );
}
