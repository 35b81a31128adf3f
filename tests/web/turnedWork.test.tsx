// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { useState } from 'react';
import { beforeAll, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { readAddress, writeAddress, type Chosen } from '../../web/src/places/calculate/address';
import type { Result } from '../../web/src/places/calculate/page';
import { GoOn } from '../../web/src/places/calculate/turning/GoOn';
import { Outline } from '../../web/src/places/calculate/turning/Outline';
import { still } from '../../web/src/places/calculate/useAddress';
import { show } from './shown';

const STEPS: Schemas['OutlineStep'][] = Array.from({ length: 8 }, (_, i) => ({ diameter: 20 + 2 * i, length: 10 }));

function Kept({ refused }: { refused?: Record<string, string> }) {
  const [steps, setSteps] = useState(STEPS.map((s, i) => (i === 2 ? { ...s, to: 26, chamfer: 1.5 } : s)));
  return <Outline steps={steps} start={STEPS[0]!} refused={refused ?? {}} onSteps={setSteps} />;
}

describe('a long outline', () => {
  test('has a line for each step, and opens the one that is worked on', async () => {
    const { hands } = show(<Kept />);
    expect(screen.getByRole('button', { name: 'Open step 3' }).textContent).toBe('3 Ø24 to Ø26 × 10, chamfer 1.5');
    expect(screen.queryByLabelText('Ø of step 3')).toBeNull();
    await hands.click(screen.getByRole('button', { name: 'Open step 3' }));
    const length = screen.getByLabelText('Length of step 3');
    await hands.clear(length);
    await hands.type(length, '7+5');
    await hands.tab();
    await hands.click(screen.getByRole('button', { name: 'Remove step 3' }));
    expect(screen.getByRole('button', { name: 'Open step 3' }).textContent).toBe('3 Ø26 × 10');
    await hands.click(screen.getByRole('button', { name: 'Add a step' }));
    expect(screen.getByLabelText('Ø of step 8')).toHaveProperty('value', '34');
  });

  test('shows a step that is refused as it stands', () => {
    show(<Kept refused={{ 'turnedOutline[5].length': 'too long' }} />);
    expect(screen.getByLabelText('Length of step 6')).toBeTruthy();
    expect(screen.queryByLabelText('Length of step 5')).toBeNull();
  });
});

const OPERATIONS = ['turn-rough', 'turn-finish', 'turn-groove'].map((code) => ({
  code,
  name: { 'turn-rough': 'Rough turning', 'turn-finish': 'Finish turning', 'turn-groove': 'Grooving' }[code],
  fields: [{ code: 'startDiameter', quantity: 'length' }],
}));

const goingOn = (operation: string, words: string): Result =>
  ({
    attachments: [{ kind: 'goesOn', steps: [{ operation, words, numbers: { startDiameter: 30.8 }, options: {}, withOutline: true }] }],
  }) as unknown as Result;

function Work({ begin, next }: { begin: string; next: [operation: string, words: string] }) {
  const [chosen, setChosen] = useState<Chosen>(readAddress(begin));
  const address = {
    ...still(chosen),
    change: (_: string, to: Partial<Chosen> | ((c: Chosen) => Partial<Chosen>)) =>
      setChosen((c) => ({ ...c, ...(typeof to === 'function' ? to(c) : to) })),
    replace: (_: string, to: Chosen) => setChosen(to),
  };
  return (
    <>
      <output>{writeAddress(chosen)}</output>
      <GoOn address={address} result={goingOn(...next)} />
    </>
  );
}

describe('the steps of one work', () => {
  beforeAll(() => {
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe = () => {};
        unobserve = () => {};
        disconnect = () => {};
      },
    );
  });
  const offered = async (hands: ReturnType<typeof show>['hands']) => {
    await hands.click(screen.getByRole('combobox', { name: 'Go on with this work' }));
    return [...document.querySelectorAll('.ant-select-item-option')].map((o) => o.textContent);
  };
  const showWork = (begin: string, next: [string, string]) => {
    const shown = show(<Work begin={begin} next={next} />);
    shown.queries.setQueryData(['operations'], OPERATIONS);
    return shown;
  };
  const choose = (hands: ReturnType<typeof show>['hands'], words: string) =>
    hands.click(within(document.querySelector('.ant-select-dropdown')!).getByText(words));
  const here = () => readAddress(screen.getByRole('status').textContent);

  test('are kept in their order, with what each was', async () => {
    const { hands } = showWork('op=turn-rough&n.depthOfCut=2.5~mm~2.5&outline=30~20', ['turn-finish', 'finish turning']);
    expect(await offered(hands)).toEqual(['finish turning']);
    await choose(hands, 'finish turning');
    expect(here().operation).toBe('turn-finish');
    expect(here().outline).toEqual([{ diameter: 30, length: 20 }]);
    expect(here().numbers.startDiameter?.base).toBe(30.8);
    expect(await offered(hands)).toEqual(['1 rough turning', 'finish turning']);
    await choose(hands, '1 rough turning');
    expect(here().operation).toBe('turn-rough');
    expect(here().outline).toEqual([{ diameter: 30, length: 20 }]);
    expect(here().step).toMatch(/\.1$/);
  });

  test('of another work, or that cannot be read, are not taken for those of this one', async () => {
    localStorage.setItem('steps of the work', JSON.stringify([{ work: 'other', operation: 'turn-rough', address: 'op=turn-rough' }]));
    const first = showWork('op=turn-finish&step=this.2', ['turn-groove', 'a groove']);
    expect(await offered(first.hands)).toEqual(['a groove']);
    localStorage.setItem('steps of the work', '{"not":"a list"');
    first.again(<Work begin="op=turn-finish&step=other.2" next={['turn-groove', 'a groove']} />);
    expect(screen.getByRole('combobox', { name: 'Go on with this work' })).toBeTruthy();
  });
});
