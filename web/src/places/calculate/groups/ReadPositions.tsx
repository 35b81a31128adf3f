import { useMutation } from '@tanstack/react-query';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { FileButton } from '../../../parts/FileButton';
import { Problem } from '../../../parts/Problem';

/** Positions out of a CSV table or the circles of a DXF drawing, narrowed by diameter before they are taken. */
export function ReadPositions({ onTake }: { onTake: (positions: Schemas['Position'][]) => void }) {
  const units = useUnits();
  const [left, setLeft] = useState<string[]>([]);
  const read = useMutation({
    mutationFn: (file: File) =>
      data(
        client.POST('/api/v1/hole-groups/positions', {
          body: file as unknown as string,
          bodySerializer: (b: unknown) => b as Blob,
          headers: { 'Content-Type': 'application/octet-stream' },
        }),
      ),
    onSuccess: () => setLeft([]),
  });
  const holes = read.data?.holes ?? [];
  const key = (diameter: number) => diameter.toFixed(3);
  const sizes = [...new Set(holes.map((h) => key(h.diameter)))].sort((a, b) => Number(a) - Number(b));
  const chosen = holes.filter((h) => !left.includes(key(h.diameter)));
  return (
    <>
      <FileButton words="Read CSV or DXF" accept=".csv,.txt,.tsv,.xlsx,.dxf" onFile={(f) => read.mutate(f)} />
      <Problem error={read.error} />
      {read.data && (
        <div className="from-file">
          {read.data.notes.map((n) => (
            <p key={n} className="muted small">
              {n}
            </p>
          ))}
          {sizes.length > 1 &&
            sizes.map((s) => (
              <Checkbox
                key={s}
                checked={!left.includes(s)}
                onChange={(e) => setLeft((all) => (e.target.checked ? all.filter((x) => x !== s) : [...all, s]))}
              >
                {Number(s) > 0 ? `Ø${units.size(Number(s))}` : 'no diameter'} · {holes.filter((h) => key(h.diameter) === s).length}
              </Checkbox>
            ))}
          <Button
            size="small"
            disabled={chosen.length === 0}
            onClick={() => {
              onTake(chosen.map((h) => ({ x: h.x, y: h.y })));
              read.reset();
            }}
          >
            Take {chosen.length} positions
          </Button>
        </div>
      )}
    </>
  );
}
