import { useMutation, useQueryClient } from '@tanstack/react-query';
import { client, data, type Schemas } from '../../api/client';

export type Act = 'submit' | 'approve' | 'send-back' | 'take-back' | 'keep' | 'renew' | 'rework' | 'withdraw' | 'discard';

interface Done {
  what: Act;
  /** The record, at the version that was seen. */
  of: { number: string; version: number };
  reason: string;
  /** Why cautions may stand, by what each says. */
  accepted?: Record<string, string>;
  /** Evidence, and how far the approval is to reach. */
  terms?: Schemas['GivenTerms'];
}

/** Does something to a record, and has everything fetched again that may look different after it. */
export function useRecordAct(done: (done: Done) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ what, of, reason, accepted, terms }: Done) =>
      data(
        client.POST(`/api/v1/records/{number}/${what}` as '/api/v1/records/{number}/submit', {
          params: { path: { number: of.number } },
          headers: { 'If-Match': `"${of.version}"` },
          body: { text: reason, accepted: accepted ?? null, terms: terms ?? null },
        }),
      ),
    onSuccess: async (after, act) => {
      done(act);
      queries.setQueryData(['records', act.of.number], after);
      await Promise.all(
        [['records', 'list'], ['editions'], ['lookup'], ['history'], ['coverage']].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      );
    },
  });
}
