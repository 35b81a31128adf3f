import { useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Input, Select, Table, type TableColumnsType } from 'antd';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { NumberField, still, type Typed } from '../../parts/NumberField';
import { Sym } from '../../parts/Sym';
import { SheetFrame } from '../../parts/SheetFrame';
import { cuttingMaterialWords, useFamilies } from '../../parts/shelf';
import { storedCalls } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { keyOf, merged, type Row } from './chartRows';
import { ChartTools } from './ChartTools';
import { DrillingCycles } from './DrillingCycles';
import { ShopPractice } from './ShopPractice';
import type { Quantity } from '../../parts/units';

type Chart = Schemas['SpeedChart'];
type ChartSheet = Schemas['SheetOfSpeedChart'];

/** The server's calls for charts. */
export const chartCalls = storedCalls<Chart, ChartSheet>('shop/charts');

const NAMES = {
  rows: 'Row',
  cycles: 'Drilling cycle',
  feeds: 'feed',
  practice: 'Practice',
  family: 'family of cutter',
  cuttingMaterial: 'cutting material',
  subGroup: 'work material',
  operation: 'operation',
  cuttingSpeed: 'cutting speed',
  widthRatio: 'width / D',
  depthRatio: 'depth / D',
  depth: 'depth of cut',
  life: 'lasts',
  lifeExponent: 'exponent',
  untried: 'not tried here',
  source: 'from',
};

/** Diameters whose feeds stand in the table at most; the chart itself may have more. */
const MOST_DIAMETERS = 6;

