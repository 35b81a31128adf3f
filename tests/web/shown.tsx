import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach } from 'vitest';
import { AppProvider, useApp } from '../../web/src/parts/session';
import { TABLE } from './quantities';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

/** Shows a part as it stands in the application, with an engineer signed in, and a pair of hands to use it with. */
export function show(part: ReactNode) {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  queries.setQueryData(['session'], { name: 'maren', fullName: 'Maren Osk', role: 'engineer' });
  queries.setQueryData(['quantities'], TABLE);
  const whole = (inner: ReactNode) => (
    <MemoryRouter>
      <QueryClientProvider client={queries}>
        <AppProvider>
          <Switch />
          {inner}
        </AppProvider>
      </QueryClientProvider>
    </MemoryRouter>
  );
  const shown = render(whole(part));
  return { queries, hands: userEvent.setup(), again: (next: ReactNode) => shown.rerender(whole(next)) };
}

const Switch = () => {
  const { units, setSystem } = useApp();
  return <button onClick={() => setSystem(units.system === 'mm' ? 'in' : 'mm')}>other units</button>;
};

/** Switches between mm and inch. */
export const switchUnits = (hands: ReturnType<typeof userEvent.setup>) => hands.click(screen.getByText('other units'));
