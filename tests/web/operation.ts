import type { Schemas } from '../../web/src/api/client';

type Field = Schemas['OperationDescription']['fields'][number];

const field = (code: string, name: string, symbol: string, group: string, quantity: Schemas['Quantity'], least = 0.001, most = 500) =>
  ({ code, name, symbol, group, quantity, least, most }) as Field;

/** A milling operation in short, as the server describes one. */
export const OPERATION = {
  code: 'side-rough',
  name: 'Rough side milling',
  families: ['squareEndMill'],
  fields: [
    field('widthOfCut', 'Width, at most', 'a_e', 'Across', 'length'),
    field('depthOfCut', 'Depth, at most', 'a_p', 'Deep', 'length'),
    field('cuttingSpeed', 'Cutting speed', 'v_c', 'Fast', 'cuttingSpeed'),
    field('feedPerTooth', 'Feed per tooth', 'f_z', 'Per tooth', 'chip'),
    field('toolLife', 'Tool life wanted', 'T_L', 'Pace', 'time'),
  ],
  options: [
    {
      code: 'ways',
      name: 'Passes',
      group: 'Across',
      default: 'one-way',
      picks: [
        { code: 'one-way', words: 'one way' },
        { code: 'both-ways', words: 'to and fro' },
      ],
    },
  ],
  picture: 'wall',
  extras: [],
  free: ['widthOfCut', 'depthOfCut', 'cuttingSpeed', 'feedPerTooth'],
  loadOverTurn: true,
  feedInStep: false,
} as unknown as Schemas['OperationDescription'];

type State = Schemas['FieldState'];

export const state = (code: string, value: number, change: Partial<State> = {}): State =>
  ({ code, value, origin: 'proposed', proposed: value, least: null, most: null, mostBy: null, note: null, used: true, ...change }) as State;

/** What the server answered for it. */
export const RESULT = {
  operation: 'side-rough',
  fields: [
    state('widthOfCut', 3, {
      note: { template: '{0} × D', measures: [{ value: 0.25, quantity: 'ratio' }] },
      most: 3.02,
      mostBy: 'deflection',
    }),
    state('depthOfCut', 15, {
      origin: 'held',
      most: 15.05,
      mostBy: 'deflection',
      note: { template: 'held from {0} by: deflection at the tip', measures: [{ value: 18, quantity: 'length' }] },
    }),
    state('cuttingSpeed', 200, { origin: 'typed', proposed: 190, least: 1.9, most: 445.6, mostBy: 'powerContinuous' }),
    state('feedPerTooth', 0.062, { most: null, mostBy: 'deflection' }),
    state('toolLife', 0, { used: false }),
  ],
  options: { ways: 'one-way' },
  figures: [],
  limits: [
    { kind: 'deflection', name: 'Deflection at the tip', use: 0.99, used: 59, allowed: 60, quantity: 'deviation', isLeast: false },
    { kind: 'powerContinuous', name: 'Power, continuous', use: 0.3, used: 3, allowed: 11, quantity: 'power', isLeast: false },
  ],
  findings: [],
  givens: [],
  steps: [],
  stages: [],
} as unknown as Schemas['CalculationResult'];
