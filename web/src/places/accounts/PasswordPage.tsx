import { useMutation } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client } from '../../api/client';
import { useApp } from '../../app/session';
import { Refusals } from '../../parts/Problem';

/** One's own password; every other session of the same person ends with it. */
export function PasswordPage() {
  const { session } = useApp();
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState('');
  const change = useMutation({
    mutationFn: () => client.PUT('/api/v1/session/password', { body: { current, next } }),
    onSuccess: () => {
      setCurrent('');
      setNext('');
    },
  });
  return (
    <div className="page">
      <h1>Your password</h1>
      <p className="muted">
        {session?.fullName}, signed in as {session?.name}. At least 12 characters; a few words in a row are easily remembered. Wherever else
        you are signed in, you are signed out.
      </p>
      <form
        className="inline"
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate();
        }}
      >
        <label>
          Password until now <Input.Password value={current} autoComplete="current-password" onChange={(e) => setCurrent(e.target.value)} />
        </label>
        <label>
          New password <Input.Password value={next} autoComplete="new-password" onChange={(e) => setNext(e.target.value)} />
        </label>
        <Button type="primary" htmlType="submit" loading={change.isPending} disabled={!current || !next}>
          Change it
        </Button>
      </form>
      {change.isSuccess && <p role="status">Changed.</p>}
      <Refusals error={change.error} />
    </div>
  );
}
