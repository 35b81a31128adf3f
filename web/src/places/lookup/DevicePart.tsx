import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { client, data } from '../../api/client';
import { useApp } from '../../parts/session';
import { endOf, forgetPart, keptPart } from '../../parts/device';
import { Problem } from '../../parts/Problem';
import { day } from '../../parts/units';
import { Age } from './age';
import { fetchPart, machineHere, standAt } from './asking';

// Older than this it is fetched anew when Lookup is opened, so that what was forbidden meanwhile is known.
const FRESH = 3_600_000;

/** What this device keeps for times without a network: one machine's part of the newest edition. */
export function DevicePart({ edition }: { edition: number }) {
  const queries = useQueryClient();
  const { session, quantities } = useApp();
  const [machine, setMachine] = useState(machineHere);
  const [progress, setProgress] = useState<[number, number]>();
  const can = 'serviceWorker' in navigator;
  const kept = useQuery({ queryKey: ['keptPart'], queryFn: async () => (await keptPart()) ?? null, staleTime: 0 });
  const parts = useQuery({
    queryKey: ['lookup', 'parts', edition],
    queryFn: () => data(client.GET('/api/v1/lookup/parts')),
    enabled: can && edition > 0,
  });
  const fetching = useMutation({
    mutationFn: (to: { machineId: number; machine: string }) =>
      fetchPart(to, { session: session!, quantities }, (done, total) => setProgress([done, total])),
    onSettled: () => {
      setProgress(undefined);
      return queries.invalidateQueries({ queryKey: ['keptPart'] });
    },
  });
  const chosen = parts.data?.find((p) => p.machineId === machine);
  const old =
    kept.data === null || (kept.data && (kept.data.edition < edition || kept.data.machineId !== machine || isOld(kept.data.savedAt)));
  const { mutate, isIdle } = fetching;
  useEffect(() => {
    if (chosen && old && isIdle) mutate(chosen);
  }, [chosen, old, isIdle, mutate]);

  if (!can)
    return (
      <p className="muted small noprint">
        This page came without HTTPS, so nothing of it can be kept on this device for times without a network.
      </p>
    );
  return (
    <section className="devicepart noprint" aria-label="For times without a network">
      {(parts.data?.length ?? 0) > 0 && (
        <label>
          This device stands at
          <select
            value={chosen ? machine : 0}
            onChange={(e) => {
              const to = Number(e.target.value);
              standAt(to);
              setMachine(to);
              fetching.reset();
              if (to === 0) void forgetPart().then(() => queries.invalidateQueries({ queryKey: ['keptPart'] }));
            }}
          >
            <option value={0}>no machine: nothing is kept here</option>
            {parts.data!.map((p) => (
              <option key={p.machineId} value={p.machineId}>
                {p.machine}, {p.count} {p.count === 1 ? 'record' : 'records'}
              </option>
            ))}
          </select>
        </label>
      )}
      {progress && (
        <p role="status">
          Fetching {progress[0]} of {progress[1]}…
        </p>
      )}
      {kept.data && !fetching.isPending && (
        <p className="muted small" role="status">
          Kept here for times without a network: {kept.data.machine}’s part of edition {kept.data.edition}, {kept.data.total}{' '}
          {kept.data.total === 1 ? 'record' : 'records'}, <Age at={kept.data.at} /> old. It goes when you sign out, and on{' '}
          {day(endOf(kept.data).toISOString())} at the latest.
        </p>
      )}
      <Problem error={fetching.error} />
    </section>
  );
}

const isOld = (savedAt: number) => Date.now() - savedAt > FRESH;