/** The shop's starting figures; an engineer changes a figure where it stands, and the chart is revised as a whole. */
export function SpeedChartTable({ chart, operations }: { chart: ChartSheet; operations: readonly Schemas['OperationDescription'][] }) {
  const mayWork = useMayWork();
  const units = useUnits();
  const [typed, setTyped] = useState<Record<string, Typed | undefined>>({});
  const form = useSheetForm<Chart, ChartSheet>({
    sheet: chart,
    blank: chart.definition,
    calls: chartCalls,
    onSaved: () => setTyped({}),
  });
  const rows = form.definition.rows;
  const families = useFamilies();
  const [search, setSearch] = useSearchParams();
  const family = (search.get('family') as Row['family'] | null) ?? rows[0]?.family ?? 'squareEndMill';
  const setFamily = (next: Row['family']) => setSearch((s) => ({ ...Object.fromEntries(s), family: next }), { replace: true });
  const resting = useQuery({
    queryKey: ['charts', 'resting', chart.id],
    queryFn: () => data(client.GET('/api/v1/shop/charts/{id}/resting', { params: { path: { id: chart.id } } })),
  });
  const uses = new Map((resting.data ?? []).map((u) => [keyOf(u), u]));
  const shown = rows.map((r, at) => ({ ...r, at })).filter((r) => r.family === family);
  const diameters = diametersOf(shown);
  const words = (code: string | undefined) => families.data?.find((f) => f.code === code)?.name ?? code ?? '';
  const counts = new Map<string, number>();
  rows.forEach((r) => counts.set(r.family ?? '', (counts.get(r.family ?? '') ?? 0) + 1));
  const put = (at: number, next: Row, step: string) =>
    form.set(
      'rows',
      rows.map((r, i) => (i === at ? next : r)),
      undefined,
      step,
    );

  // A box of the table: where its value stands in the row, and how the row looks with another one.
  const box = (at: number, path: string, label: string, quantity: Quantity, value: number | undefined, into: (value: number) => Row) => (
    <NumberField
      bare
      label={`${label}, row ${at + 1}`}
      quantity={quantity}
      value={value}
      typed={value === undefined ? typed[`${at}.${path}`] : still(typed[`${at}.${path}`], value)}
      onTyped={(t) => {
        setTyped((all) => ({ ...all, [`${at}.${path}`]: t }));
        if (t) put(at, into(t.base), `${at}.${path}`);
      }}
      refused={form.refused[`rows[${at}].${path}`]}
      disabled={!mayWork}
    />
  );
  // Width and depth of a hole tool are the hole's own.
  const mills = families.data?.find((f) => f.code === family)?.use === 'milling';
  const ratios: TableColumnsType<Row & { at: number }> = [
    {
      title: 'Width / D',
      render: (_, r) => box(r.at, 'widthRatio', 'Width over diameter', 'ratio', r.widthRatio, (v) => ({ ...rows[r.at]!, widthRatio: v })),
    },
    {
      title: 'Depth / D',
      render: (_, r) => box(r.at, 'depthRatio', 'Depth over diameter', 'ratio', r.depthRatio, (v) => ({ ...rows[r.at]!, depthRatio: v })),
    },
  ];
  const turns = families.data?.find((f) => f.code === family)?.use === 'turning';
  const depths: TableColumnsType<Row & { at: number }> = [
    {
      title: 'Depth of cut',
      render: (_, r) => box(r.at, 'depth', 'Depth of cut', 'length', r.depth ?? undefined, (v) => ({ ...rows[r.at]!, depth: v })),
    },
  ];
  const able = operations.filter((o) => family && o.families.includes(family));
  const operationNames = able.map((o) => ({ value: o.code, label: o.name }));

  return (
    <SheetFrame
      means="chart"
      within
      title={chart.definition.name}
      back={{ to: '/shop', words: 'Shop' }}
      sheet={chart}
      rests="shop/charts"
      form={form}
      fields={[]}
      names={NAMES}
    >
      <p className="muted">
        {mills
          ? `The feed per tooth, in ${units.unit('chip')}, is stated for the row's own width.`
          : turns
            ? `The feed of a turn, in ${units.unit('chip')}, goes by the corner radius or a blade's width; a thread follows its pitch.`
            : `The feed per tooth, in ${units.unit('chip')}, counts for each lip; a tap follows its pitch.`}{' '}
        An edge lasts so long at the speed of its row, and by the exponent longer at a lower one; 0 where it is not known. A record goes
        stale where a change of its row would move its figures; none is changed by it.
      </p>
      <div className="inline">
        <label>
          Family of cutter
          <Select
            aria-label="Family of cutter"
            value={family}
            onChange={setFamily}
            showSearch={{ optionFilterProp: 'label' }}
            popupMatchSelectWidth={280}
            options={(families.data ?? [])
              .filter((f) => operations.some((o) => o.families.includes(f.code)))
              .map((f) => ({
                value: f.code,
                label: `${f.name} · ${counts.get(f.code) ?? 0} ${counts.get(f.code) === 1 ? 'row' : 'rows'}`,
              }))}
          />
        </label>
      </div>
      {mayWork && (
        <ChartTools
          id={chart.id}
          rows={rows}
          family={family}
          onRows={(incoming, step) => {
            setTyped({});
            form.set('rows', merged(rows, incoming), undefined, step);
            if (incoming[0]) setFamily(incoming[0].family);
          }}
        />
      )}
      <DrillingCycles
        cycles={form.definition.cycles ?? []}
        family={family}
        disabled={!mayWork}
        refused={form.refused}
        onCycles={(cycles, step) => form.set('cycles', cycles, undefined, step)}
      />
      <Table<Row & { at: number }>
        size="small"
        className="chart"
        scroll={{ x: 'max-content' }}
        rowKey="at"
        pagination={false}
        dataSource={shown}
        locale={{ emptyText: `No rows for a ${words(family)} yet. Add one, or calculations ask for speed and feed by name.` }}
        columns={[
          {
            title: 'Material',
            width: 80,
            render: (_, r) => (
              <Input
                variant="borderless"
                aria-label={`Sub-group, row ${r.at + 1}`}
                value={r.subGroup}
                disabled={!mayWork}
                onChange={(e) => put(r.at, { ...rows[r.at]!, subGroup: e.target.value }, `${r.at}.subGroup`)}
              />
            ),
          },
          {
            title: 'Cutting material',
            render: (_, r) => (
              <Select
                variant="borderless"
                size="small"
                aria-label={`Cutting material, row ${r.at + 1}`}
                value={r.cuttingMaterial}
                disabled={!mayWork}
                onChange={(cuttingMaterial) => put(r.at, { ...rows[r.at]!, cuttingMaterial }, `${r.at}.cuttingMaterial`)}
                options={(Object.keys(cuttingMaterialWords) as (keyof typeof cuttingMaterialWords)[]).map((m) => ({
                  value: m,
                  label: cuttingMaterialWords[m],
                }))}
              />
            ),
          },
          {
            title: 'Operation',
            render: (_, r) => (
              <Select
                variant="borderless"
                size="small"
                aria-label={`Operation, row ${r.at + 1}`}
                value={r.operation}
                disabled={!mayWork}
                onChange={(operation) => put(r.at, { ...rows[r.at]!, operation }, `${r.at}.operation`)}
                options={operationNames}
              />
            ),
          },
          {
            title: 'Tried here',
            render: (_, r) => (
              <Checkbox
                aria-label={`Tried here, row ${r.at + 1}`}
                checked={!r.untried}
                disabled={!mayWork}
                onChange={(e) => put(r.at, { ...rows[r.at]!, untried: !e.target.checked }, `${r.at}.untried`)}
              />
            ),
          },
          {
            title: 'Records',
            render: (_, r) => {
              const use = uses.get(keyOf(r));
              return use ? `${use.records}${use.ran > 0 ? `, ran ${use.ran} ×` : ''}` : <span className="muted">none</span>;
            },
          },
          {
            title: `Speed, ${units.unit('cuttingSpeed')}`,
            render: (_, r) =>
              box(r.at, 'cuttingSpeed', 'Cutting speed', 'cuttingSpeed', r.cuttingSpeed, (v) => ({ ...rows[r.at]!, cuttingSpeed: v })),
          },
          {
            title: 'Lasts, min',
            render: (_, r) => box(r.at, 'life', 'Tool life at this speed', 'time', r.life ?? 0, (v) => ({ ...rows[r.at]!, life: v })),
          },
          {
            title: 'Exponent',
            render: (_, r) =>
              box(r.at, 'lifeExponent', 'Exponent of the life', 'ratio', r.lifeExponent ?? 0, (v) => ({ ...rows[r.at]!, lifeExponent: v })),
          },
          ...(mills ? ratios : turns ? depths : []),
          ...diameters.map((diameter) => ({
            title: (
              <>
                <Sym text={turns ? 'f' : 'f_z'} /> at {turns ? '' : 'Ø'}
                {units.size(diameter)}
              </>
            ),
            render: (_: unknown, r: Row & { at: number }) => {
              const j = r.feeds.findIndex((f) => f.diameter === diameter);
              if (j < 0) return <span className="muted">by proportion</span>;
              return box(r.at, `feeds[${j}].feedPerTooth`, `Feed per tooth at ${diameter} mm`, 'chip', r.feeds[j]!.feedPerTooth, (v) => ({
                ...rows[r.at]!,
                feeds: rows[r.at]!.feeds.map((f, i) => (i === j ? { ...f, feedPerTooth: v } : f)),
              }));
            },
          })),
          {
            title: 'From',
            render: (_, r) => (
              <Input
                variant="borderless"
                style={{ width: 260 }}
                aria-label={`Where it comes from, row ${r.at + 1}`}
                value={r.source}
                disabled={!mayWork}
                onChange={(e) => put(r.at, { ...rows[r.at]!, source: e.target.value }, `${r.at}.source`)}
              />
            ),
          },
          {
            title: '',
            render: (_, r) =>
              mayWork && (
                <Button
                  type="text"
                  size="small"
                  aria-label={`Take out row ${r.at + 1}`}
                  onClick={() => {
                    setTyped({});
                    form.set(
                      'rows',
                      rows.filter((_row, i) => i !== r.at),
                      undefined,
                      `out ${r.at}`,
                    );
                  }}
                >
                  Take out
                </Button>
              ),
          },
        ]}
      />
      {mayWork && (
        <p>
          <Button
            disabled={able.length === 0}
            onClick={() =>
              form.set(
                'rows',
                [
                  ...rows,
                  {
                    family,
                    cuttingMaterial: 'carbide',
                    subGroup: '',
                    operation: able[0]?.code ?? '',
                    cuttingSpeed: 100,
                    feeds: (operations.find((o) => o.code === able[0]?.code)?.feedInStep
                      ? []
                      : diameters.length > 0
                        ? diameters
                        : turns
                          ? [0.4, 0.8, 1.2]
                          : [6, 12, 20]
                    ).map((diameter) => ({
                      diameter,
                      feedPerTooth: Number((turns ? Math.min(0.3 * diameter, 0.4) : diameter * 0.005).toFixed(4)),
                    })),
                    widthRatio: mills ? 0.2 : 1,
                    depthRatio: 1,
                    source: 'added here',
                    untried: true,
                  },
                ],
                undefined,
                `row ${rows.length}`,
              )
            }
          >
            Add a row
          </Button>
        </p>
      )}
      <ShopPractice
        practice={form.definition.practice}
        disabled={!mayWork}
        refused={form.refused}
        onPractice={(practice, step) => form.set('practice', practice, undefined, step)}
      />
    </SheetFrame>
  );
}

// The diameters most rows have a feed for, small to large.
function diametersOf(rows: readonly Row[]): number[] {
  const counts = new Map<number, number>();
  rows.forEach((r) => r.feeds.forEach((f) => counts.set(f.diameter, (counts.get(f.diameter) ?? 0) + 1)));
  return [...counts.entries()]
    .sort((a, b) => b[1] - a[1] || b[0] - a[0])
    .slice(0, MOST_DIAMETERS)
    .map(([diameter]) => diameter)
    .sort((a, b) => a - b);
}
