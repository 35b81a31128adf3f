import { Button, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import {
  cutterWords,
  pickedFrom,
  useFamilies,
  useMachines,
  usePicks,
  useSheet,
  type Assembly,
  type Built,
  type CutterSheet,
  type HolderSheet,
  type Family,
} from '../../parts/shelf';

const partWords = (part: CutterSheet | HolderSheet, size: (mm: number) => string, families: readonly Family[] | undefined): string => {
  const { definition: d, looks } = part;
  return 'segments' in d && 'kind' in d
    ? `${d.number}  ${d.kind}${d.interface ? `, ${d.interface}` : ''}`
    : `${d.number}  ${cutterWords(d, looks, size, families)}`;
};

/** Picks a cutter or a holder by searching the whole library. */
export function PartPicker(props: {
  list: 'cutters' | 'holders';
  label: string;
  value: number;
  disabled: boolean;
  refused?: string | undefined;
  narrow?: Record<string, string>;
  onChange: (id: number) => void;
  add?: { to: string; words: string };
}) {
  const { list, label, value, disabled, refused, narrow, onChange, add } = props;
  const units = useUnits();
  const families = useFamilies().data;
  const [text, setText] = useState('');
  const picks = usePicks(list, { ...narrow, ...(text && { q: text }) });
  const sheet = useSheet(list, value || undefined);
  const rows = pickedFrom<{ sheet: CutterSheet | HolderSheet }>(picks, text).map((r) => r.sheet);
  const options = [...rows, ...(sheet.data && !text && !rows.some((r) => r.id === value) ? [sheet.data] : [])].map((r) => ({
    value: r.id,
    label: partWords(r, (mm) => units.size(mm), families),
  }));
  return (
    <>
      <label className="line">
        {label}
        <Select
          showSearch={{ filterOption: false, onSearch: setText }}
          value={value || undefined}
          aria-label={label}
          placeholder={`search the ${list}`}
          disabled={disabled}
          popupMatchSelectWidth={400}
          onChange={(v) => {
            setText('');
            onChange(v);
          }}
          options={options}
        />
      </label>
      {refused && (
        <p className="refusal" role="alert">
          {refused}
        </p>
      )}
      <div className="links">
        {sheet.data && (
          <Link to={`/library/${list}/${value}`}>
            Open {list === 'cutters' ? 'cutter' : 'holder'} {sheet.data.definition.number}
          </Link>
        )}
        {add && <Link to={add.to}>{add.words}</Link>}
      </div>
    </>
  );
}

type Extension = NonNullable<Assembly['extensions']>[number];

/** Extensions and reduction sleeves between cutter and holder, each with how far it stands out. */
export function Extensions(props: {
  extensions: readonly Extension[];
  built: Built | undefined;
  refused: Record<string, string>;
  disabled: boolean;
  onChange: (extensions: Extension[]) => void;
}) {
  const { extensions, built, refused, disabled, onChange } = props;
  const units = useUnits();
  const [typed, setTyped] = useState<Record<number, Typed | undefined>>({});
  const change = (i: number, values: Partial<Extension>) => onChange(extensions.map((e, j) => (j === i ? { ...e, ...values } : e)));
  return (
    <>
      {extensions.map((e, i) => {
        const joint = built?.joints[i + 1];
        return (
          <div key={i} className="extension">
            <PartPicker
              list="holders"
              label={`Extension ${i + 1}`}
              value={e.holderId}
              disabled={disabled}
              refused={refused[`extensions[${i}].holderId`]}
              narrow={{ role: 'extension|sleeve' }}
              onChange={(holderId) => change(i, { holderId })}
            />
            <NumberField
              label={`Out of ${joint?.holder ?? 'the next part'}`}
              quantity="length"
              value={e.projection}
              typed={still(typed[i], e.projection)}
              onTyped={(t) => {
                setTyped({ ...typed, [i]: t });
                if (t) change(i, { projection: t.base });
              }}
              refused={refused[`extensions[${i}].projection`]}
              note={
                joint && joint.least <= joint.most
                  ? `${units.text(joint.least, 'length')} to ${units.text(joint.most, 'length')}`
                  : undefined
              }
              meant={joint && e.projection === 0 && joint.least <= joint.most ? joint.least : undefined}
              disabled={disabled}
            />
            {!disabled && (
              <Button size="small" type="text" onClick={() => onChange(extensions.filter((_, j) => j !== i))}>
                Take it out
              </Button>
            )}
          </div>
        );
      })}
      {refused.extensions && <p className="refusal">{refused.extensions}</p>}
      {!disabled && extensions.length < 4 && (
        <Button size="small" onClick={() => onChange([...extensions, { holderId: 0, projection: 0 }])}>
          Put an extension or sleeve between
        </Button>
      )}
    </>
  );
}

type Place = Schemas['AssemblyPlace'];

/** The places an assembly stands in at machines with a turret or a magazine. */
export function Places(props: {
  places: readonly Place[];
  refused: Record<string, string>;
  disabled: boolean;
  onChange: (places: Place[]) => void;
}) {
  const { places, refused, disabled, onChange } = props;
  const machines = (useMachines().data ?? []).filter((m) => m.definition.store?.kind !== 'byHand');
  const free = machines.filter((m) => !places.some((p) => p.machineId === m.id));
  return (
    <>
      {places.map((p, i) => (
        <div key={i}>
          <div className="line place">
            Stands in
            <Select
              aria-label={`Machine ${i + 1}`}
              value={p.machineId}
              disabled={disabled}
              onChange={(machineId) => onChange(places.map((x, j) => (j === i ? { ...x, machineId } : x)))}
              options={machines.map((m) => ({ value: m.id, label: m.definition.name }))}
            />
            <InputNumber
              aria-label={`Place ${i + 1}`}
              min={1}
              max={400}
              precision={0}
              value={p.place}
              disabled={disabled}
              onChange={(v) => onChange(places.map((x, j) => (j === i ? { ...x, place: v ?? 1 } : x)))}
            />
            {!disabled && (
              <Button
                size="small"
                type="text"
                aria-label={`Take out of place ${p.place}`}
                onClick={() => onChange(places.filter((_, j) => j !== i))}
              >
                ✕
              </Button>
            )}
          </div>
          {refused[`places[${i}].place`] && (
            <p className="refusal" role="alert">
              {refused[`places[${i}].place`]}
            </p>
          )}
        </div>
      ))}
      {!disabled && free.length > 0 && (
        <Button size="small" onClick={() => onChange([...places, { machineId: free[0]!.id, place: 1 }])}>
          Put it into a machine
        </Button>
      )}
    </>
  );
}
