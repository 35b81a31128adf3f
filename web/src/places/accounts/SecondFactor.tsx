import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { Problem, Refusals } from '../../parts/Problem';

/** A second factor: a device that shows a code every half minute, and codes for when it is lost. */
export function SecondFactor() {
  const queries = useQueryClient();
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [codes, setCodes] = useState<readonly string[]>([]);
  const state = useQuery({ queryKey: ['account', 'factor'], queryFn: () => data(client.GET('/api/v1/account/factor')) });
  const again = () => queries.invalidateQueries();
  const begin = useMutation({
    mutationFn: () => data(client.POST('/api/v1/account/factor', { body: { password } })),
    onSuccess: () => setPassword(''),
  });
  const confirm = useMutation({
    mutationFn: () => data(client.POST('/api/v1/account/factor/confirmation', { body: { code } })),
    onSuccess: (made) => {
      setCodes(made.codes);
      setCode('');
      begin.reset();
      return again();
    },
  });
  const remove = useMutation({
    mutationFn: () => client.POST('/api/v1/account/factor/removal', { body: { password } }),
    onSuccess: () => {
      setPassword('');
      setCodes([]);
      return again();
    },
  });
  const on = state.data?.on ?? false;
  return (
    <section aria-label="Second factor">
      <h2>Second factor</h2>
      <Problem error={state.error} />
      {state.data && (
        <p className={state.data.needed && !on ? 'warn' : 'muted'}>
          {on
            ? `On: signing in asks for the code that your device shows. ${left(state.data.codesLeft)}`
            : state.data.needed
              ? 'An administrator needs one: until then this account keeps no people.'
              : 'Off. With one, a password alone lets nobody in.'}
        </p>
      )}
      {codes.length > 0 && (
        <div className="card" role="status">
          <p>
            <b>Keep these away from your device: each lets you in once when it is lost. They are not shown again.</b>
          </p>
          <ul className="bare codes">
            {codes.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
          <Button onClick={() => setCodes([])}>I have kept them</Button>
        </div>
      )}
      {begin.data ? (
        <Pairing secret={begin.data}>
          <form
            className="inline"
            onSubmit={(e) => {
              e.preventDefault();
              confirm.mutate();
            }}
          >
            <label>
              Code that it shows now{' '}
              <Input value={code} inputMode="numeric" autoComplete="one-time-code" onChange={(e) => setCode(e.target.value)} />
            </label>
            <Button type="primary" htmlType="submit" disabled={!code.trim()} loading={confirm.isPending}>
              Turn it on
            </Button>
            <Button onClick={() => begin.reset()}>Not now</Button>
          </form>
          <Refusals error={confirm.error} />
        </Pairing>
      ) : (
        state.data &&
        codes.length === 0 && (
          <form
            className="inline"
            onSubmit={(e) => {
              e.preventDefault();
              (on ? remove : begin).mutate();
            }}
          >
            <label>
              Your password, once more{' '}
              <Input.Password value={password} autoComplete="current-password" onChange={(e) => setPassword(e.target.value)} />
            </label>
            <Button type={on ? 'default' : 'primary'} htmlType="submit" disabled={!password} loading={begin.isPending || remove.isPending}>
              {on ? 'Take it away' : 'Make one'}
            </Button>
          </form>
        )
      )}
      <Refusals error={begin.error ?? remove.error} />
    </section>
  );
}

function Pairing({ secret, children }: { secret: Schemas['FactorSecret']; children: React.ReactNode }) {
  return (
    <div className="card pairing">
      <img src={`data:image/svg+xml;utf8,${encodeURIComponent(secret.picture)}`} alt="The secret as a code for the device's camera" />
      <div>
        <p>Let the device that is to show codes read this picture, or type into it:</p>
        <p>
          <code>{secret.secret.replace(/(.{4})/g, '$1 ')}</code>
        </p>
        {children}
      </div>
    </div>
  );
}

const left = (n: number): string =>
  n === 0
    ? 'No code for a lost device is left: take it away and make a new one.'
    : `${n} ${n === 1 ? 'code is' : 'codes are'} left for when it is lost.`;
