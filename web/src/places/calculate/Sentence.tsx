import { Select } from 'antd';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useUnits } from '../../parts/session';
import { MaterialName } from '../../parts/Situation';
import { cutterWords, pickedFrom, useFamilies, useMachines, useMaterials, usePicks } from '../../parts/shelf';
import { withAnother } from './address';
import type { Address } from './useAddress';
import type { useSituation } from './useSituation';

// What can be made instead of chosen: the last of the list, so that the arrow up from its top reaches it.
const ELSEWHERE: Record<string, { words: string; path: string }> = {
  assembly: { words: 'Put another together …', path: '/library/assemblies/new' },
  cutter: { words: 'Add a cutter …', path: '/library/cutters/new' },
};

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
  fixed,
}: {
  label: string;
  value: string | undefined;
  choices: Choice[];
  onChoose: (value: string) => void;
  wide?: boolean;
  /** Asks the server for what is typed, where there are too many to hold. */
  onSearch?: (text: string) => void;
  onOpenChange?: (open: boolean) => void;
  /** Whether it can only be read. */
  fixed?: boolean;
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
      disabled={fixed}
      {...(onOpenChange && { onOpenChange })}
    />
  );
}

/** Calculation starts from one readable sentence whose words open pickers. */
export function Sentence({ where, address }: { where: ReturnType<typeof useSituation>; address: Address }) {
  const units = useUnits();
  const navigate = useNavigate();
  const families = useFamilies().data;
  const materials = useMaterials().data ?? [];
  const machines = useMachines().data ?? [];
  const [text, setText] = useState('');
  const { operation, material, machine, assembly: chosen } = where;
  const { chosen: choices, change, back, forward } = address;
  const fixed = choices.record !== undefined;
  // Assemblies that fit operation, machine and material stand first; the others can still be taken and are found out.
  const [open, setOpen] = useState(false);
  const picks = usePicks(
    'assemblies',
    {
      ...(material && { materialId: material.id }),
      ...(machine && { machineId: machine.id }),
      ...(operation && { operation: operation.code }),
      ...(text && { q: text }),
    },
    open,
  );
  const rows = pickedFrom(picks, text).map((r) => r.sheet);
  // What can be made instead: the last of the list; the first where somebody types how it begins, or where nothing has the words typed. Never
  // while the answer is on its way, since Enter would take it for what was typed.
  const asked = text.trim().toLowerCase();
  const begun = Object.entries(ELSEWHERE).filter(([, { words }]) => asked.length > 2 && words.toLowerCase().startsWith(asked));
  const nothing = rows.length === 0 && !picks.isFetching;
  const elsewhere = (begun.length > 0 ? begun : !asked || nothing ? Object.entries(ELSEWHERE) : []).map(([value, { words }]) => ({
    value,
    label: words,
  }));
  const steadiness = operation?.options.find((o) => o.code === 'steadiness');
  const size = (mm: number) => units.size(mm);
  const here = `${window.location.pathname}${window.location.search}`;

  return (
    <div className={`sentence ${fixed ? 'fixed' : ''}`} aria-label="Situation" role="region" data-region tabIndex={-1}>
      <Word
        label="Operation"
        fixed={fixed}
        value={operation?.code}
        choices={(where.operations ?? []).map((o) => ({ value: o.code, label: o.name }))}
        onChoose={(v) => change('operation', { operation: v })}
      />
      <span>of</span>
      <Word
        label="Work material"
        fixed={fixed}
        value={material?.id.toString()}
        choices={materials.map((m) => ({
          value: String(m.id),
          label: `${m.definition.name}, ${m.definition.hardness} HB  ${m.definition.group}`,
          shown: <MaterialName name={m.definition.name} group={m.definition.group} hardness={m.definition.hardness} />,
        }))}
        onChoose={(v) => change('material', { material: Number(v) })}
      />
      <span>with a</span>
      <Word
        wide
        label="Assembly"
        fixed={fixed}
        value={chosen?.id.toString()}
        onSearch={setText}
        onOpenChange={setOpen}
        choices={[
          ...(text && !fixed ? elsewhere : []),
          ...[...rows, ...(chosen && !text && !rows.some((r) => r.id === chosen.id) ? [chosen] : [])].map((a) => {
            const { cutter, holder, extensions } = a.looks.built!;
            const fits =
              (!machine || holder.interface === machine.definition.interface) &&
              (!material || cutter.groups!.includes(material.definition.group)) &&
              (!operation || operation.families.includes(cutter.family!));
            const held = [...extensions, holder].map((h) => h.kind).join(' in a ');
            return {
              value: String(a.id),
              label:
                `${a.definition.number}  ${cutterWords(cutter, a.looks, size, families)}, ${size(a.definition.projection)} ` +
                `${units.unit('length')} out, ${held} ${holder.interface}${fits ? '' : ' · does not fit here'}`,
              shown: (
                <span>
                  {cutterWords(cutter, a.looks, size, families)}, {size(a.definition.projection)} {units.system} out of{' '}
                  {/^[aeiou]/.test(held) ? 'an' : 'a'} {held} ({a.definition.number})
                </span>
              ),
            };
          }),
          ...(fixed || text ? [] : elsewhere),
        ]}
        onChoose={(v) => {
          setText('');
          if (v in ELSEWHERE) return void navigate(`${ELSEWHERE[v]!.path}?back=${encodeURIComponent(here)}`);
          change('assembly', (c) => withAnother(c, Number(v)));
        }}
      />
      <span>on</span>
      <Word
        label="Machine"
        fixed={fixed}
        value={machine?.id.toString()}
        choices={machines.map((m) => ({ value: String(m.id), label: `${m.definition.name}`, shown: m.definition.name }))}
        onChoose={(v) => change('machine', { machine: Number(v) })}
      />
      {steadiness && (
        <>
          <span className="joined">, held</span>
          <Word
            label="Steadiness"
            value={choices.picks.steadiness ?? steadiness.default}
            choices={steadiness.picks.map((p) => ({ value: p.code, label: p.words }))}
            onChoose={(v) => change('o.steadiness', (c) => ({ picks: { ...c.picks, steadiness: v } }))}
          />
        </>
      )}
      <span className="steps" role="group" aria-label="Steps">
        <button disabled={!back} onClick={back} aria-keyshortcuts="Control+Z" title="Take the last step back (Ctrl+Z)">
          Back
        </button>
        <button disabled={!forward} onClick={forward} aria-keyshortcuts="Control+Y" title="Take it again (Ctrl+Y)">
          Again
        </button>
      </span>
    </div>
  );
}
