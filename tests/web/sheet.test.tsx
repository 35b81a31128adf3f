// @vitest-environment jsdom
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { ApiError } from '../../web/src/api/client';
import { NumberField } from '../../web/src/parts/NumberField';
import { SheetFrame } from '../../web/src/parts/SheetFrame';
import { useSheetForm } from '../../web/src/parts/useSheetForm';
import { show } from './shown';

interface Thing {
  name: string;
  dimensions: Record<string, number>;
}
const sheet = (revision: number, DC: number, LF: number, by = 'Maren Osk') => ({
  id: 7,
  revision,
  changedBy: by,
  changedAt: '2026-11-20T08:00:00Z',
  definition: { name: 'Mill', dimensions: { DC, LF } } as Thing,
});
type Sheet = ReturnType<typeof sheet>;

function Page({ change, onSaved }: { change: (from: Sheet, to: Thing) => Promise<Sheet>; onSaved: (s: Sheet) => void }) {
  const form = useSheetForm<Thing, Sheet>({
    sheet: sheet(1, 12, 80),
    blank: { name: '', dimensions: {} },
    calls: { change, create: () => Promise.reject(new Error('not here')) } as never,
    onSaved,
  });
  return (
    <SheetFrame title="Mill" back={{ to: '/', words: 'back' }} sheet={sheet(1, 12, 80)} form={form} fields={['dimensions']} names={{}}>
      {['DC', 'LF'].map((d) => (
        <NumberField key={d} label={d} quantity="length" {...form.entry('dimensions', d)} refused={form.refused[`dimensions.${d}`]} />
      ))}
    </SheetFrame>
  );
}

const problem = (status: number, more: ConstructorParameters<typeof ApiError>[1]) =>
  new ApiError(status, { title: 'No', detail: 'Somebody else saved first.', ...more });
const box = (label: string) => screen.getByLabelText<HTMLInputElement>(label);

describe('a stored thing on its page', () => {
  test('keystrokes in one box are one step of undo, and undo gives the stored value back', async () => {
    const { hands } = show(<Page change={vi.fn()} onSaved={vi.fn()} />);
    expect(screen.getByRole('button', { name: 'Save as revision 2' })).toHaveProperty('disabled', true);
    await hands.click(box('DC'));
    await hands.keyboard('10.5');
    await hands.click(box('LF'));
    await hands.keyboard('90');
    fireEvent.keyDown(window.document.body, { key: 'z', ctrlKey: true });
    expect([box('DC').value, box('LF').value]).toEqual(['10.5', '80']);
    await hands.click(screen.getByRole('button', { name: 'Undo' }));
    expect(box('DC').value).toBe('12');
  });

  test('is saved by keys as the next revision', async () => {
    const change = vi.fn((_from: Sheet, to: Thing) => Promise.resolve({ ...sheet(2, 0, 0), definition: to }));
    const onSaved = vi.fn();
    const { hands } = show(<Page change={change} onSaved={onSaved} />);
    await hands.click(box('DC'));
    await hands.keyboard('10');
    fireEvent.keyDown(window.document.body, { key: 's', ctrlKey: true });
    await waitFor(() => expect(onSaved).toHaveBeenCalled());
    expect(change.mock.lastCall![0].revision).toBe(1);
    expect(change.mock.lastCall![1].dimensions).toEqual({ DC: 10, LF: 80 });
  });

  test('a lost race shows both, and mine goes on from theirs without undoing it', async () => {
    const theirs = sheet(2, 12, 75, 'Ines Varga-Holm');
    const change = vi.fn<(from: Sheet, to: Thing) => Promise<Sheet>>().mockRejectedValueOnce(problem(412, { current: theirs }));
    const { hands } = show(<Page change={change} onSaved={vi.fn()} />);
    await hands.click(box('DC'));
    await hands.keyboard('10');
    await hands.click(screen.getByRole('button', { name: 'Save as revision 2' }));
    await screen.findByText(/theirs, revision 2 by Ines Varga-Holm/);
    expect([...document.querySelectorAll('.race tbody tr')].map((r) => r.textContent)).toEqual(['DC1012', 'LF8075']);
    await hands.click(screen.getByRole('button', { name: /keeping what I typed/ }));
    expect([box('DC').value, box('LF').value]).toEqual(['10', '75']);
    change.mockResolvedValueOnce(sheet(3, 10, 75));
    await hands.click(screen.getByRole('button', { name: /Save as/ }));
    await act(async () => {});
    expect(change.mock.lastCall![0].revision).toBe(2);
    expect(change.mock.lastCall![1].dimensions).toEqual({ DC: 10, LF: 75 });
  });

  test('or theirs is taken as it is', async () => {
    const change = vi.fn().mockRejectedValueOnce(problem(412, { current: sheet(2, 14, 75) }));
    const { hands } = show(<Page change={change} onSaved={vi.fn()} />);
    await hands.click(box('DC'));
    await hands.keyboard('10');
    await hands.click(screen.getByRole('button', { name: 'Save as revision 2' }));
    await hands.click(await screen.findByRole('button', { name: 'Take theirs' }));
    expect([box('DC').value, box('LF').value]).toEqual(['14', '75']);
  });

  test('a refusal stands at its box, what belongs to no box on top, and what was typed stays', async () => {
    const fault = (field: string, sentence: string) => ({ field, sentence, given: 400, least: null, most: null, meant: null });
    const faults = [fault('dimensions.DC', 'DC is above LF.'), fault('name', 'The name is taken.')];
    const change = vi.fn().mockRejectedValue(problem(422, { faults }));
    const { hands } = show(<Page change={change} onSaved={vi.fn()} />);
    await hands.click(box('DC'));
    await hands.keyboard('400');
    await hands.click(screen.getByRole('button', { name: 'Save as revision 2' }));
    expect(await screen.findByText('DC is above LF.')).toBeTruthy();
    expect(screen.getByText('The name is taken.')).toBeTruthy();
    expect(box('DC').value).toBe('400');
    expect(box('DC').getAttribute('aria-invalid')).toBe('true');
  });
});
