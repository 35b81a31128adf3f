import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client, data } from '../../api/client';
import { Problem } from '../../parts/Problem';

/** Counts pieces that were made with figures that are approved for some only. */
export function Made({ number, version }: { number: string; version: number }) {
  const queries = useQueryClient();
  const [pieces, setPieces] = useState('');
  const tell = useMutation({
    mutationFn: () =>
      data(
        client.POST('/api/v1/records/{number}/made', {
          params: { path: { number } },
          headers: { 'If-Match': `"${version}"` },
          body: { pieces: Number(pieces) },
        }),
      ),
    onSuccess: async (after) => {
      setPieces('');
      queries.setQueryData(['records', number], after);
      await queries.invalidateQueries({ queryKey: ['records', 'list'] });
    },
  });
  return (
    <div className="made noprint">
      <Input
        inputMode="numeric"
        aria-label="Pieces made since"
        placeholder="pieces made since"
        style={{ width: 150 }}
        value={pieces}
        onChange={(e) => setPieces(e.target.value.replace(/\D/g, '').slice(0, 7))}
      />{' '}
      <Button disabled={!Number(pieces)} loading={tell.isPending} onClick={() => tell.mutate()}>
        Count them
      </Button>
      <Problem error={tell.error} />
    </div>
  );
}
