import { Table } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../app/session';
import { NumberField } from '../../parts/NumberField';
import { SheetFrame } from '../../parts/SheetFrame';
import type { Typed } from '../../parts/NumberField';
import { useSheetForm } from '../../parts/useSheetForm';

type Chart = Schemas['SpeedChart'];
type Row = Chart['rows'][number];
type ChartSheet = Schemas['SheetOfSpeedChart'];

/** The shop's starting figures; an engineer changes a figure where it stands, and the chart is revised as a whole. */
export function SpeedChartTable({
  chart,
  nameOf,
  materialOf,
}: {
  chart: ChartSheet;
  nameOf: (code: string) => string;
  materialOf: (code: string) => string;
}) {
  const units = useUnits();
  const mayWork = useMayWork();
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const form = useSheetForm<Chart, ChartSheet>({
    sheet: chart,
    blank: chart.definition,
    list: 'charts',
    create: () => Promise.resolve(chart),
    change: (from, body) =>
      data(
        client.PUT('/api/v1/shop/charts/{id}', { params: { path: { id: from.id } }, headers: { 'If-Match': `"${from.revision}"` }, body }),
      ) as Promise<ChartSheet>,
    onSaved: () => setTyped({}),
  });
  const rows = form.definition.rows;
  const put = (i: number, key: 'cuttingSpeed' | 'widthRatio' | 'depthRatio', t: Typed | undefined) => {
    setTyped((all) => ({ ...all, [`${i}.${key}`]: t }));
    const value = t?.base ?? chart.definition.rows[i]![key];
    form.set(
      'rows',
      rows.map((r, j) => (j === i ? { ...r, [key]: value } : r)),
    );
  };
  const field = (
    i: number,
    row: Row,
    key: 'cuttingSpeed' | 'widthRatio' | 'depthRatio',
    label: string,
    quantity: 'cuttingSpeed' | 'ratio',
  ) => (
    <NumberField
      bare
      label={`${label}, row ${i + 1}`}
      quantity={quantity}
      value={row[key]}
      typed={typed[`${i}.${key}`]}
      onTyped={(t) => put(i, key, t)}
      refused={form.refused[`rows[${i}].${key}`]}
      disabled={!mayWork}
    />
  );
  return (
    <SheetFrame
      title={chart.definition.name}
      back={{ to: '/shop', words: 'Shop' }}
      sheet={chart}
      form={form}
      fields={[]}
      names={{ rows: 'Rows' }}
    >
      <p className="muted">
        The feed per tooth is stated for the row's own width. A change makes every record that rests on the chart stale; none is changed by
        it.
      </p>
      <Table<Row & { at: number }>
        size="small"
        rowKey="at"
        pagination={false}
        dataSource={rows.map((r, at) => ({ ...r, at }))}
        columns={[
          { title: 'Material', render: (_, r) => r.subGroup },
          { title: 'Cutter', render: (_, r) => `square end mill, ${materialOf(r.cuttingMaterial)}` },
          { title: 'Operation', render: (_, r) => nameOf(r.operation) },
          { title: 'Cutting speed', align: 'right', render: (_, r) => field(r.at, r, 'cuttingSpeed', 'Cutting speed', 'cuttingSpeed') },
          { title: 'Width / D', align: 'right', render: (_, r) => field(r.at, r, 'widthRatio', 'Width over diameter', 'ratio') },
          { title: 'Depth / D', align: 'right', render: (_, r) => field(r.at, r, 'depthRatio', 'Depth over diameter', 'ratio') },
          {
            title: `Feed per tooth at Ø 6, 12, 20`,
            align: 'right',
            render: (_, r) => (
              <span className="mono">
                {[6, 12, 20]
                  .map((d) => r.feeds.find((f) => f.diameter === d)?.feedPerTooth)
                  .filter((f) => f !== undefined)
                  .map((f) => units.number(f, 'chip'))
                  .join('  ')}
              </span>
            ),
          },
          { title: 'From', render: (_, r) => <span className="muted small">{r.source}</span> },
        ]}
      />
    </SheetFrame>
  );
}
