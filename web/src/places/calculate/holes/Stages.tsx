import { Checkbox } from 'antd';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { NumberField } from '../../../parts/NumberField';
import { clock } from '../../../parts/units';
import { rowsOf, type Stage } from './stages';

type Edit = Schemas['StageEdit'];

/** What the tool does along its axis, stage by stage; where it may be, speed, feed and coolant of a stage can be changed. */
export function Stages(props: {
  stages: readonly Stage[];
  edits?: Edit[];
  refused?: Record<string, string>;
  /** Left out where the stages are only read. */
  onEdits?: (edits: Edit[]) => void;
}) {
  const { stages, edits = [], refused = {}, onEdits } = props;
  const units = useUnits();
  const rows = rowsOf(stages);
  const whole = rows.reduce((sum, r) => sum + r.time, 0);
  const editable = onEdits !== undefined && rows.some((r) => r.stage.editable);
  const change = (stage: string, values: Partial<Edit>) => {
    const next = { stage, speed: null, feedRate: null, coolant: null, ...edits.find((e) => e.stage === stage), ...values };
    const empty = next.speed === null && next.feedRate === null && next.coolant === null;
    onEdits?.([...edits.filter((e) => e.stage !== stage), ...(empty ? [] : [next])]);
  };
  const refusals = Object.entries(refused).filter(([field]) => field.startsWith('edits'));
  return (
    <>
      {refusals.map(([field, sentence]) => (
        <p key={field} className="refusal" role="alert">
          {sentence}
        </p>
      ))}
      <table className="courses stages" aria-label="Stages">
        <thead>
          <tr>
            <th>stage</th>
            <th>from</th>
            <th>to</th>
            <th>{units.unit('spindleSpeed')}</th>
            <th>{units.unit('feedRate')}</th>
            <th>coolant</th>
            <th>time</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ stage, number, time, colour }) => {
            const edit = edits.find((e) => e.stage === stage.code);
            const typedOf = (base: number | null | undefined, quantity: 'spindleSpeed' | 'feedRate') =>
              base === null || base === undefined ? undefined : { text: units.editable(base, quantity), system: units.system, base };
            return (
              <tr key={stage.code} className={edit ? 'changed' : ''}>
                <th>
                  <i className="swatch" style={{ background: colour || 'transparent' }} /> {number} {stage.name}
                </th>
                <td>{units.number(stage.from ?? 0, 'length')}</td>
                <td>{units.number(stage.to ?? 0, 'length')}</td>
                <td>
                  {editable && stage.editable ? (
                    <NumberField
                      bare
                      label={`Speed of stage ${number}`}
                      quantity="spindleSpeed"
                      value={stage.speed}
                      typed={typedOf(edit?.speed, 'spindleSpeed')}
                      onTyped={(t) => change(stage.code, { speed: t?.base ?? null })}
                    />
                  ) : (
                    units.number(stage.speed, 'spindleSpeed')
                  )}
                </td>
                <td>
                  {editable && stage.editable ? (
                    <NumberField
                      bare
                      label={`Feed of stage ${number}`}
                      quantity="feedRate"
                      value={stage.feedRate}
                      typed={typedOf(edit?.feedRate, 'feedRate')}
                      onTyped={(t) => change(stage.code, { feedRate: t?.base ?? null })}
                    />
                  ) : stage.rapid ? (
                    'rapid'
                  ) : stage.feedRate === 0 ? (
                    '–'
                  ) : (
                    units.number(stage.feedRate, 'feedRate')
                  )}
                </td>
                <td>
                  {editable && stage.editable ? (
                    <Checkbox
                      aria-label={`Coolant in stage ${number}`}
                      checked={edit?.coolant ?? stage.coolant}
                      onChange={(e) => change(stage.code, { coolant: e.target.checked })}
                    />
                  ) : stage.coolant ? (
                    'on'
                  ) : (
                    'off'
                  )}
                </td>
                <td>{units.text(time * 60, 'duration')}</td>
              </tr>
            );
          })}
        </tbody>
        <caption>
          Depths below the surface, negative above it; speeds to the left are negative. In all {clock(whole)} min.
          {editable && edits.length > 0 && (
            <button className="why" onClick={() => onEdits?.([])}>
              Take all changes back
            </button>
          )}
        </caption>
      </table>
    </>
  );
}
