import type { Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { useOperations, useSheet } from '../../parts/shelf';
import { PICTURES } from '../calculate/pictures/pictures';

/** The cut of a record as Calculate draws it, with the cutter that the figures were worked out for. */
export default function CutPicture({ assembly: id, revision }: { assembly: number; revision: Schemas['RecordRevisionView'] }) {
  const { situation, result, snapshot, extras } = revision;
  const operation = useOperations().data?.find((o) => o.code === situation.operation);
  const assembly = useSheet('assemblies', id);
  const parts = [useSheet('cutters', snapshot.cutter.id).data?.revision, useSheet('holders', snapshot.holder.id).data?.revision];
  if (assembly.error) return <Problem error={assembly.error} />;
  if (!operation || !assembly.data || parts.includes(undefined)) return <p className="muted">Drawing the cut…</p>;
  const isRevised =
    String([assembly.data.revision, ...parts]) !== String([snapshot.assembly, snapshot.cutter, snapshot.holder].map((p) => p.number));
  return (
    <section className="ofcut" aria-label="Picture of the cut">
      {PICTURES[operation.picture].show({ operation, result, cutter: snapshot.cutter.value, assembly: assembly.data, extras })}
      {isRevised && <p className="muted">The tool stands here as its assembly is today; it was revised since.</p>}
    </section>
  );
}
