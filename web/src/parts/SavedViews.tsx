import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Popover } from 'antd';
import { useState } from 'react';
import { client, data } from '../../api/client';
import { Problem } from '../../parts/Problem';
import type { ListName } from '../../parts/shelf';

/** The views of this list that the person keeps: what was typed, the filters and the order, under a name. */
export function SavedViews({ list, address, onOpen }: { list: ListName; address: string; onOpen: (query: string) => void }) {
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const [open, setOpen] = useState(false);
  const views = useQuery({ queryKey: ['views'], queryFn: () => data(client.GET('/api/v1/library/views')) });
  const own = (views.data ?? []).filter((v) => v.list === list);
  const again = () => queries.invalidateQueries({ queryKey: ['views'] });
  const keep = useMutation({
    mutationFn: () => data(client.POST('/api/v1/library/views', { body: { list, name, query: address } })),
    onSuccess: () => {
      setName('');
      return again();
    },
  });
  const remove = useMutation({
    mutationFn: (id: number) => client.DELETE('/api/v1/library/views/{id}', { params: { path: { id } } }),
    onSuccess: again,
  });
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      placement="bottomLeft"
      content={
        <div className="views">
          {own.length === 0 && <p className="muted">You keep no view of this list yet.</p>}
          {own.map((v) => (
            <div key={v.id}>
              <Button
                type="link"
                size="small"
                onClick={() => {
                  setOpen(false);
                  onOpen(v.query);
                }}
              >
                {v.name}
              </Button>
              <Button type="text" size="small" aria-label={`Remove the view ${v.name}`} onClick={() => remove.mutate(v.id)}>
                ✕
              </Button>
            </div>
          ))}
          <form
            onSubmit={(e) => {
              e.preventDefault();
              keep.mutate();
            }}
          >
            <Input
              size="small"
              maxLength={40}
              aria-label="Name of the view"
              placeholder="keep what is shown as …"
              value={name}
              onChange={(e) => setName(e.target.value)}
            />
            <Button size="small" htmlType="submit" disabled={!name.trim()}>
              Keep
            </Button>
          </form>
          <Problem error={keep.error ?? remove.error} />
        </div>
      }
    >
      <Button>Views{own.length > 0 ? ` (${own.length})` : ''}</Button>
    </Popover>
  );
}
