// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { Derivation } from '../../web/src/parts/Derivation';
import { Findings } from '../../web/src/parts/Findings';
import { LimitLadder } from '../../web/src/parts/LimitLadder';
import { Figures } from '../../web/src/places/calculate/Figures';
import { show, switchUnits } from './shown';

const limit = (kind: string, use: number | null, more: Partial<Schemas['JudgedLimit']> = {}) =>
  ({
    kind,
    name: kind[0]!.toUpperCase() + kind.slice(1),
    used: 6,
    allowed: use === null ? null : 6 / use,
    use,
    quantity: 'power',
    isLeast: false,
    ...more,
  }) as Schemas['JudgedLimit'];

describe('the limit ladder', () => {
  test('gives every bar its number, and marks what is over', () => {
    show(<LimitLadder limits={[limit('power', 1.2), limit('torque', 0.5)]} />);
    const [over, inside] = document.querySelectorAll<HTMLElement>('.rung');
    expect(within(over!).getByText('120%')).toBeTruthy();
    expect(within(over!).getByText('6.00 of 5.00 kW')).toBeTruthy();
    expect([over!.classList.contains('over'), inside!.classList.contains('over')]).toEqual([true, false]);
    expect(over!.querySelector('i')!.style.width).toBe('100%');
    expect(inside!.querySelector('i')!.style.width).toBe('50%');
  });

  test('keeps the room there is apart from the load, below it unless something does not fit', () => {
    const { again } = show(<LimitLadder limits={[limit('grip', 0.9), limit('powerContinuous', 0.5)]} />);
    const rungs = () => [...document.querySelectorAll('.rung')].map((r) => r.getAttribute('data-limit'));
    expect(screen.getAllByRole('heading').map((h) => h.textContent)).toEqual([
      'Limits of the cut, tightest first',
      'Limits of the room it has',
    ]);
    expect(rungs()).toEqual(['powerContinuous', 'grip']);
    again(<LimitLadder limits={[limit('reach', 1.1), limit('powerContinuous', 0.5)]} />);
    expect(rungs()).toEqual(['reach', 'powerContinuous']);
    again(<LimitLadder limits={[limit('powerContinuous', 1.2), limit('reach', 1.1)]} />);
    expect(rungs()).toEqual(['powerContinuous', 'reach']);
  });

  test('says which could not be judged, and what a least means', () => {
    show(<LimitLadder limits={[limit('chip', 0.9, { isLeast: true, quantity: 'length', used: 2, allowed: 1.8 }), limit('whirl', null)]} />);
    expect(screen.getByText('2.00, least 1.80 mm')).toBeTruthy();
    expect(screen.getByText('Not judged for lack of data: whirl.')).toBeTruthy();
  });

  test('names those that do not fit instead of dropping them', () => {
    show(<LimitLadder most={1} limits={[limit('power', 0.9), limit('torque', 0.25)]} />);
    expect(document.querySelectorAll('.rung')).toHaveLength(1);
    expect(screen.getByText('Further below: torque 25%.')).toBeTruthy();
  });
});

describe('findings', () => {
  const findings = [
    {
      code: 'held',
      severity: 'stop',
      text: {
        template: 'Depth {0} exceeds {1}.',
        measures: [
          { value: 25.4, quantity: 'length' },
          { value: 12.7, quantity: 'length' },
        ],
      },
      cure: 'Take less.',
    },
    { code: 'thin', severity: 'info', text: { template: 'h_m is small.', measures: [] }, cure: '' },
  ] as Schemas['Finding'][];

  test('speak in the units shown, gravest first, with their cure', async () => {
    const { hands } = show(<Findings findings={findings} />);
    expect(screen.getAllByRole('listitem').map((l) => l.textContent.trim())).toEqual([
      'Stop. Depth 25.40 mm exceeds 12.70 mm. Take less.',
      'Good to know. hm is small.',
    ]);
    await switchUnits(hands);
    expect(screen.getByText(/Depth 1.0000 in exceeds 0.5000 in/)).toBeTruthy();
  });

  test('say so when there are none', () => {
    show(<Findings findings={[]} />);
    expect(screen.getByText(/every limit is kept/)).toBeTruthy();
  });

  test('never say that all is well beside a refused value', () => {
    show(<Findings findings={[]} refused />);
    expect(screen.queryByText(/every limit is kept/)).toBeNull();
    expect(screen.getByText(/are from before it/)).toBeTruthy();
  });
});

