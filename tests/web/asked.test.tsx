// @vitest-environment jsdom
import { renderHook, screen, waitFor } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { ReadPositions } from '../../web/src/places/calculate/groups/ReadPositions';
import { TapDrills } from '../../web/src/places/calculate/holes/TapDrills';
import { requestOf } from '../../web/src/places/calculate/request';
import { useCalculation } from '../../web/src/places/calculate/useCalculation';
import { show } from './shown';

// The client takes fetch and Request when it is made, so they stand ready before it is.
const server = vi.hoisted(() => {
  const waiting: (Response | Error)[] = [];
  const asked: Request[] = [];
  const Real = Request;
  globalThis.Request = class extends Real {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://here') : input, init);
    }
  };
  globalThis.fetch = (request) => {
    asked.push((request as Request).clone());
    const next = waiting.shift() ?? new Error('nothing more was expected');
    return next instanceof Error ? Promise.reject(next) : Promise.resolve(next);
  };
  return { waiting, asked };
});

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': status === 200 ? 'application/json' : 'application/problem+json' },
  });

/** Answers what the page asks for, in turn, and remembers what that was. */
function answering(...answers: (Response | Error)[]) {
  server.asked.length = 0;
  server.waiting.splice(0, Infinity, ...answers);
  return server.asked;
}

const fault = (field: string, sentence: string) => ({ field, sentence, given: null, least: null, most: null, meant: null });

describe('what is calculated', () => {
  const SITUATION = { operation: 'side-rough', materialId: 2, assemblyId: 6, machineId: 1 };
  const wide = (widthOfCut: number) => ({ numbers: { widthOfCut }, options: {} });
  const inside = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
  );

  test('a refused value takes no figures away, and another situation does', async () => {
    const asked = answering(
      json({ figures: ['good'] }),
      json({ faults: [fault('widthOfCut', 'too wide')] }, 422),
      json({ faults: [fault('widthOfCut', 'too wide')] }, 422),
    );
    const { result, rerender } = renderHook(
      ({ width, machine }) => {
        const situation = { ...SITUATION, machineId: machine };
        return useCalculation(situation, requestOf(situation, wide(width)), false);
      },
      {
        wrapper: inside,
        initialProps: { width: 2, machine: 1 },
      },
    );
    await waitFor(() => expect(result.current.result).toEqual({ figures: ['good'] }));
    rerender({ width: 99, machine: 1 });
    await waitFor(() => expect(result.current.refused).toEqual({ widthOfCut: 'too wide' }));
    expect(result.current.result).toEqual({ figures: ['good'] });
    rerender({ width: 99, machine: 4 });
    await waitFor(() => expect(asked).toHaveLength(3));
    await waitFor(() => expect(result.current.result).toBeUndefined());
    expect(await asked[1]!.json()).toMatchObject({ materialId: 2, numbers: { widthOfCut: 99 } });
  });

  test('a server that cannot be reached is said in words, with what was typed kept', async () => {
    answering(new TypeError('fetch failed'));
    const { result } = renderHook(() => useCalculation(SITUATION, requestOf(SITUATION, wide(2)), false), { wrapper: inside });
    await waitFor(() => expect(result.current.query.error?.message).toMatch(/cannot be reached; what you typed is still here/));
  });
});

describe('lists the server makes', () => {
  const body = { materialId: 2, assemblyId: 6, machineId: 1, numbers: {}, options: {} };

  test('drills for a thread, one of which is taken', async () => {
    const drill = {
      cutterId: 7,
      number: 'D-0007',
      family: 'twist drill',
      diameter: 8.5,
      height: 77.2,
      minor: 8.5,
      class: '5H',
      assemblies: ['A-1305'],
    };
    answering(json([drill, { ...drill, cutterId: 8, number: 'D-0008', diameter: 9, class: '', assemblies: [] }]));
    const take = vi.fn();
    const { hands } = show(<TapDrills body={body} onTake={take} />);
    const second = await screen.findByRole('row', { name: /D-0008/ });
    expect(second.textContent).toContain('none');
    expect(second.textContent).toContain('no assembly');
    await hands.click(screen.getAllByRole('button', { name: 'take it' })[0]!);
    expect(take).toHaveBeenCalledWith(8.5);
  });

  test('no drill at all, and what to do then', async () => {
    answering(json([]));
    show(<TapDrills body={body} onTake={() => {}} />);
    expect(await screen.findByText(/Add one in Library/)).toBeTruthy();
  });

  test('positions out of a file, narrowed by diameter before they are taken', async () => {
    const hole = (x: number, diameter: number) => ({ x, y: 0, diameter });
    answering(
      json({ holes: [hole(1, 8), hole(2, 8), hole(3, 12), hole(4, 0)], notes: ['Two circles lie on each other; one was left out.'] }),
    );
    const take = vi.fn();
    const { hands } = show(<ReadPositions onTake={take} />);
    await hands.upload(screen.getByLabelText('Read CSV or DXF'), new File(['x'], 'plate.dxf'));
    expect(await screen.findByText(/one was left out/)).toBeTruthy();
    await hands.click(screen.getByRole('checkbox', { name: 'Ø12 · 1' }));
    await hands.click(screen.getByRole('checkbox', { name: 'no diameter · 1' }));
    await hands.click(screen.getByRole('button', { name: 'Take 2 positions' }));
    expect(take).toHaveBeenCalledWith([
      { x: 1, y: 0 },
      { x: 2, y: 0 },
    ]);
    expect(screen.queryByText(/one was left out/)).toBeNull();
  });

  test('a file that cannot be read says why, and leaves the positions alone', async () => {
    answering(json({ detail: 'Neither a table nor a drawing.' }, 422));
    const take = vi.fn();
    const { hands } = show(<ReadPositions onTake={take} />);
    await hands.upload(screen.getByLabelText('Read CSV or DXF'), new File(['x'], 'plate.dxf'));
    expect(await screen.findByText('Neither a table nor a drawing.')).toBeTruthy();
    expect(take).not.toHaveBeenCalled();
  });
});
