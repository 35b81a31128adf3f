import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Popover } from 'antd';
import { useState } from 'react';
import { client, data } from '../api/client';
import { Problem } from './Problem';
import type { ListName } from './shelf';

interface Props {
  list: ListName | 'situations';
  words?: { all: string; one: string; none: string };
  address: string;
  onOpen: (query: string) => void;
  /** Stands among words instead of among buttons. */
  quiet?: boolean;
}

const VIEWS = { all: 'Views', one: 'view', none: 'You keep no view of this list yet.' };

/** What the person keeps under a name: views of a list, with what was typed, the filters and the order, or situations. */
export function SavedViews({ list, words = VIEWS, address, onOpen, quiet }: Props) {
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
          {own.length === 0 && <p className="muted">{words.none}</p>}
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
              <Button type="text" size="small" aria-label={`Remove the ${words.one} ${v.name}`} onClick={() => remove.mutate(v.id)}>
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
              aria-label={`Name of the ${words.one}`}
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
      <Button {...(quiet && { type: 'link', size: 'small' })}>
        {quiet ? words.all.toLowerCase() : words.all}
        {own.length > 0 ? ` (${own.length})` : ''}
      </Button>
    </Popover>
  );
}
