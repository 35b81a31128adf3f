import { Button, Select } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import { useOperations } from '../../parts/shelf';

type Cycle = Schemas['DrillingCycleRow'];

const DRILLS = ['twistDrill', 'flatDrill', 'stepDrill', 'indexableDrill', 'gunDrill', 'spotDrill'];
const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'] as const;
const COLUMNS = [
  ['chipBreaking', 'breaks the chip above'],
  ['fullRetract', 'clears the hole above'],
  ['staged', 'in stages above'],
  ['firstPeck', 'first peck'],
  ['peckRatio', 'each over the one before'],
  ['leastPeck', 'least peck'],
] as const;

/** From which depth over diameter the shop drills in which cycle, for one family of drill. */
export function DrillingCycles(props: {
  cycles: Cycle[];
  family: Cycle['family'];
  disabled: boolean;
  refused: Record<string, string>;
  onCycles: (cycles: Cycle[], step: string) => void;
}) {
  const { cycles, family, disabled, refused, onCycles } = props;
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const coolants = (useOperations().data ?? [])
    .flatMap((o) => o.options)
    .find((o) => o.code === 'coolant')
    ?.picks.map((p) => ({ value: p.code, label: p.words }));
  if (!DRILLS.includes(family)) return null;
  const rows = cycles.map((c, at) => ({ ...c, at })).filter((c) => c.family === family);
  const put = (at: number, change: Partial<Cycle>, step: string) =>
    onCycles(
      cycles.map((c, i) => (i === at ? { ...c, ...change } : c)),
      step,
    );
  const refusals = Object.entries(refused).filter(([field]) => field.startsWith('cycles['));
  return (
    <>
      <h2>Cycles by depth over diameter</h2>
      {refusals.map(([field, sentence]) => (
        <p key={field} className="refusal" role="alert">
          {sentence}
        </p>
      ))}
      <table className="courses cycles" aria-label="Drilling cycles">
        <thead>
          <tr>
            <th>group</th>
            <th>coolant</th>
            {COLUMNS.map(([code, words]) => (
              <th key={code}>{words}</th>
            ))}
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((c) => (
            <tr key={c.at}>
              <th>
                <Select
                  size="small"
                  variant="borderless"
                  aria-label={`Group, cycle ${c.at + 1}`}
                  value={c.group}
                  disabled={disabled}
                  onChange={(group) => put(c.at, { group }, `cycles.${c.at}.group`)}
                  options={GROUPS.map((g) => ({ value: g, label: g }))}
                />
              </th>
              <td>
                <Select
                  size="small"
                  variant="borderless"
                  aria-label={`Coolant, cycle ${c.at + 1}`}
                  value={c.coolant}
                  disabled={disabled}
                  popupMatchSelectWidth={150}
                  onChange={(coolant) => put(c.at, { coolant }, `cycles.${c.at}.coolant`)}
                  options={coolants}
                />
              </td>
              {COLUMNS.map(([code, words]) => (
                <td key={code}>
                  <NumberField
                    bare
                    label={`${words}, cycle ${c.at + 1}`}
                    quantity="ratio"
                    value={c[code]}
                    typed={still(typed[`${c.at}.${code}`], c[code])}
                    onTyped={(t) => {
                      setTyped((all) => ({ ...all, [`${c.at}.${code}`]: t }));
                      if (t) put(c.at, { [code]: t.base }, `cycles.${c.at}.${code}`);
                    }}
                    refused={refused[`cycles[${c.at}].${code}`] && ' '}
                    disabled={disabled}
                  />
                </td>
              ))}
              <td>
                {!disabled && (
                  <Button
                    type="text"
                    size="small"
                    aria-label={`Take out cycle ${c.at + 1}`}
                    onClick={() => {
                      setTyped({});
                      onCycles(
                        cycles.filter((_, i) => i !== c.at),
                        `cycle out ${c.at}`,
                      );
                    }}
                  >
                    Take out
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
        <caption>
          Depths and pecks over the diameter. Without a row, drills are treated with caution: clearing the hole above 3 × D.
        </caption>
      </table>
      {!disabled && (
        <p>
          <Button
            size="small"
            onClick={() =>
              onCycles(
                [
                  ...cycles,
                  {
                    family,
                    group: GROUPS.find((g) => !rows.some((r) => r.group === g && r.coolant === 'flood')) ?? 'P',
                    coolant: 'flood',
                    chipBreaking: 3,
                    fullRetract: 5,
                    staged: 12,
                    firstPeck: 1,
                    peckRatio: 0.8,
                    leastPeck: 0.35,
                    source: 'added here, not yet tried',
                  },
                ],
                `cycle ${cycles.length}`,
              )
            }
          >
            Add a cycle
          </Button>
        </p>
      )}
      <h2>Speeds and feeds</h2>
    </>
  );
}
