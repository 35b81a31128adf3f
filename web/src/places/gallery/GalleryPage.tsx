import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { fetchList, useMachines, useMaterials, useOperations, type AssemblySheet } from '../../parts/shelf';
import { given, NOTHING } from '../calculate/address';
import type { Operation, Page, Result } from '../calculate/page';
import { PICTURES } from '../calculate/pictures/pictures';
import { still } from '../calculate/useAddress';
import { CASES, type Case } from './cases';

interface Shown {
  operation: Operation;
  assembly: AssemblySheet;
  name: Case;
  result: Result;
  body: Schemas['CalculationRequest'];
}

/**
 * Every picture of every operation, with every family of cutter it takes, at ordinary and at extreme values: for those who draw them. It is
 * there in the demo workshop only.
 */
export function GalleryPage() {
  const operations = useOperations();
  const materials = useMaterials();
  const machines = useMachines();
  const ready = operations.data && materials.data && machines.data;
  const welcome = useQuery({ queryKey: ['welcome'], queryFn: () => data(client.GET('/api/v1/session/welcome')) });
  const shown = useQuery({
    queryKey: ['gallery'],
    queryFn: () =>
      hang(
        operations.data!,
        materials.data!.map((m) => m.id),
        machines.data!.map((m) => m.id),
      ),
    enabled: Boolean(ready) && welcome.data?.demo === true,
    staleTime: Infinity,
  });
  if (welcome.data?.demo === false) return <p className="page">There are pictures in the demo workshop only.</p>;
  if (shown.error) return <Problem error={shown.error} />;
  return (
    <div className="page gallery" data-ready={shown.isSuccess}>
      <h1>Pictures</h1>
      {!shown.data && <p className="muted">Working out every picture…</p>}
      {shown.data?.map((s) => (
        <Hung key={`${s.operation.code} ${s.assembly.id} ${s.name}`} shown={s} />
      ))}
    </div>
  );
}

function Hung({ shown: { operation, assembly, name, result, body } }: { shown: Shown }) {
  const cutter = assembly.looks.built!.cutter;
  const page = useMemo(
    (): Page => ({
      operation,
      assembly,
      cutter,
      result,
      extras: [],
      body,
      situation: { operation: operation.code, ...body },
      refused: {},
      address: still({ ...NOTHING, numbers: given(body.numbers ?? {}) }),
      take: () => {},
    }),
    [assembly, body, cutter, operation, result],
  );
  return (
    <figure data-picture={operation.picture} aria-label={`${operation.code}, ${cutter.family}, ${name}`}>
      <figcaption>
        {operation.name}, {cutter.family}, {name} ({assembly.definition.number})
      </figcaption>
      {PICTURES[operation.picture].show(page, page)}
    </figure>
  );
}

// One assembly for each family of each operation, in the first work material and on the first machine that take it.
async function hang(operations: Operation[], materials: number[], machines: number[]): Promise<Shown[]> {
  const { rows } = await fetchList('assemblies', { take: 500 });
  const ask = async (operation: Operation, assembly: AssemblySheet, numbers: Record<string, number>) => {
    for (const machineId of machines)
      for (const materialId of materials) {
        const body = { materialId, machineId, assemblyId: assembly.id, numbers, options: {} };
        const result = await client
          .POST('/api/v1/calculations/{operation}', { params: { path: { operation: operation.code }, query: { explain: false } }, body })
          .catch(() => null);
        if (result?.data) return { result: result.data, body };
      }
    return null;
  };
  const all = await Promise.all(
    operations.map(async (operation) => {
      const shown: Shown[] = [];
      for (const family of operation.families)
        for (const { sheet: assembly } of rows.filter((r) => r.sheet.looks.built?.cutter.family === family).slice(0, 2)) {
          const usual = await ask(operation, assembly, {});
          if (!usual) continue;
          for (const [name, numbersOf] of CASES) {
            const asked = name === 'as proposed' ? usual : await ask(operation, assembly, numbersOf(operation, usual.result));
            if (asked) shown.push({ operation, assembly, name, ...asked });
          }
        }
      return shown;
    }),
  );
  return all.flat();
}
