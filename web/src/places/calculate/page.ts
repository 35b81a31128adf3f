import type { Schemas } from '../../api/client';
import type { AssemblySheet, Cutter } from '../../parts/shelf';
import type { UnitFormat } from '../../parts/units';
import type { Setter, Typed } from '../../parts/NumberField';
import type { Inputs } from './address';
import type { Address } from './useAddress';
import type { Situation } from './useSituation';

export type Operation = Schemas['OperationDescription'];
export type Result = Schemas['CalculationResult'];
export type Picture = Operation['picture'];
export type FigureCode = Schemas['Figure']['code'];
export type FieldCode = Schemas['FieldDescription']['code'];
export type LimitKind = Schemas['JudgedLimit']['kind'];

/** What a picture is drawn from: a calculation, as it stands or as a record keeps it. */
export interface Shown {
  operation: Operation;
  result: Result;
  cutter: Cutter;
  assembly: AssemblySheet;
  extras: readonly Schemas['Extra'][];
}

/** What turns, fields on a picture and extras are given beside it: the ways to change it. */
export interface Page extends Shown {
  situation: Situation;
  body: Schemas['CalculationRequest'];
  refused: Record<string, string>;
  address: Address;
  /** Takes values nobody typed over into their fields. */
  take: (numbers: Record<string, number>, step: string) => void;
}

/** Values nobody typed, each as it would be typed into its field. */
export const asTyped = (numbers: Record<string, number>, operation: Operation, units: UnitFormat, by?: Setter): Inputs =>
  Object.fromEntries(
    Object.entries(numbers).map(([code, base]) => {
      const { quantity } = operation.fields.find((f) => f.code === code)!;
      return [code, { text: units.editable(base, quantity), system: units.system, base, ...(by && { by }) }];
    }),
  );

/** Puts what was typed in a field into the address, or gives the field's proposal back. */
export const typeInto = (address: Address, code: string, typed: Typed | undefined) =>
  address.change(`n.${code}`, ({ numbers }) => {
    const others = Object.entries(numbers).filter(([other]) => other !== code);
    return { numbers: typed ? { ...numbers, [code]: typed } : Object.fromEntries(others) };
  });
