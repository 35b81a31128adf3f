// @vitest-environment jsdom
import { loadSums } from '../../web/src/parts/sums';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeAll, describe, expect, test, vi } from 'vitest';
import { NumberField, type NumberFieldProps, type Typed } from '../../web/src/parts/NumberField';
import { show, switchUnits } from './shown';

beforeAll(loadSums);

const WIDTH = { label: 'Width', symbol: 'a_e', quantity: 'length', value: 2.4 } as const;
const box = () => screen.getByRole<HTMLInputElement>('textbox');

/** A box that keeps what was typed, as a page does. */
function Kept({ told, ...props }: Partial<NumberFieldProps> & { told?: (typed: Typed | undefined) => void }) {
  const [typed, setTyped] = useState<Typed>();
  const onTyped = (t: Typed | undefined) => {
    told?.(t);
    setTyped(t);
  };
  return <NumberField {...WIDTH} {...props} typed={typed} onTyped={onTyped} />;
}

describe('a number field', () => {
  test('tells every number it can read, and shows what a sum comes to', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} note="at most 12" />);
    await hands.click(box());
    await hands.keyboard('5/16');
    expect(told.mock.calls.map(([t]) => t?.base)).toEqual([5, 5, 0.3125]);
    expect(screen.getByText('= 0.313 mm · at most 12')).toBeTruthy();
    await hands.keyboard('+1');
    expect(box().value).toBe('5/16+1');
    expect(told).toHaveBeenLastCalledWith({ text: '5/16+1', system: 'mm', base: 1.3125 });
  });

  test('asks which of two readings is meant, and until then neither is in force', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    await hands.click(box());
    await hands.keyboard('12,000');
    expect(screen.getByRole('alert').textContent).toMatch(/two ways/);
    expect(box().value).toBe('12,000');
    expect(told).toHaveBeenLastCalledWith(undefined);
    await hands.click(screen.getByRole('button', { name: /Take 12.?000/ }));
    expect(told).toHaveBeenLastCalledWith(expect.objectContaining({ base: 12000 }));
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('offers inches beside a bare fraction in millimetres', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    await hands.click(box());
    await hands.keyboard('5/16');
    await hands.click(screen.getByRole('button', { name: /Take 7\.9/ }));
    expect(told).toHaveBeenLastCalledWith(expect.objectContaining({ base: 7.9375 }));
  });

  test('is marked where what was typed lies outside its range, and not at its ends', async () => {
    const { hands } = show(<Kept least={2} most={12} />);
    for (const [typed, outside] of [
      ['12', false],
      ['12.1', true],
      ['2', false],
      ['1.9', true],
    ] as const) {
      await hands.click(box());
      await hands.keyboard('{Escape}' + typed);
      expect(box().closest('.nf')!.classList.contains('outside')).toBe(outside);
    }
  });

  test('keeps what it cannot read, and says why beside the box', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    await hands.click(box());
    await hands.keyboard('x');
    expect(box().value).toBe('x');
    expect(screen.getByRole('alert').textContent).toMatch(/“x” cannot be read/);
    expect(box().getAttribute('aria-invalid')).toBe('true');
    await hands.tab();
    expect(box().value).toBe('x');
    expect(told).not.toHaveBeenCalled();
  });

  test('gives the proposal back for Escape and for an emptied box', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    await hands.click(box());
    await hands.keyboard('7{Escape}');
    expect(box().value).toBe('2.4');
    await hands.keyboard('5');
    await hands.clear(box());
    expect(told).toHaveBeenLastCalledWith(undefined);
    expect(box().value).toBe('');
    await hands.tab();
    expect(box().value).toBe('2.4');
  });

  test.each([
    ['{ArrowUp}', 2.5],
    ['{ArrowDown}', 2.3],
    ['{Shift>}{ArrowUp}{/Shift}', 3.4],
    ['{Alt>}{ArrowDown}{/Alt}', 2.39],
    ['{ArrowUp}{ArrowUp}{ArrowDown}', 2.5],
  ])('steps by keys: %s', async (keys, base) => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} least={0} />);
    await hands.click(box());
    await hands.keyboard(keys);
    expect(told.mock.lastCall![0].base).toBe(base);
  });

  test('never steps below zero where the range begins there', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} least={0.001} value={0.05} />);
    await hands.click(box());
    await hands.keyboard('{ArrowDown}');
    expect(told.mock.lastCall![0].base).toBe(0);
  });

  test('a proposal that changes under the cursor is replaced by what is typed', async () => {
    const { hands, again } = show(<Kept value={15.3} />);
    await hands.click(box());
    again(<Kept value={18} />);
    expect([box().selectionStart, box().selectionEnd]).toEqual([0, 2]);
    await hands.keyboard('20');
    expect(box().value).toBe('20');
    again(<Kept value={19} />);
    expect(box().value).toBe('20');
  });

  test('a proposal that changes elsewhere takes the cursor nowhere', () => {
    const { again } = show(<Kept value={1} />);
    again(<Kept value={2} />);
    expect(document.activeElement).toBe(document.body);
  });

  test('shows a typed value in the other unit, and as typed again when it comes back', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    await hands.click(box());
    await hands.keyboard('2.3456789');
    await switchUnits(hands);
    expect(box().value).toBe('0.09235');
    await switchUnits(hands);
    expect(box().value).toBe('2.3456789');
    expect(told.mock.lastCall![0].base).toBe(2.3456789);
  });

  test('offers the value that was probably meant', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} refused="A width of 250 mm is above 12 mm." meant={2.5} />);
    expect(screen.getByRole('alert').textContent).toContain('A width of 250 mm is above 12 mm.');
    await hands.click(screen.getByRole('button', { name: 'Take 2.50 mm' }));
    expect(told).toHaveBeenCalledWith({ text: '2.5', system: 'mm', base: 2.5 });
  });
});
