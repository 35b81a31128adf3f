import type { Schemas } from '../../web/src/api/client';
import { UnitFormat, type UnitSystem } from '../../web/src/parts/units';

const length = (decimals: number, inch: number) => ({
  metric: { unit: 'mm', perBase: 1, decimals },
  inch: { unit: 'in', perBase: 25.4, decimals: inch },
});

/** The units these tests need, as the server gives them. */
export const TABLE = [
  { quantity: 'length', ...length(2, 4) },
  { quantity: 'chip', ...length(4, 5) },
  { quantity: 'deviation', metric: { unit: 'µm', perBase: 1, decimals: 1 }, inch: { unit: 'µin', perBase: 0.0254, decimals: 0 } },
  { quantity: 'cuttingSpeed', metric: { unit: 'm/min', perBase: 1, decimals: 1 }, inch: { unit: 'ft/min', perBase: 0.3048, decimals: 0 } },
  { quantity: 'spindleSpeed', metric: { unit: 'rev/min', perBase: 1, decimals: 0 }, inch: { unit: 'rev/min', perBase: 1, decimals: 0 } },
  { quantity: 'feedRate', metric: { unit: 'mm/min', perBase: 1, decimals: 0 }, inch: { unit: 'in/min', perBase: 25.4, decimals: 1 } },
  { quantity: 'angle', metric: { unit: '°', perBase: 1, decimals: 1 }, inch: { unit: '°', perBase: 1, decimals: 1 } },
  { quantity: 'time', metric: { unit: 'min', perBase: 1, decimals: 2 }, inch: { unit: 'min', perBase: 1, decimals: 2 } },
  { quantity: 'duration', metric: { unit: 's', perBase: 1, decimals: 1 }, inch: { unit: 's', perBase: 1, decimals: 1 } },
  { quantity: 'power', metric: { unit: 'kW', perBase: 1, decimals: 2 }, inch: { unit: 'hp', perBase: 0.745699872, decimals: 2 } },
  {
    quantity: 'removalRate',
    metric: { unit: 'cm³/min', perBase: 1, decimals: 1 },
    inch: { unit: 'in³/min', perBase: 16.387064, decimals: 2 },
  },
  { quantity: 'ratio', metric: { unit: '', perBase: 1, decimals: 3 }, inch: { unit: '', perBase: 1, decimals: 3 } },
  { quantity: 'force', metric: { unit: 'N', perBase: 1, decimals: 0 }, inch: { unit: 'lbf', perBase: 4.4482216152605, decimals: 0 } },
] as Schemas['QuantityUnits'][];

export const unitsIn = (system: UnitSystem) => new UnitFormat(TABLE, system);
