// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { threadOf } from '../../web/src/api/beside';
import type { Schemas } from '../../web/src/api/client';
import { Infeeds } from '../../web/src/places/calculate/threads/Infeeds';
import { ThreadChoice } from '../../web/src/places/calculate/threads/ThreadChoice';
import { show } from './shown';

const cut = {
  kind: 'cutThread',
  text: 'M12×1.75',
  own: false,
  inside: false,
  class: '6g',
  pitch: 1.75,
  lead: 1.75,
  starts: 1,
  leftHand: false,
  taper: 0,
  plain: 'M12×1.75',
} as Schemas['AttachmentCutThread'];

const box = () => screen.getByLabelText<HTMLInputElement>('Thread to cut');

describe('the thread to cut', () => {
  test('of the shop is known by its identity, and a listed one by none', () => {
    const own = [{ kind: 'threadToCut', text: 'Worn 24', ownId: 7 }] as Schemas['Extra'][];
    expect(threadOf(own)).toEqual({ text: 'Worn 24', ownId: 7 });
    expect(threadOf([{ kind: 'threadToCut', text: 'M12' }] as Schemas['Extra'][])).toEqual({ text: 'M12', ownId: 0 });
  });

  test('is the proposed one until somebody names another, which is taken as it stands', async () => {
    const told = vi.fn();
    const { hands } = show(<ThreadChoice chosen={undefined} cut={cut} refused={undefined} onThread={told} />);
    expect(box().value).toBe('M12×1.75');
    expect(screen.getByText(/Proposed: the first one this cutter can make/)).toBeTruthy();
    await hands.clear(box());
    await hands.type(box(), ' 1/2-13 ');
    await hands.tab();
    expect(told).toHaveBeenCalledWith({ text: '1/2-13', ownId: 0 });
  });

  test('goes back to the proposal by Escape or by nothing, and what is not changed is not told', async () => {
    const told = vi.fn();
    const { hands } = show(<ThreadChoice chosen={{ text: 'M10', ownId: 0 }} cut={cut} refused={undefined} onThread={told} />);
    await hands.click(box());
    await hands.tab();
    expect(told).not.toHaveBeenCalled();
    await hands.clear(box());
    await hands.tab();
    expect(told).toHaveBeenLastCalledWith(undefined);
    await hands.click(box());
    await hands.keyboard('{Escape}');
    expect(told).toHaveBeenLastCalledWith(undefined);
  });

  test('says at the box why it was refused, and links to its page', () => {
    show(<ThreadChoice chosen={{ text: 'Worn 24', ownId: 7 }} cut={cut} refused={undefined} onThread={vi.fn()} />);
    expect(screen.getByRole('link', { name: 'its page' }).getAttribute('href')).toBe('/shop/threads/7');
    show(<ThreadChoice chosen={{ text: 'bolt', ownId: 0 }} cut={undefined} refused="“bolt” names no thread." onThread={vi.fn()} />);
    expect(screen.getByRole('alert').textContent).toBe('“bolt” names no thread.');
  });
});

test('every infeed stands in its row, and the heaviest is marked', () => {
  const infeed = (number: number, force: number) => ({
    number,
    depth: 0.2 * number,
    infeedDepth: 0.2,
    shift: -0.1,
    section: 0.1,
    chip: 0.08,
    force,
    passive: 80,
    power: 1,
    outline: [],
  });
  const course = {
    kind: 'infeedCourse',
    infeeds: [infeed(1, 500), infeed(2, 900), infeed(3, 700)],
    pitch: 1.5,
    height: 0.6,
    towardsChuck: true,
    clockwise: false,
  };
  show(<Infeeds result={{ attachments: [course] } as unknown as Schemas['CalculationResult']} />);
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows).toHaveLength(3);
  expect(rows.map((r) => r.classList.contains('best'))).toEqual([false, true, false]);
  expect(rows[1]!.textContent).toContain('900');
});
