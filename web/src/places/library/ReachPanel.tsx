import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { ApiError, client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import type { Quantity } from '../../parts/units';
import { Problem } from '../../parts/Problem';
import type { Assembly } from '../../parts/shelf';

const FIELDS: [keyof Schemas['Wall'], string, Quantity][] = [
  ['depth', 'Depth beside the wall', 'length'],
  ['draft', 'Draft of the wall', 'angle'],
  ['clearance', 'Air wanted', 'length'],
  ['shoulderHeight', 'Shoulder above it', 'length'],
  ['shoulderDistance', 'Shoulder set back by', 'length'],
];

/** What is asked about the reach, and the answer. */
export function useReach(assembly: Assembly, ready: boolean) {
  const [typed, setTyped] = useState<Partial<Record<keyof Schemas['Wall'], Typed>>>({});
  const wall: Schemas['Wall'] = {
    depth: typed.depth?.base ?? 0,
    draft: typed.draft?.base ?? 0,
    clearance: typed.clearance?.base ?? 0.2,
    shoulderHeight: typed.shoulderHeight?.base ?? 0,
    shoulderDistance: typed.shoulderDistance?.base ?? 0,
  };
  const asked = ready && typed.depth !== undefined;
  const answer = useQuery({
    queryKey: ['reach', assembly, wall],
    queryFn: () => data(client.POST('/api/v1/library/assemblies/reach', { body: { assembly, wall } })),
    enabled: asked,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return { wall, typed, setTyped, answer, asked };
}

/** Says whether holder, neck or blade touch a wall of a depth, and what would clear. */
export function ReachPanel(props: {
  reach: ReturnType<typeof useReach>;
  mayTake: boolean;
  onProjection: (mm: number) => void;
  most: number | undefined;
}) {
  const { reach, mayTake, onProjection, most } = props;
  const units = useUnits();
  const { wall, typed, setTyped, answer, asked } = reach;
  const result = asked && !answer.isError ? answer.data : undefined;
  const faults = answer.error instanceof ApiError ? answer.error.byField : {};
  const least = result?.leastProjection;
  return (
    <>
      <h2>Does it reach?</h2>
      {FIELDS.map(([key, label, quantity]) => (
        <NumberField
          key={key}
          label={label}
          quantity={quantity}
          value={key === 'depth' && !typed.depth ? undefined : wall[key]}
          typed={typed[key]}
          onTyped={(t) => setTyped({ ...typed, [key]: t })}
          refused={faults[key]}
        />
      ))}
      {answer.isError && Object.keys(faults).every((f) => !FIELDS.some(([key]) => key === f)) && <Problem error={answer.error} />}
      {result && (
        <p className={result.touches.length > 0 ? 'refusal' : 'clears'} role="status">
          {units.sentence(result.sentence)}
        </p>
      )}
      {mayTake && result && result.touches.length > 0 && typeof least === 'number' && least <= (most ?? 0) + 1e-9 && (
        <p>
          <Button size="small" onClick={() => onProjection(Math.ceil(least * 10 - 1e-6) / 10)}>
            Stand it out {units.text(Math.ceil(least * 10 - 1e-6) / 10, 'length')}
          </Button>
        </p>
      )}
    </>
  );
}