describe('figures and their derivation', () => {
  const result = {
    figures: [
      { code: 'spindleSpeed', symbol: 'n', name: 'Spindle speed', value: 3979, quantity: 'spindleSpeed', rank: 'large' },
      { code: 'time', symbol: 'T', name: 'Time', value: 1.5, quantity: 'time', rank: 'large' },
      { code: 'power', symbol: 'P_c', name: 'Cutting power', value: 4.2, quantity: 'power', rank: 'row' },
      { code: 'width', symbol: 'a_e', name: 'Width', value: 1, quantity: 'length', rank: 'behind' },
    ],
    givens: [{ symbol: 'K_γ', name: 'Factor of the rake', value: 1.02, quantity: 'ratio', from: 'cutter E-12, revision 2' }],
    steps: [
      {
        formula: { symbol: 'n', name: 'Spindle speed', quantity: 'spindleSpeed', expression: '1000*v_c/(pi*D_e)', source: 'definition' },
        value: 3979,
        terms: [
          { symbol: 'v_c', value: 150 },
          { symbol: 'D_e', value: 12 },
        ],
      },
      {
        formula: {
          symbol: 'P_c',
          name: 'Cutting power',
          quantity: 'power',
          expression: 'K_γ*sqrt(n)-abs(θ)',
          source: 'Kienzle and Victor',
        },
        value: 4.2,
        terms: [
          { symbol: 'K_γ', value: 1.02 },
          { symbol: 'n', value: 3979 },
        ],
      },
    ],
  } as unknown as Schemas['CalculationResult'];

  test('large ones stand large, those behind do not stand at all, and each answers why', async () => {
    const why = vi.fn();
    const { hands } = show(<Figures result={result} onWhy={why} />);
    expect([...document.querySelectorAll('.big [data-figure]')].map((f) => f.getAttribute('data-figure'))).toEqual([
      'spindleSpeed',
      'time',
    ]);
    expect(document.querySelector('[data-figure="time"] b')!.textContent).toBe('1:30');
    expect(document.querySelector('[data-figure="width"]')).toBeNull();
    await hands.click(screen.getByRole('button', { name: /^Why: Cutting power/ }));
    expect(why).toHaveBeenCalledWith('P_c');
  });

  test('a derivation that was asked for what it has not says so', () => {
    show(<Derivation result={result} symbol="x_y" />);
    expect(screen.getByText(/No step of this calculation works out/).textContent).toContain('xy');
  });

  test('the large figures are announced as they change', () => {
    show(<Figures result={result} onWhy={() => {}} />);
    expect(screen.getByRole('status').textContent).toBe('Spindle speed 3979 rev/min, Time 1:30 min');
  });

  test('figures of a record that does not rank them still stand in order', () => {
    show(<Figures result={{ ...result, figures: result.figures.map((f) => ({ ...f, rank: undefined as never })) }} />);
    expect(document.querySelectorAll('.big [data-figure]')).toHaveLength(2);
    expect(screen.queryByRole('button', { name: /Why/ })).toBeNull();
  });

  test('the derivation sets symbols of any alphabet, and says where a value came from', () => {
    Element.prototype.scrollIntoView = vi.fn();
    show(<Derivation result={result} symbol="P_c" />);
    const steps = screen.getAllByRole('listitem');
    expect(steps[0]!.querySelector('.expression')!.textContent).toBe('1000·vc/(π·De)');
    expect([...steps[1]!.querySelectorAll('.expression .sym')].map((s) => s.innerHTML)).toEqual(['K<sub>γ</sub>', 'n', 'θ']);
    expect(steps[1]!.querySelector('.expression')!.textContent).toBe('Kγ·√(n)−abs(θ)');
    expect(steps[1]!.textContent).toContain('cutter E-12, revision 2');
    expect(steps.map((s) => s.dataset.asked)).toEqual(['false', 'true']);
  });
});
