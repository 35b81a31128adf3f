import { useMutation } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client } from '../../api/client';
import { Mark } from '../../parts/Mark';
import { Problem, Refusals } from '../../parts/Problem';

/** Where the link leads that somebody new gets, or who lost their password: they give one that nobody else ever knows. */
export function Joining() {
  const given = new URLSearchParams(location.hash.slice(1));
  const [name, code] = [given.get('name') ?? '', given.get('code') ?? ''];
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const join = useMutation({ mutationFn: () => client.POST('/api/v1/session/joining', { body: { name, code, password } }) });
  const differs = again.length > 0 && again !== password;
  return (
    <div className="signin">
      <div className="card notched">
        <div>
          <h1>
            <Mark /> Incisura
          </h1>
          {join.isSuccess ? (
            <>
              <p role="status">
                Your password is set. From now on you sign in as <b>{name}</b> with it.
              </p>
              <Button type="primary" href="/">
                Go and sign in
              </Button>
            </>
          ) : !name || !code ? (
            <Problem error="This link is not whole; open it as you got it, or ask the administrator for another." />
          ) : (
            <>
              <p className="muted">
                Welcome, <b>{name}</b>. Give a password that only you know: at least 12 characters; a few words in a row that nobody would
                put together are easily remembered.
              </p>
              <form
                onSubmit={(e) => {
                  e.preventDefault();
                  if (password && again === password) join.mutate();
                }}
              >
                <input hidden readOnly autoComplete="username" value={name} />
                <label>
                  Password
                  <Input.Password autoFocus value={password} autoComplete="new-password" onChange={(e) => setPassword(e.target.value)} />
                </label>
                <label>
                  Once more
                  <Input.Password value={again} autoComplete="new-password" onChange={(e) => setAgain(e.target.value)} />
                </label>
                <Button type="primary" htmlType="submit" loading={join.isPending} disabled={!password || again !== password}>
                  Set it
                </Button>
              </form>
              {differs && <Problem error="The two are not the same yet." />}
              <Refusals error={join.error} />
            </>
          )}
        </div>
      </div>
    </div>
  );
}
