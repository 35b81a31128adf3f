import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client, data } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { moment } from '../../parts/units';

const AGAIN = 3000;

/** Where somebody gets mail, and in the demo the mailbox that stands in for it. */
export function MailPage() {
  const queries = useQueryClient();
  const address = useQuery({ queryKey: ['address'], queryFn: () => data(client.GET('/api/v1/session/address')) });
  const welcome = useQuery({ queryKey: ['welcome'], queryFn: () => data(client.GET('/api/v1/session/welcome')) });
  const box = useQuery({
    queryKey: ['mailbox'],
    queryFn: () => data(client.GET('/api/v1/session/demo/mailbox')),
    enabled: welcome.data?.demo ?? false,
    refetchInterval: AGAIN,
  });
  const [typed, setTyped] = useState<string>();
  const save = useMutation({
    mutationFn: () => data(client.PUT('/api/v1/session/address', { body: { address: typed ?? '' } })),
    onSuccess: (saved) => {
      queries.setQueryData(['address'], saved);
      setTyped(undefined);
    },
  });
  return (
    <div className="page narrow">
      <h1>Mail</h1>
      <p className="muted">
        {address.data?.sends === false
          ? 'This workshop sends no mail: whoever keeps the server has named no mail server. What waits for you stands under Records.'
          : 'What waits for you, and what was decided about what you proposed, comes by mail too; what happens within a few minutes comes in one.'}
      </p>
      <form
        className="card absent"
        onSubmit={(e) => {
          e.preventDefault();
          save.mutate();
        }}
      >
        <label>
          <span>Your address, empty for no mail</span>
          <Input
            aria-label="Your mail address"
            style={{ width: 300, maxWidth: '100%' }}
            value={typed ?? address.data?.address ?? ''}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <Button type="primary" htmlType="submit" disabled={typed === undefined} loading={save.isPending}>
          Save
        </Button>
      </form>
      <Problem error={address.error ?? save.error ?? box.error} />
      {box.data && (
        <>
          <h2>Mailbox of the demo</h2>
          {box.data.length === 0 && <p className="muted">No mail yet.</p>}
          {box.data.map((m, i) => (
            <article key={i} className="card mail">
              <b>{m.subject}</b> <span className="muted small">{moment(m.at)}</span>
              <pre>{m.text}</pre>
            </article>
          ))}
        </>
      )}
    </div>
  );
}
