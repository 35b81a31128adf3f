import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { client, data, type Schemas } from '../api/client';

export type Cutter = Schemas['Cutter'];
export type Holder = Schemas['Holder'];
export type Assembly = Schemas['Assembly'];
export type Family = Schemas['Family'];
export type CutterSheet = Schemas['SheetOfCutter'];
export type HolderSheet = Schemas['SheetOfHolder'];
export type AssemblySheet = Schemas['SheetOfAssembly'];
export type Built = Schemas['BuiltView'];

export const useMaterials = () => useQuery({ queryKey: ['materials'], queryFn: () => data(client.GET('/api/v1/shop/materials')) });
export const useMachines = () => useQuery({ queryKey: ['machines'], queryFn: () => data(client.GET('/api/v1/shop/machines')) });
export const useMethods = () => useQuery({ queryKey: ['methods'], queryFn: () => data(client.GET('/api/v1/shop/methods')) });
export const useCharts = () => useQuery({ queryKey: ['charts'], queryFn: () => data(client.GET('/api/v1/shop/charts')) });
export const useOperations = () =>
  useQuery({ queryKey: ['operations'], queryFn: () => data(client.GET('/api/v1/operations')), staleTime: Infinity });
export const useFamilies = () =>
  useQuery({ queryKey: ['families'], queryFn: () => data(client.GET('/api/v1/library/families')), staleTime: Infinity });

const FIXED: unknown[] = ['session', 'quantities', 'families', 'operations'];

/** Fetches anew what may look different after something was saved: lists, assemblies of a changed part, previews, records. */
export function useShelfChanged(): () => Promise<void> {
  const queries = useQueryClient();
  return () => queries.invalidateQueries({ predicate: (q) => !FIXED.includes(q.queryKey[0]) });
}

export type ListName = 'cutters' | 'holders' | 'assemblies';
export interface Row {
  sheet: CutterSheet | HolderSheet | AssemblySheet;
  assemblies: string[];
  machines: string[];
  approved: number;
}
export interface ListPage<R> {
  rows: R[];
  total: number;
  all: number;
  counts: Record<string, { value: string; count: number }[]>;
  mended: string[];
}
export interface RowOf {
  cutters: Row & { sheet: CutterSheet };
  holders: Row & { sheet: HolderSheet };
  assemblies: Row & { sheet: AssemblySheet };
}

/** One page of a list. The lists differ only in their rows, so one of them lends its type to all. */
export const fetchList = <L extends ListName>(list: L, query: Record<string, string | number>, signal?: AbortSignal) =>
  data(
    client.GET(`/api/v1/library/${list}` as '/api/v1/library/cutters', {
      params: { query: query as never },
      ...(signal && { signal }),
    }),
  ) as unknown as Promise<ListPage<RowOf[L]>>;

/** The first rows of a list for a picker, narrowed by what is typed into it. */
export const usePicks = <L extends ListName>(list: L, query: Record<string, string | number>, enabled = true) =>
  useQuery({
    queryKey: [list, 'picks', query],
    queryFn: ({ signal }) => fetchList(list, { take: 60, ...query }, signal),
    placeholderData: keepPreviousData,
    enabled,
  });

/** What a picker shows while it waits for the rows of what is typed: nothing that could be taken by mistake. */
export const pickedFrom = <R>(picks: { data?: ListPage<R> | undefined; isPlaceholderData: boolean }, typed: string): R[] =>
  typed && picks.isPlaceholderData ? [] : (picks.data?.rows ?? []);

/** One thing of the library by its identity. */
export const useSheet = <L extends ListName>(list: L, id: number | undefined) =>
  useQuery({
    queryKey: [list, id],
    queryFn: () =>
      data(
        client.GET(`/api/v1/library/${list}/{id}` as '/api/v1/library/cutters/{id}', { params: { path: { id: id! } } }),
      ) as unknown as Promise<RowOf[L]['sheet']>,
    enabled: Boolean(id),
  });

export const cuttingMaterialWords: Record<Schemas['CuttingMaterial'], string> = {
  carbide: 'carbide',
  highSpeedSteel: 'HSS',
  powderSteel: 'powder HSS',
  cermet: 'cermet',
  ceramic: 'ceramic',
  boronNitride: 'CBN',
  diamond: 'diamond',
};

/** A family's words from its code: squareEndMill is a square end mill. */
export const familyWords = (families: readonly Family[] | undefined, code: string | undefined): string =>
  families?.find((f) => f.code === code)?.name ?? (code ?? '').replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** A cutter as people call it: Ø12 four-flute square end mill, M10×1.5 cutting tap. */
export function cutterWords(
  c: Cutter,
  looks: Pick<Schemas['Looks'], 'thread'>,
  size: (mm: number) => string,
  families?: readonly Family[],
): string {
  const family = families?.find((f) => f.code === c.family);
  const called = sizeOf(c, families);
  const name = familyWords(families, c.family);
  if (looks.thread) return `${looks.thread} ${name}`;
  if (family?.shank === 'blade') return `${name}, ${size(called)} wide`;
  if (family?.use === 'turning' && c.dimensions?.CW) return `${name}, shank ${size(called)}, ${size(c.dimensions.CW)} wide`;
  if (family?.use === 'turning') return `${name}, shank ${size(called)}${c.picks?.insert ? `, insert ${c.picks.insert}` : ''}`;
  return family?.use === 'milling' ? `Ø${size(called)} ${teethWords(c.dimensions?.ZEFF ?? 0)} ${name}` : `Ø${size(called)} ${name}`;
}

/** The size a cutter is called by, mm. */
export const sizeOf = (c: Cutter | undefined, families?: readonly Family[]): number =>
  c?.dimensions?.[families?.find((f) => f.code === c.family)?.calledBy ?? 'DC'] ?? c?.dimensions?.DC ?? c?.dimensions?.DCX ?? 0;

const teethWords = (z: number) => `${['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'][z] ?? z}-flute`;
