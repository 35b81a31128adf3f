import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { client, data, type Schemas } from '../../../api/client';
import { FileButton } from '../../../parts/FileButton';
import { Problem } from '../../../parts/Problem';

const LARGEST = 4 * 1024 * 1024;

/** Takes an outline from a DXF drawing of one half of the work; drawn the other way about, it is turned round. */
export function FromDrawing({ onSteps }: { onSteps: (steps: Schemas['OutlineStep'][]) => void }) {
  const [drawing, setDrawing] = useState<{ name: string; text: string; freeEndLeft: boolean }>();
  const [refused, setRefused] = useState('');
  const read = useMutation({
    mutationFn: ({ text, freeEndLeft }: { text: string; freeEndLeft: boolean }) =>
      data(client.POST('/api/v1/calculations/outline', { body: { text, millimetresPerUnit: 0, freeEndLeft } })),
    onSuccess: ({ steps }) => steps.length > 0 && onSteps(steps),
  });
  const take = (next: { name: string; text: string; freeEndLeft: boolean }) => {
    setDrawing(next);
    read.mutate(next);
  };
  return (
    <div className="from-drawing">
      <FileButton
        words="Take it from a drawing"
        label="DXF drawing of half the work"
        accept=".dxf"
        onFile={(file) => {
          setRefused(file.size > LARGEST ? `${file.name} is larger than 4 MB; save the outline alone.` : '');
          if (file.size <= LARGEST) void file.text().then((text) => take({ name: file.name, text, freeEndLeft: false }));
        }}
      />
      {refused && <p role="alert">{refused}</p>}
      {read.error && <Problem error={read.error} />}
      {drawing && read.data && (
        <p className="note">
          {drawing.name}, free end {drawing.freeEndLeft ? 'left' : 'right'}{' '}
          <button className="why" onClick={() => take({ ...drawing, freeEndLeft: !drawing.freeEndLeft })}>
            turn it round
          </button>
        </p>
      )}
      {read.data?.findings.map((f) => (
        <p key={f} className="note">
          {f}
        </p>
      ))}
    </div>
  );
}
