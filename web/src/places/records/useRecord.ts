import { useQuery } from '@tanstack/react-query';
import { client, data, type Schemas } from '../../api/client';

/** How a record with all its revisions is fetched. */
export const recordQuery = (number: string) => ({
  queryKey: ['records', number],
  queryFn: () => data(client.GET('/api/v1/records/{number}', { params: { path: { number } } })),
});

export const useRecord = (number: string | undefined) => useQuery({ ...recordQuery(number ?? ''), enabled: Boolean(number) });

/** Why something cannot be done to a revision; undefined where it can. */
export function whyNot(revision: Schemas['RecordRevisionView'], act: Schemas['RecordAct']): string | undefined {
  const verdict = revision.can.find((c) => c.act === act);
  return verdict ? verdict.whyNot || undefined : 'This revision is only looked at.';
}

/** Whether something can be done to a revision now. */
export const may = (revision: Schemas['RecordRevisionView'], act: Schemas['RecordAct']) => whyNot(revision, act) === undefined;
