import { Select } from 'antd';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { MaterialName } from '../../parts/Situation';
import { byId, cutterWords, useAssemblies, useCutters, useHolders, useMachines, useMaterials, useOperations } from '../../parts/shelf';
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
}: {
  label: string;
  value: string | undefined;
  choices: Choice[];
  onChoose: (value: string) => void;
  wide?: boolean;
}) {
  return (
    <Select
      className="word"
      variant="borderless"
      aria-label={label}
      suffixIcon={null}
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={wide ? 430 : 300}
      listHeight={380}
      placeholder={`choose ${label.toLowerCase()}`}
      value={choices.some((c) => c.value === value) ? value : undefined}
      options={choices}
      labelRender={({ value: v, label: l }) => choices.find((c) => c.value === v)?.shown ?? l}
      onChange={onChoose}
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
  const assemblies = useAssemblies().data ?? [];
  const cutters = byId(useCutters().data);
  const holders = byId(useHolders().data);
  const machines = useMachines().data ?? [];
  const machine = machines.find((m) => m.id === situation.machineId);
  const material = materials.find((m) => m.id === situation.materialId);
  const size = (mm: number) => units.size(mm);

  // Assemblies that fit machine and material stand first; the others can still be taken and are found out.
  const ranked = assemblies
    .map((a) => {
      const cutter = cutters.get(a.definition.cutterId)?.definition;
      const holder = holders.get(a.definition.holderId)?.definition;
      const fits =
        (!machine || holder?.interface === machine.definition.interface) &&
        (!material || (cutter?.groups ?? []).includes(material.definition.group));
      return { a, cutter, holder, fits };
    })
    .sort((x, y) => Number(y.fits) - Number(x.fits) || (x.cutter?.cuttingDiameter ?? 0) - (y.cutter?.cuttingDiameter ?? 0));

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
        choices={ranked.map(({ a, cutter, holder, fits }) => ({
          value: String(a.id),
          label: `${a.definition.number}  Ø${cutter ? size(cutter.cuttingDiameter) : '?'} z${cutter?.teeth}, ${size(a.definition.projection)} out, ${holder?.kind} ${holder?.interface}${fits ? '' : ' · does not fit here'}`,
          shown: cutter && holder && (
            <span>
              {cutterWords(cutter, size)}, {size(a.definition.projection)} {units.system} out of a {holder.kind} ({a.definition.number})
            </span>
          ),
        }))}
        onChoose={(v) => choose('assembly', v)}
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
          <span>, held</span>
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
