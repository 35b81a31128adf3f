// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../../web/src/api/client';
import { NOTHING as EMPTY, type Chosen } from '../../web/src/places/calculate/address';
import { Choices } from '../../web/src/places/calculate/Choices';
import { still, useAddress } from '../../web/src/places/calculate/useAddress';
import { OPERATION, RESULT } from './operation';
import { show, switchUnits } from './shown';

const at = (chosen: Partial<Chosen> = {}) => still({ ...EMPTY, ...chosen });
const NOTHING = { refused: {}, address: at(), turnsWork: false };
const box = (name: RegExp) => screen.getByRole<HTMLInputElement>('textbox', { name });
const under = (name: RegExp) => document.getElementById(box(name).getAttribute('aria-describedby')!)!.textContent;

describe('the choices of an operation', () => {
  test('stand in the groups of its description, with the range that keeps the limits and where a value comes from', () => {
    show(<Choices operation={OPERATION} result={RESULT} {...NOTHING} />);
    expect(screen.getAllByRole('heading', { level: 3 }).map((h) => h.textContent)).toEqual(['Across', 'Deep', 'Fast', 'Per tooth']);
    expect(under(/Width/)).toBe('0.25 × D · to 3.02 by deflection');
    expect(under(/Depth/)).toBe('held from 18.00 mm by: deflection at the tip · to 15.05 by deflection');
    expect(under(/Cutting speed/)).toBe('proposed 190.0 · 1.9 to 445.6 by power');
    expect(under(/Feed per tooth/)).toBe('no value keeps the deflection');
  });

  test('speak in the units shown', async () => {
    const { hands } = show(<Choices operation={OPERATION} result={RESULT} {...NOTHING} />);
    await switchUnits(hands);
    expect(under(/Width/)).toBe('0.25 × D · to 0.1189 by deflection');
    expect(box(/Width/).value).toBe('0.11811');
  });

  test('leave out what does not matter here, unless something was typed there', () => {
    const { again } = show(<Choices operation={OPERATION} result={RESULT} {...NOTHING} />);
    expect(screen.queryByLabelText(/Tool life/)).toBeNull();
    again(
      <Choices
        operation={OPERATION}
        result={RESULT}
        {...NOTHING}
        address={at({ numbers: { toolLife: { text: '30', system: 'mm', base: 30 } } })}
      />,
    );
    expect(box(/Tool life/).value).toBe('30');
  });

  test('say at its box why a value was refused', () => {
    show(
      <Choices operation={OPERATION} result={RESULT} {...NOTHING} refused={{ depthOfCut: 'Depth is 99 mm; it must lie below 26 mm.' }} />,
    );
    expect(screen.getByRole('alert').textContent).toBe('Depth is 99 mm; it must lie below 26 mm.');
    expect(box(/Depth/).getAttribute('aria-invalid')).toBe('true');
  });

  test('a field of the drawing stands here only while there is no drawing, and never moves away from under the cursor', async () => {
    const type = vi.fn();
    function Page({ result }: { result?: Schemas['CalculationResult'] }) {
      const address = useAddress();
      type(address.chosen.numbers.depthOfCut?.base);
      return <Choices operation={OPERATION} result={result} {...NOTHING} address={address} elsewhere={new Set(['depthOfCut'])} />;
    }
    const { hands, again } = show(<Page />);
    await hands.click(box(/Depth/));
    await hands.keyboard('2');
    again(<Page result={RESULT} />);
    await hands.keyboard('1');
    expect(type).toHaveBeenLastCalledWith(21);
    await hands.tab();
    expect(screen.queryByRole('textbox', { name: /Depth/ })).toBeNull();
  });
});
