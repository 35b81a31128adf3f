import { useMutation } from '@tanstack/react-query';
import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { client, data } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { saveFile } from '../../parts/saveFile';
import type { ListName } from '../../parts/shelf';

const START = { pageWidth: 210, pageHeight: 297, sideMargin: 8, topMargin: 12, gap: 2, columns: 3, rows: 8, used: 0 };
const LENGTHS: [keyof typeof START, string][] = [
  ['pageWidth', 'Page width'],
  ['pageHeight', 'Page height'],
  ['sideMargin', 'Side margin'],
  ['topMargin', 'Top margin'],
  ['gap', 'Gap'],
];
const COUNTS: [keyof typeof START, string][] = [
  ['columns', 'Beside each other'],
  ['rows', 'Below each other'],
  ['used', 'Used up on the first sheet'],
];

/** Labels with a code for the chosen rows, on a sheet of any size; the size is remembered. */
export function Labels({ list, ids, onClose }: { list: ListName; ids: number[]; onClose: () => void }) {
  const units = useUnits();
  const [sheet, setSheet] = useState<typeof START>(() => ({
    ...START,
    ...(JSON.parse(localStorage.getItem('label-sheet') ?? '{}') as Partial<typeof START>),
    used: 0,
  }));
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const put = (key: keyof typeof START, value: number) => setSheet({ ...sheet, [key]: value });
  const [w, h] = [
    (sheet.pageWidth - 2 * sheet.sideMargin - (sheet.columns - 1) * sheet.gap) / sheet.columns,
    (sheet.pageHeight - 2 * sheet.topMargin - (sheet.rows - 1) * sheet.gap) / sheet.rows,
  ];
  const draw = useMutation({
    mutationFn: async () => {
      const pdf = await data(client.POST('/api/v1/library/labels', { body: { list, ids, sheet }, parseAs: 'blob' }));
      localStorage.setItem('label-sheet', JSON.stringify(sheet));
      saveFile(pdf, 'labels.pdf');
    },
  });
  const sheets = Math.ceil((ids.length + sheet.used) / Math.max(1, sheet.columns * sheet.rows));
  const scale = 150 / Math.max(sheet.pageWidth, sheet.pageHeight);
  return (
    <section className="card labels" aria-label="Labels">
      <div>
        {LENGTHS.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            quantity="length"
            value={sheet[key]}
            typed={typed[key]}
            onTyped={(t) => {
              setTyped({ ...typed, [key]: t });
              put(key, t?.base ?? START[key]);
            }}
          />
        ))}
        {COUNTS.map(([key, label]) => (
          <label key={key} className="line">
            {label}
            <InputNumber min={key === 'used' ? 0 : 1} max={60} precision={0} value={sheet[key]} onChange={(v) => put(key, v ?? 1)} />
          </label>
        ))}
      </div>
      <svg width={sheet.pageWidth * scale + 2} height={sheet.pageHeight * scale + 2} role="img" aria-label="The sheet, to scale">
        <rect x="1" y="1" width={sheet.pageWidth * scale} height={sheet.pageHeight * scale} fill="var(--sheet)" stroke="var(--ink)" />
        {w > 0 &&
          h > 0 &&
          Array.from({ length: Math.min(1200, sheet.columns * sheet.rows) }, (_, i) => (
            <rect
              key={i}
              x={1 + (sheet.sideMargin + (i % sheet.columns) * (w + sheet.gap)) * scale}
              y={1 + (sheet.topMargin + Math.floor(i / sheet.columns) * (h + sheet.gap)) * scale}
              width={w * scale}
              height={h * scale}
              fill={i < sheet.used ? 'var(--hair)' : i < sheet.used + ids.length ? 'var(--accent-soft)' : 'none'}
              stroke="var(--accent)"
              strokeWidth=".6"
            />
          ))}
      </svg>
      <div>
        <p>
          {ids.length} {ids.length === 1 ? 'label' : 'labels'} of {units.text(w, 'length')} × {units.text(h, 'length')},{' '}
          {sheets === 1 ? 'one sheet' : `${sheets} sheets`}.
        </p>
        <Problem error={draw.error} />
        <Button type="primary" loading={draw.isPending} onClick={() => draw.mutate()}>
          Make the PDF
        </Button>{' '}
        <Button type="text" onClick={onClose}>
          Close
        </Button>
      </div>
    </section>
  );
}
