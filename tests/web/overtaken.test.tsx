// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { Overtaken } from '../../web/src/places/calculate/Overtaken';
import { show } from './shown';

const record = (state: Schemas['RecordState'], version: number) =>
  ({
    number: 'R-0011',
    revisions: [
      { number: 3, state: 'discarded', version: 9, events: [], proposedBy: 'x' },
      { number: 2, state, version, events: [{ by: 'ines', act: 'edit', at: '', reason: '' }], proposedBy: 'maren' },
    ],
  }) as unknown as Schemas['RecordView'];

describe('a draft that somebody else saved meanwhile', () => {
  test('can be saved over with the version that stands there now', async () => {
    const onMine = vi.fn();
    const { hands } = show(<Overtaken theirs={record('draft', 7)} saving={false} onMine={onMine} />);
    await hands.click(screen.getByRole('button', { name: /Save mine over ines/ }));
    expect(onMine).toHaveBeenCalledWith('7');
    expect(screen.getByRole('link', { name: /Look at theirs/ }).getAttribute('href')).toBe('/records/R-0011');
  });

  test('is not saved over once it is no draft any more', () => {
    show(<Overtaken theirs={record('inReview', 7)} saving={false} onMine={vi.fn()} />);
    expect(screen.queryByRole('button', { name: /Save mine/ })).toBeNull();
    expect(screen.getByText(/no draft any more/)).toBeTruthy();
  });
});
