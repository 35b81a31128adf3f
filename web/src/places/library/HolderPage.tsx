import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import { SheetFrame } from '../../parts/SheetFrame';
import { NumberRows, WordRows, type NumberRow } from '../../parts/SheetRows';
import { type HolderSheet } from '../../parts/shelf';
import { girthOf, lengthOf, ProfileShapes } from '../../parts/Silhouette';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { History } from './History';
import { UsedIn } from './UsedIn';

type Holder = Schemas['Holder'];
type Segment = Holder['segments'][number];

const BLANK: Holder = {
  number: '',
  kind: 'collet holder',
  interface: 'SK 40',
  leastClamping: 2,
  largestClamping: 16,
  leastGrip: 28,
  boreDepth: 60,
  largestSpeed: 15000,
  seatCompliance: 0.9,
  remarks: '',
  segments: [
    { length: 40, lowerDiameter: 42, upperDiameter: 42 },
    { length: 30, lowerDiameter: 50, upperDiameter: 50 },
  ],
};
const NAMES: Record<string, string> = {
  number: 'Number',
  kind: 'Kind',
  interface: 'Machine-side interface',
  leastClamping: 'Least clamping Ø',
  largestClamping: 'Largest clamping Ø',
  leastGrip: 'Least length gripped',
  boreDepth: 'Depth of the bore',
  largestSpeed: 'Greatest speed',
  seatCompliance: 'Tilt of the seat, µrad/N·m',
  segments: 'Profile',
  remarks: 'Remarks',
};
const NUMBERS: NumberRow<Holder>[] = [
  ['leastClamping', '', 'length'],
  ['largestClamping', '', 'length'],
  ['leastGrip', '', 'length'],
  ['boreDepth', '', 'length'],
  ['largestSpeed', '', 'spindleSpeed'],
  ['seatCompliance', '', 'ratio'],
];

const calls = storedCalls<Holder, HolderSheet>('library/holders');

/** A holder: its stacked profile, what it grips, how stiff its seat is. */
export function HolderPage() {
  return (
    <StoredPage calls={calls} word="holder">
      {(sheet, key) => <Editor key={key} sheet={sheet} />}
    </StoredPage>
  );
}

function Editor({ sheet }: { sheet: HolderSheet | undefined }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const form = useSheetForm<Holder, HolderSheet>({
    sheet,
    blank: BLANK,
    calls,
    onSaved: (saved) => void navigate(`/library/holders/${saved.id}`, { replace: true }),
  });
  const holder = form.definition;

  return (
    <SheetFrame
      title={sheet ? `${sheet.definition.number}, ${holder.kind}` : 'A new holder'}
      back={{ to: '/library/holders', words: 'Holders' }}
      sheet={sheet}
      form={form}
      fields={NUMBERS.map(([key]) => key)}
      names={NAMES}
    >
      <div className="columns">
        <section className="wide">
          <div className="card notched drawing-card">
            <Drawing segments={holder.segments} />
          </div>
          <h2>Profile, from the nose to the gauge line</h2>
          <Segments segments={holder.segments} disabled={!mayWork} onChange={(segments) => form.set('segments', segments)} />
        </section>
        <section>
          <h2>What it grips</h2>
          <NumberRows form={form} rows={NUMBERS} names={NAMES} refused={form.refused} />
          <WordRows form={form} rows={['number', 'kind', 'interface', 'remarks']} names={NAMES} />
          <UsedIn part={(a) => a.holderId === sheet?.id} none="It holds no cutter yet." />
          {sheet && <History kind="holders" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
      </div>
    </SheetFrame>
  );
}

function Drawing({ segments }: { segments: readonly Segment[] }) {
  const units = useUnits();
  const profile = segments.map((s) => ({ part: 'holder' as const, ...s }));
  const [length, girth] = [Math.max(1, lengthOf(profile)), Math.max(1, girthOf(profile))];
  const scale = Math.min(560 / length, 200 / girth);
  const height = girth * scale + 60;
  return (
    <svg viewBox={`0 0 640 ${height}`} width="100%" role="img" aria-label="Profile of the holder, true to scale">
      <g transform={`translate(30 ${height / 2 - 14}) scale(${scale})`}>
        <ProfileShapes profile={profile} pixel={1 / scale} />
      </g>
      <path
        d={`M30 ${height - 18}H${30 + length * scale}M30 ${height - 23}v10M${30 + length * scale} ${height - 23}v10`}
        stroke="#0F6E6E"
        fill="none"
      />
      <text x={30 + (length * scale) / 2} y={height - 4} textAnchor="middle" className="dim accent">
        {units.text(length, 'length')} from nose to gauge line
      </text>
    </svg>
  );
}

const COLUMNS = [
  ['length', 'Length'],
  ['lowerDiameter', 'Ø towards the nose'],
  ['upperDiameter', 'Ø towards the machine'],
] as const;

function Segments({
  segments,
  disabled,
  onChange,
}: {
  segments: readonly Segment[];
  disabled: boolean;
  onChange: (segments: Segment[]) => void;
}) {
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const put = (i: number, key: keyof Segment, t: Typed | undefined) => {
    setTyped({ ...typed, [`${i}.${key}`]: t });
    if (t) onChange(segments.map((s, j) => (j === i ? { ...s, [key]: t.base } : s)));
  };
  return (
    <div>
      {segments.map((s, i) => (
        <div key={i} className="segment">
          <span className="muted mono">{i + 1}</span>
          {COLUMNS.map(([key, label]) => (
            <NumberField
              key={key}
              label={label}
              quantity="length"
              value={s[key]}
              typed={still(typed[`${i}.${key}`], s[key])}
              onTyped={(t) => put(i, key, t)}
              disabled={disabled}
            />
          ))}
          {!disabled && segments.length > 1 && (
            <Button
              size="small"
              type="text"
              onClick={() => {
                setTyped({});
                onChange(segments.filter((_, j) => j !== i));
              }}
            >
              Take out
            </Button>
          )}
        </div>
      ))}
      {!disabled && segments.length < 24 && (
        <Button size="small" onClick={() => onChange([...segments, { ...segments[segments.length - 1]! }])}>
          Add a segment
        </Button>
      )}
    </div>
  );
}
