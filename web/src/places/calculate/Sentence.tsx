import { Select } from 'antd';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { MaterialName } from '../../parts/Situation';
import { cutterWords, pickedFrom, useFamilies, useMachines, useMaterials, useOperations, usePicks, useSheet } from '../../parts/shelf';
import type { Situation } from './useCalculation';

interface Choice {
  value: string;
  label: string;
  shown?: ReactNode;
  disabled?: boolean;
}

/** One underlined word of the sentence; choosing another recomputes at once. */
function Word({
  label,
  value,
  choices,
  onChoose,
  wide,
  onSearch,
  onOpenChange,
  foot,
}: {
  label: string;
  value: string | undefined;
  choices: Choice[];
  onChoose: (value: string) => void;
  wide?: boolean;
  /** Asks the server for what is typed, where there are too many to hold. */
  onSearch?: (text: string) => void;
  onOpenChange?: (open: boolean) => void;
  foot?: ReactNode;
}) {
  return (
    <Select
      className="word"
      variant="borderless"
      aria-label={label}
      suffixIcon={null}
      showSearch={onSearch ? { filterOption: false, onSearch } : { optionFilterProp: 'label' }}
      popupMatchSelectWidth={wide ? 430 : 300}
      listHeight={380}
      placeholder={`choose ${label.toLowerCase()}`}
      value={choices.some((c) => c.value === value) ? value : undefined}
      options={choices}
      labelRender={({ value: v, label: l }) => choices.find((c) => c.value === v)?.shown ?? l}
      onChange={onChoose}
      {...(onOpenChange && { onOpenChange })}
      {...(foot && {
        popupRender: (menu: ReactNode) => (
          <>
            {menu}
            {foot}
          </>
        ),
      })}
    />
  );
}

interface Props {
  situation: Partial<Situation>;
  steadiness: Schemas['OptionDescription'] | undefined;
  steady: string;
  choose: (key: string, value: string) => void;
  pick: (code: string, value: string) => void;
  fixed: boolean;
}

/** Calculation starts from one readable sentence whose words open pickers. */
export function Sentence({ situation, steadiness, steady, choose, pick, fixed }: Props) {
  const units = useUnits();
  const operations = useOperations().data ?? [];
  const materials = useMaterials().data ?? [];
  const families = useFamilies().data;
  const machines = useMachines().data ?? [];
  const [text, setText] = useState('');
  const { materialId, machineId, operation, assemblyId } = situation;
  // Assemblies that fit operation, machine and material stand first; the others can still be taken and are found out.
  const [open, setOpen] = useState(false);
  const picks = usePicks(
    'assemblies',
    {
      ...(materialId && { materialId }),
      ...(machineId && { machineId }),
      ...(operation && { operation }),
      ...(text && { q: text }),
    },
    open,
  );
  const chosen = useSheet('assemblies', assemblyId).data;
  const rows = pickedFrom(picks, text).map((r) => r.sheet);
  const machine = machines.find((m) => m.id === machineId);
  const material = materials.find((m) => m.id === materialId);
  const able = operations.find((o) => o.code === operation)?.families;
  const size = (mm: number) => units.size(mm);
  const here = `${window.location.pathname}${window.location.search}`;

  return (
    <div className={`sentence ${fixed ? 'fixed' : ''}`} aria-label="Situation">
      <Word
        label="Operation"
        value={situation.operation}
        choices={operations.map((o) => ({ value: o.code, label: o.name }))}
        onChoose={(v) => choose('op', v)}
      />
      <span>of</span>
      <Word
        label="Work material"
        value={situation.materialId?.toString()}
        choices={materials.map((m) => ({
          value: String(m.id),
          label: `${m.definition.name}, ${m.definition.hardness} HB  ${m.definition.group}`,
          shown: <MaterialName name={m.definition.name} group={m.definition.group} hardness={m.definition.hardness} />,
        }))}
        onChoose={(v) => choose('material', v)}
      />
      <span>with a</span>
      <Word
        wide
        label="Assembly"
        value={situation.assemblyId?.toString()}
        onSearch={setText}
        onOpenChange={setOpen}
        choices={[...rows, ...(chosen && !text && !rows.some((r) => r.id === chosen.id) ? [chosen] : [])].map((a) => {
          const { cutter, holder, extensions } = a.looks.built!;
          const fits =
            (!machine || holder.interface === machine.definition.interface) &&
            (!material || cutter.groups!.includes(material.definition.group)) &&
            (!able || able.includes(cutter.family!));
          const held = [...extensions, holder].map((h) => h.kind).join(' in a ');
          return {
            value: String(a.id),
            label:
              `${a.definition.number}  ${cutterWords(cutter, size, families)}, ${size(a.definition.projection)} ` +
              `${units.unit('length')} out, ${held} ${holder.interface}${fits ? '' : ' · does not fit here'}`,
            shown: (
              <span>
                {cutterWords(cutter, size, families)}, {size(a.definition.projection)} {units.system} out of{' '}
                {/^[aeiou]/.test(held) ? 'an' : 'a'} {held} ({a.definition.number})
              </span>
            ),
          };
        })}
        foot={
          !fixed && (
            <span className="word-foot">
              <Link to={`/library/assemblies/new?back=${encodeURIComponent(here)}`}>Put another together</Link>
              <Link to={`/library/cutters/new?back=${encodeURIComponent(here)}`}>Add a cutter</Link>
            </span>
          )
        }
        onChoose={(v) => {
          setText('');
          choose('assembly', v);
        }}
      />
      <span>on</span>
      <Word
        label="Machine"
        value={situation.machineId?.toString()}
        choices={machines.map((m) => ({ value: String(m.id), label: `${m.definition.name}`, shown: m.definition.name }))}
        onChoose={(v) => choose('machine', v)}
      />
      {steadiness && (
        <>
          <span className="joined">, held</span>
          <Word
            label="Steadiness"
            value={steady}
            choices={steadiness.picks.map((p) => ({ value: p.code, label: p.words }))}
            onChoose={(v) => pick('steadiness', v)}
          />
        </>
      )}
    </div>
  );
}
