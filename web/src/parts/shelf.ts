import { useQuery } from '@tanstack/react-query';
import { client, data, type Schemas } from '../api/client';

export type CutterSheet = Schemas['SheetOfCutter'];
export type HolderSheet = Schemas['SheetOfHolder'];
export type AssemblySheet = Schemas['SheetOfAssembly'];

export const useCutters = () => useQuery({ queryKey: ['cutters'], queryFn: () => data(client.GET('/api/v1/library/cutters')) });
export const useHolders = () => useQuery({ queryKey: ['holders'], queryFn: () => data(client.GET('/api/v1/library/holders')) });
export const useAssemblies = () => useQuery({ queryKey: ['assemblies'], queryFn: () => data(client.GET('/api/v1/library/assemblies')) });
export const useMaterials = () => useQuery({ queryKey: ['materials'], queryFn: () => data(client.GET('/api/v1/shop/materials')) });
export const useMachines = () => useQuery({ queryKey: ['machines'], queryFn: () => data(client.GET('/api/v1/shop/machines')) });
export const useCharts = () => useQuery({ queryKey: ['charts'], queryFn: () => data(client.GET('/api/v1/shop/charts')) });
export const useOperations = () =>
  useQuery({ queryKey: ['operations'], queryFn: () => data(client.GET('/api/v1/operations')), staleTime: Infinity });

export const byId = <T extends { id: number }>(sheets: readonly T[] | undefined): Map<number, T> =>
  new Map((sheets ?? []).map((s) => [s.id, s]));

export const cuttingMaterialWords: Record<string, string> = { carbide: 'carbide', highSpeedSteel: 'HSS' };
export const cutterWords = (c: Schemas['Cutter'], size: (mm: number) => string): string =>
  `Ø${size(c.cuttingDiameter)} ${teethWords(c.teeth)} square end mill`;
const teethWords = (z: number) => `${['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'][z] ?? z}-flute`;
