// @vitest-environment jsdom
import { renderHook, act, screen, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { Tray } from '../../web/src/places/calculate/Tray';
import { readAddress } from '../../web/src/places/calculate/address';
import { MOST_PINNED, useTray, type Pinned } from '../../web/src/places/calculate/useTray';
import { show } from './shown';

const pinned = (name: string): Pinned => ({
  name,
  address: `op=side-rough&n.widthOfCut=${name.length}`,
  alternative: { operation: 'side-rough', request: { materialId: 1, assemblyId: 1, machineId: 1, numbers: {}, options: {} } },
});

const kept = () => JSON.parse(localStorage.getItem('tray')!) as Pinned[];

describe('what the tray keeps', () => {
  test('up to eight, each under a name of its own, also for the next page', () => {
    const { result } = renderHook(() => useTray());
    for (let i = 0; i < MOST_PINNED + 1; i++) act(() => result.current.pin(pinned('A-1042')));
    expect(result.current.pinned.map((p) => p.name).slice(0, 3)).toEqual(['A-1042', 'A-1042 (2)', 'A-1042 (3)']);
    expect(result.current.pinned).toHaveLength(MOST_PINNED);
    expect(result.current.full).toBe(true);
    act(() => result.current.rename(1, 'thin'));
    act(() => result.current.unpin(0));
    expect(renderHook(() => useTray()).result.current.pinned[0]!.name).toBe('thin');
    act(() => result.current.clear());
    expect(renderHook(() => useTray()).result.current.pinned).toEqual([]);
  });

  test('what another window pinned meanwhile stands beside what is pinned here, and is seen here', () => {
    const { result } = renderHook(() => useTray());
    act(() => result.current.pin(pinned('here')));
    localStorage.setItem('tray', JSON.stringify([...kept(), pinned('there')]));
    act(() => result.current.pin(pinned('here again')));
    expect(kept().map((p) => p.name)).toEqual(['here', 'there', 'here again']);
    act(() => {
      localStorage.setItem('tray', JSON.stringify([pinned('only there')]));
      window.dispatchEvent(new StorageEvent('storage', { key: 'tray' }));
    });
    expect(result.current.pinned.map((p) => p.name)).toEqual(['only there']);
  });

  test('nothing, where what was kept cannot be read', () => {
    localStorage.setItem('tray', '{not json');
    expect(renderHook(() => useTray()).result.current.pinned).toEqual([]);
  });
});

describe('alternatives side by side', () => {
  const figure = (code: string, value: number, quantity = 'length') =>
    ({ code, name: code, symbol: code[0], value, quantity }) as Schemas['Figure'];
  const got = (time: number, rate: number, tightest: string, findings: [Schemas['Severity'], string][] = [], work = 'wall') =>
    ({
      work,
      keeps: findings.every(([severity]) => severity !== 'stop'),
      result: {
        figures: [figure('time', time, 'time'), figure('removalRate', rate, 'removalRate'), figure('width', 2)],
        limits: [{ kind: tightest, name: `The ${tightest}`, use: 0.91 }],
        findings: findings.map(([severity, template]) => ({ code: 'x', severity, text: { template, measures: [] }, cure: '' })),
      },
      faults: [],
    }) as unknown as Schemas['ComparedAlternative'];

  function laidOut(answers: Schemas['ComparedAlternative'][]) {
    const tray = ['one', 'two', 'three'].slice(0, answers.length).map(pinned);
    localStorage.setItem('tray', JSON.stringify(tray));
    const goOn = { replace: vi.fn() };
    const shown = show(<p />);
    shown.queries.setQueryData(['operations'], []);
    const ask = (names: string[]) => names.map((name, i) => ({ ...tray[i]!.alternative, name }));
    shown.queries.setQueryData(['comparison', ask(tray.map((p) => p.name))], answers);
    if (answers.length === 2) shown.queries.setQueryData(['comparison', ask(['one!', 'two'])], answers);
    if (answers.length === 2) shown.queries.setQueryData(['comparison', ask(['two'])], answers.slice(1));
    shown.again(<Tray goOn={goOn} />);
    const cells = (words: RegExp) => within(screen.getByRole('row', { name: words })).getAllByRole('cell');
    return { ...shown, tray, goOn, cells };
  }

  test('the best of a row is marked, and each says how far it is from the first', () => {
    const { cells } = laidOut([got(2, 30, 'power'), got(1.5, 30.006, 'torque'), got(2.5, 60, 'power')]);
    expect(cells(/^time/).map((c) => c.textContent)).toEqual(['2:00', '1:30−25 %', '2:30+25 %']);
    expect(cells(/^time/).map((c) => c.className)).toEqual(['', 'best', '']);
    expect(cells(/^removalRate/).map((c) => c.textContent)).toEqual(['30.0', '30.0', '60.0+100 %']);
    expect(cells(/^removalRate/).map((c) => c.className)).toEqual(['', '', 'best']);
    expect(cells(/^width/).every((c) => c.className === '')).toBe(true);
    expect(cells(/Tightest limit/).map((c) => c.textContent)).toEqual(['the power 91 %', 'the torque 91 %', 'the power 91 %']);
  });

  test('one that must not be run is never the best, and says why', () => {
    const { cells } = laidOut([
      got(2, 30, 'power'),
      got(1, 60, 'power', [
        ['stop', 'The holder goes into the work.'],
        ['info', 'By the way.'],
      ]),
      got(3, 20, 'power', [['caution', 'The edge rubs.']]),
    ]);
    expect(cells(/^time/).map((c) => c.className)).toEqual(['best', '', '']);
    expect(cells(/^removalRate/).map((c) => c.className)).toEqual(['best', '', '']);
    expect(cells(/Stops and cautions/).map((c) => c.textContent)).toEqual([
      'none',
      'Stop: The holder goes into the work.',
      'Caution: The edge rubs.',
    ]);
  });

  test('the best is looked for among those that do the same work as the first', () => {
    const { cells } = laidOut([got(2, 30, 'power'), got(1, 60, 'power', [], 'half the wall'), got(1.5, 40, 'power')]);
    expect(cells(/^time/).map((c) => c.className)).toEqual(['', '', 'best']);
    expect(screen.getByText(/Not all of these do the same work/)).toBeTruthy();
  });

  test('one that cannot be worked out says why, and hides nothing of the others', () => {
    const refused = { result: null, faults: [{ sentence: 'Depth is above 12 mm.' }] } as unknown as Schemas['ComparedAlternative'];
    const { cells } = laidOut([got(2, 30, 'power'), refused]);
    expect(cells(/Tightest limit/)[1]!.textContent).toBe('Depth is above 12 mm.');
    expect(cells(/^time/).map((c) => c.textContent)).toEqual(['2:00', '–']);
  });

  test('one is taken up again, renamed or unpinned', async () => {
    const { hands, tray, goOn } = laidOut([got(2, 30, 'power'), got(1, 60, 'power')]);
    await hands.click(screen.getByRole('button', { name: 'Go on with two' }));
    expect(goOn.replace).toHaveBeenCalledWith('tray', readAddress(tray[1]!.address));
    await hands.type(screen.getByLabelText('Name of alternative 1'), '!');
    expect(kept().map((p) => p.name)).toEqual(['one!', 'two']);
    await hands.click(screen.getByRole('button', { name: 'Unpin one!' }));
    expect(kept().map((p) => p.name)).toEqual(['two']);
  });

  test('an empty tray says what to do', () => {
    laidOut([]);
    expect(screen.getByText(/Pin what stands on the page/)).toBeTruthy();
  });
});
