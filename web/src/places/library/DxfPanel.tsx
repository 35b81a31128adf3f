import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { INCH } from '../../parts/units';
import { FileButton } from '../../parts/FileButton';
import { NumberField, type Typed } from '../../parts/NumberField';
import { pathOf } from '../../parts/outline';
import { Problem } from '../../parts/Problem';

const LARGEST = 4 * 1024 * 1024;

/** Reads a profile from a DXF drawing: everything drawn is shown, stray lines can be left out, and what is wrong is said. */
export function DxfPanel({ cuts, onTake }: { cuts: boolean; onTake: (segments: Schemas['StackSegment'][]) => void }) {
  const [text, setText] = useState<string>();
  const [name, setName] = useState('');
  const [refused, setRefused] = useState('');
  const [unit, setUnit] = useState(0);
  const [upright, setUpright] = useState(false);
  const [leftOut, setLeftOut] = useState<number[]>([]);
  const [cutting, setCutting] = useState<Typed>();
  const body = { text: text ?? '', millimetresPerUnit: unit, upright, leftOut, cuttingUntil: cuts ? (cutting?.base ?? 5) : 0 };
  const read = useQuery({
    queryKey: ['dxf', body],
    queryFn: () => data(client.POST('/api/v1/library/profiles/read', { body })),
    enabled: text !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const chains = read.data?.chains ?? [];
  const all = chains.flatMap((c) => c.pieces);
  const [left, right] = [
    Math.min(0, ...all.map((e) => Math.min(e.fromZ, e.toZ))),
    Math.max(1, ...all.map((e) => Math.max(e.fromZ, e.toZ))),
  ];
  const [low, high] = [Math.min(0, ...all.map((e) => Math.min(e.fromR, e.toR))), Math.max(1, ...all.map((e) => Math.max(e.fromR, e.toR)))];
  const pixel = (right - left) / 420;
  return (
    <section className="card dxf">
      <p>
        <FileButton
          words={name ? 'Choose another drawing' : 'Choose a drawing'}
          label="DXF drawing"
          accept=".dxf"
          onFile={(file) => {
            setName(file.name);
            setLeftOut([]);
            setRefused(file.size > LARGEST ? `${file.name} is larger than 4 MB; save the profile alone.` : '');
            if (file.size <= LARGEST) void file.text().then(setText);
          }}
        />{' '}
        {name}
      </p>
      <label className="line">
        Drawn in
        <Select
          aria-label="Drawn in"
          value={unit}
          onChange={setUnit}
          options={[
            { value: 0, label: 'the unit the file names' },
            { value: 1, label: 'millimetres' },
            { value: INCH, label: 'inches' },
          ]}
        />
      </label>
      <label className="line">
        Axis
        <Select
          aria-label="Axis"
          value={upright}
          onChange={setUpright}
          options={[
            { value: false, label: 'lies along X' },
            { value: true, label: 'stands along Y' },
          ]}
        />
      </label>
      {cuts && <NumberField label="Cuts from the tip as far as" quantity="length" value={5} typed={cutting} onTyped={setCutting} />}
      <Problem error={refused || read.error} />
      {read.data && (
        <>
          <svg
            viewBox={`${left - 4 * pixel} ${-high - 4 * pixel} ${right - left + 8 * pixel} ${high - low + 8 * pixel}`}
            width="100%"
            style={{ maxHeight: 220 }}
            role="img"
            aria-label={`Lines of ${name}; the profile is drawn strong`}
          >
            <line
              x1={left}
              x2={right}
              y1="0"
              y2="0"
              stroke="var(--muted)"
              strokeWidth={pixel}
              strokeDasharray={`${12 * pixel} ${4 * pixel}`}
            />
            {chains.map((c, i) => (
              <path
                key={i}
                d={c.pieces.map((e) => pathOf([e], 'flat')).join('')}
                fill="none"
                stroke={c.used ? 'var(--accent)' : leftOut.includes(i) ? 'var(--rule)' : 'var(--load2)'}
                strokeWidth={(c.used ? 2.4 : 1.4) * pixel}
              />
            ))}
          </svg>
          {read.data.findings.map((f) => (
            <p key={f} className="doubt">
              {f}
            </p>
          ))}
          {chains.length > 1 &&
            chains.map((c, i) => (
              <label key={i} className="stray">
                <input
                  type="checkbox"
                  checked={!leftOut.includes(i)}
                  onChange={(e) => setLeftOut(e.target.checked ? leftOut.filter((x) => x !== i) : [...leftOut, i])}
                />{' '}
                {c.pieces.length} pieces, {c.length.toFixed(1)} mm
                {c.used ? ', the profile' : leftOut.includes(i) ? ', left out' : ', stray'}
              </label>
            ))}
          <Button type="primary" disabled={read.data.segments.length === 0} onClick={() => onTake(read.data.segments)}>
            Take {read.data.segments.length} segments
          </Button>
        </>
      )}
    </section>
  );
}
