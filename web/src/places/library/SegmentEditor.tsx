import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import { DxfPanel } from './DxfPanel';

type Segment = Schemas['StackSegment'];

const COLUMNS = [
  ['length', 'Length'],
  ['lowerDiameter', 'Ø front'],
  ['upperDiameter', 'Ø back'],
  ['arcRadius', 'Rounding'],
] as const;
const MOST = 60;

interface Props {
  title: string;
  segments: readonly Segment[];
  /** Whether a segment can be marked as cutting. */
  cuts?: boolean;
  disabled: boolean;
  onChange: (segments: Segment[]) => void;
}

/** A stacked profile, typed segment by segment or read from a drawing. */
export function SegmentEditor({ title, segments, cuts, disabled, onChange }: Props) {
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const [drawing, setDrawing] = useState(false);
  const put = (i: number, key: (typeof COLUMNS)[number][0], t: Typed | undefined) => {
    setTyped({ ...typed, [`${i}.${key}`]: t });
    if (t) onChange(segments.map((s, j) => (j === i ? { ...s, [key]: t.base } : s)));
  };
  const replace = (next: Segment[]) => {
    setTyped({});
    onChange(next);
  };
  return (
    <div className="segments">
      <h2>{title}</h2>
      {segments.map((s, i) => (
        <div key={i} className={`segment ${cuts ? 'with-cuts' : ''}`}>
          <span className="muted mono">{i + 1}</span>
          {COLUMNS.map(([key, label]) => (
            <NumberField
              key={key}
              label={label}
              quantity="length"
              value={s[key]}
              typed={still(typed[`${i}.${key}`], s[key] ?? 0)}
              onTyped={(t) => put(i, key, t)}
              disabled={disabled}
            />
          ))}
          {cuts && (
            <Checkbox
              aria-label={`Segment ${i + 1} cuts`}
              checked={s.cuts ?? false}
              disabled={disabled}
              onChange={(e) => onChange(segments.map((x, j) => (j === i ? { ...x, cuts: e.target.checked } : x)))}
            >
              cuts
            </Checkbox>
          )}
          {!disabled && segments.length > 1 && (
            <Button
              size="small"
              type="text"
              aria-label={`Take segment ${i + 1} out`}
              onClick={() => replace(segments.filter((_, j) => j !== i))}
            >
              ✕
            </Button>
          )}
        </div>
      ))}
      {!disabled && (
        <p>
          {segments.length < MOST && (
            <Button size="small" onClick={() => onChange([...segments, { ...segments[segments.length - 1]!, cuts: false }])}>
              Add a segment
            </Button>
          )}{' '}
          <Button size="small" aria-expanded={drawing} onClick={() => setDrawing(!drawing)}>
            Read it from a DXF drawing
          </Button>
        </p>
      )}
      <p className="muted small">A rounding above 0 stands out, below 0 is hollow, 0 is a straight side.</p>
      {drawing && (
        <DxfPanel
          cuts={cuts ?? false}
          onTake={(next) => {
            replace(next);
            setDrawing(false);
          }}
        />
      )}
    </div>
  );
}
