import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { act, useSyncExternalStore, type ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach } from 'vitest';
import { AppProvider, useApp } from '../../web/src/parts/session';
import { TABLE } from './quantities';

// However busy the machine is.
configure({ asyncUtilTimeout: 30_000 });
beforeEach(() => localStorage.clear());
afterEach(cleanup);

/** Shows a part as it stands in the application, with an engineer signed in, and a pair of hands to use it with. */
export function show(part: ReactNode) {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  queries.setQueryData(['session'], { name: 'maren', fullName: 'Maren Osk', role: 'engineer' });
  queries.setQueryData(['quantities'], TABLE);
  let [now, tell] = [part, () => {}];
  const Shown = () =>
    useSyncExternalStore(
      (told) => {
        tell = told;
        return () => {};
      },
      () => now,
    );
  const whole = (
    <QueryClientProvider client={queries}>
      <AppProvider>
        <Switch />
        <Shown />
      </AppProvider>
    </QueryClientProvider>
  );
  render(<RouterProvider router={createMemoryRouter([{ path: '*', element: whole }])} />);
  return {
    queries,
    hands: userEvent.setup(),
    again: (next: ReactNode) =>
      act(() => {
        now = next;
        tell();
      }),
  };
}

const Switch = () => {
  const { units, setSystem } = useApp();
  return <button onClick={() => setSystem(units.system === 'mm' ? 'in' : 'mm')}>other units</button>;
};

/** Switches between mm and inch. */
export const switchUnits = (hands: ReturnType<typeof userEvent.setup>) => hands.click(screen.getByText('other units'));
