import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { ApiError, client, data } from '../../api/client';
import { Mark } from '../../parts/Mark';
import { Themed } from '../../parts/Themed';
import { useApp, type Session } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { Joining } from './Joining';

// Why the workshop's provider of identity let nobody in.
const REFUSED: Partial<Record<string, string>> = {
  unknown: 'You are known there, but nobody here has your name yet; ask the administrator to add you.',
  closed: 'This account has been closed; ask the administrator.',
  factor: 'Your account here has a second factor, and you came in over there without one; sign in with name, password and code.',
  silent: 'The other account cannot be reached now; sign in with name and password, or try again later.',
  failed: 'Coming in with the other account did not work; try once more.',
};

/** The door. With `again` it stands above the page that was open, so that nothing typed there is lost. */
export default function SignInPage({ again = false, joining = false }: { again?: boolean; joining?: boolean }) {
  return <Themed>{joining ? <Joining /> : <Door again={again} />}</Themed>;
}

function Door({ again }: { again: boolean }) {
  const { signedIn, session } = useApp();
  const welcome = useQuery({ queryKey: ['welcome'], queryFn: () => data(client.GET('/api/v1/session/welcome')) });
  const [name, setName] = useState(again ? (session?.name ?? '') : '');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [next, setNext] = useState('');
  const enter = useMutation({
    mutationFn: async (demoPerson?: string): Promise<Session> =>
      demoPerson
        ? data(client.POST('/api/v1/session/demo/{name}', { params: { path: { name: demoPerson } } }))
        : data<Session>(client.POST('/api/v1/session', { body: { name, password, code, next } })),
    onSuccess: signedIn,
  });
  const refused = new URLSearchParams(location.search).get('provider');
  // Asked for only after name and password were right, and then until somebody is in.
  const [coded, setCoded] = useState(false);
  if (!coded && enter.error instanceof ApiError && enter.error.problem.rule === 'code-needed') setCoded(true);

  // A password that is good for once is given for one of their own.
  const [once, setOnce] = useState(false);
  if (!once && enter.error instanceof ApiError && enter.error.problem.rule === 'password-needed') setOnce(true);

  return (
    <div className={`signin ${again ? 'again' : ''}`}>
      <div className="card notched">
        <div>
          {again ? (
            <p role="alert">
              <b>Your session has ended.</b> Sign in again and go on; what you typed is still below.
            </p>
          ) : (
            <>
              <h1>
                <Mark /> Incisura
              </h1>
              <p className="muted">The workshop's cutters and holders, how hard each may be run, and the figures that are approved.</p>
            </>
          )}
          <form
            onSubmit={(e) => {
              e.preventDefault();
              enter.mutate(undefined);
            }}
          >
            <label>
              Name
              <Input value={name} onChange={(e) => setName(e.target.value)} autoComplete="username" />
            </label>
            <label>
              Password
              <Input.Password value={password} onChange={(e) => setPassword(e.target.value)} autoComplete="current-password" />
            </label>
            {once && (
              <label>
                A password of your own
                <Input.Password value={next} autoFocus autoComplete="new-password" onChange={(e) => setNext(e.target.value)} />
              </label>
            )}
            {coded && (
              <label>
                Code of your device
                <Input value={code} autoFocus autoComplete="one-time-code" onChange={(e) => setCode(e.target.value)} />
              </label>
            )}
            <Button type="primary" htmlType="submit" loading={enter.isPending}>
              Sign in
            </Button>
          </form>
          {welcome.data?.provider && (
            <p>
              <Button block href="/api/v1/session/provider">
                Come in with {welcome.data.provider}
              </Button>
            </p>
          )}
          {refused && <Problem error={REFUSED[refused] ?? REFUSED.failed} />}
          {coded && !code ? (
            <p role="status">Give the code that your device shows now, or one of those for when it is lost.</p>
          ) : (
            <Problem error={enter.error ?? welcome.error} />
          )}
        </div>
        {welcome.data?.demo && (
          <div className="people">
            <h3>Skerrymoor Tidal Works, the demo workshop: come in as</h3>
            {welcome.data.people.map((p) => (
              <button key={p.name} onClick={() => enter.mutate(p.name)}>
                <b>{p.fullName}</b>
                <span>{p.does}</span>
              </button>
            ))}
          </div>
        )}
      </div>
    </div>
  );
}
