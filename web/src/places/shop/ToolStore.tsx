import { Select } from 'antd';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import { usePicks } from '../../parts/shelf';
import type { Quantity } from '../../parts/units';

type ToolStore = Schemas['ToolStore'];

const FIELDS: [keyof ToolStore & string, string, Quantity][] = [
  ['places', 'Places', 'count'],
  ['largestDiameter', 'Largest Ø beside others', 'length'],
  ['largestAlone', 'Largest Ø beside empty places', 'length'],
  ['largestLength', 'Largest length to gauge line', 'length'],
  ['heaviest', 'Heaviest tool', 'mass'],
  ['drivenPlaces', 'Of them drive their tool, from 1', 'count'],
];

/** The turret or magazine of a machine and what each place may carry; 0 where nobody has said. */
export function Store(props: {
  store: ToolStore;
  entry: (key: string) => { value: number | undefined; typed: Typed | undefined; onTyped: (t: Typed | undefined) => void };
  refused: Record<string, string>;
  onKind: (kind: Schemas['ToolStoreKind']) => void;
}) {
  const { store, entry, refused, onKind } = props;
  const mayWork = useMayWork();
  return (
    <>
      <h2>Where its tools stand</h2>
      <label className="line">
        Tools are
        <Select
          aria-label="Tools are"
          value={store.kind}
          disabled={!mayWork}
          onChange={onKind}
          options={[
            { value: 'byHand', label: 'changed by hand' },
            { value: 'magazine', label: 'in a magazine' },
            { value: 'turret', label: 'in a turret' },
          ]}
        />
      </label>
      {store.kind !== 'byHand' &&
        FIELDS.map(([key, label, quantity]) => (
          <NumberField key={key} label={label} quantity={quantity} {...entry(key)} refused={refused[`store.${key}`]} disabled={!mayWork} />
        ))}
    </>
  );
}

/** What stands in each place of a machine. */
export function Standing({ machineId, places }: { machineId: number; places: number }) {
  const rows = usePicks('assemblies', { take: 500 }).data?.rows ?? [];
  const standing = rows
    .flatMap((r) =>
      (r.sheet.definition.places ?? []).filter((p) => p.machineId === machineId).map((p) => ({ place: p.place, sheet: r.sheet })),
    )
    .sort((a, b) => a.place - b.place);
  if (places === 0) return null;
  return (
    <>
      <h2>
        In its places{' '}
        <span className="muted small">
          {standing.length} of {places}
        </span>
      </h2>
      <ol className="standing">
        {standing.map((s) => (
          <li key={s.place} value={s.place}>
            <Link to={`/library/assemblies/${s.sheet.id}`}>{s.sheet.definition.number}</Link>
          </li>
        ))}
      </ol>
    </>
  );
}
