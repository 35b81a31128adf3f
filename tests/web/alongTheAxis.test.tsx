// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { CrossHoles } from '../../web/src/places/calculate/holes/CrossHoles';
import { Stages } from '../../web/src/places/calculate/holes/Stages';
import { show, switchUnits } from './shown';
import { stage } from './stage';

const STAGES = [
  stage('approach', -10, -2, { rapid: true, coolant: false, speed: 0 }),
  stage('entry', -2, 11, { speed: -200, coolant: false, editable: true }),
  stage('full', 11, 90, { editable: true }),
];

function Kept({ told, refused }: { told: (edits: Schemas['StageEdit'][]) => void; refused?: Record<string, string> }) {
  const [edits, setEdits] = useState<Schemas['StageEdit'][]>([]);
  return (
    <Stages
      stages={STAGES}
      edits={edits}
      refused={refused ?? {}}
      onEdits={(next) => {
        told(next);
        setEdits(next);
      }}
    />
  );
}

const row = (words: RegExp) => screen.getByRole('row', { name: words });

describe('the table of stages', () => {
  test('changes what it may, stage by stage, and takes it back', async () => {
    const told = vi.fn();
    const { hands } = show(<Kept told={told} />);
    const speed = screen.getByLabelText('Speed of stage 2');
    await hands.click(speed);
    await hands.keyboard('-150');
    expect(told).toHaveBeenLastCalledWith([{ stage: 'entry', speed: -150, feedRate: null, coolant: null }]);
    await hands.click(screen.getByLabelText('Coolant in stage 3'));
    expect(told.mock.lastCall![0]).toHaveLength(2);
    expect(row(/Part entry/).className).toBe('changed');
    await hands.click(speed);
    await hands.keyboard('{Escape}');
    expect(told).toHaveBeenLastCalledWith([{ stage: 'full', speed: null, feedRate: null, coolant: false }]);
    await hands.click(screen.getByRole('button', { name: 'Take all changes back' }));
    expect(told).toHaveBeenLastCalledWith([]);
  });

  test('shows what cannot be changed as words, and the time of all', () => {
    show(<Kept told={() => {}} />);
    expect(within(row(/Part approach/)).queryByRole('textbox')).toBeNull();
    expect(within(row(/Part approach/)).getByText('rapid')).toBeTruthy();
    expect(screen.getByText(/In all 0:18 min/)).toBeTruthy();
  });

  test('says what was refused above the table', () => {
    show(<Kept told={() => {}} refused={{ 'edits.full': 'Full feed: leave the coolant on.', depth: 'not mine' }} />);
    expect(screen.getAllByRole('alert').map((a) => a.textContent)).toEqual(['Full feed: leave the coolant on.']);
  });

  test('is only read where nobody listens', () => {
    show(<Stages stages={STAGES} edits={[{ stage: 'full', speed: 2000, feedRate: null, coolant: null }]} />);
    expect(screen.queryByRole('textbox')).toBeNull();
    expect(row(/Part full/).className).toBe('changed');
    expect(screen.queryByRole('button', { name: 'Take all changes back' })).toBeNull();
  });
});

describe('crossing holes', () => {
  const start = { distance: 40, diameter: 10, angle: 90, offset: 0 };
  function Holes({ told, refused = {} }: { told: (holes: Schemas['CrossHole'][]) => void; refused?: Record<string, string> }) {
    const [holes, setHoles] = useState<Schemas['CrossHole'][]>([]);
    const onHoles = (next: Schemas['CrossHole'][]) => {
      told(next);
      setHoles(next);
    };
    return <CrossHoles holes={holes} start={start} refused={refused} onHoles={onHoles} />;
  }

  test('are added, typed as sums, and removed', async () => {
    const told = vi.fn();
    const { hands } = show(<Holes told={told} />);
    const add = screen.getByRole('button', { name: 'Add a crossing hole' });
    await hands.click(add);
    await hands.click(add);
    const [first, second] = screen.getAllByLabelText<HTMLInputElement>(/Depth of the crossing/);
    await hands.click(second!);
    await hands.keyboard('180-37.5');
    expect(told.mock.lastCall![0].map((h: { distance: number }) => h.distance)).toEqual([40, 142.5]);
    expect([first!.value, second!.value]).toEqual(['40', '180-37.5']);
    await hands.click(screen.getByRole('button', { name: 'Remove crossing hole 1' }));
    expect(told).toHaveBeenLastCalledWith([{ ...start, distance: 142.5 }]);
    await switchUnits(hands);
    expect(screen.getByLabelText<HTMLInputElement>(/Depth of the crossing/).value).toBe('5.61024');
  });

  test('say at which box they were refused', async () => {
    const { hands } = show(<Holes told={() => {}} refused={{ 'crossHoles[1].offset': 'Hole 2 never meets the bore.' }} />);
    const add = screen.getByRole('button', { name: 'Add a crossing hole' });
    await hands.click(add);
    await hands.click(add);
    const boxes = screen.getAllByLabelText(/Axes apart/);
    expect(boxes.map((b) => b.getAttribute('aria-invalid'))).toEqual(['false', 'true']);
    expect(screen.getByRole('alert').textContent).toBe('Hole 2 never meets the bore.');
  });
});
