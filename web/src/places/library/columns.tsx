import type { ReactNode } from 'react';
import type { UnitFormat } from '../../parts/units';
import { groupColours } from '../../parts/looks';
import { cutterWords, cuttingMaterialWords, sizeOf, type Family, type ListName, type RowOf } from '../../parts/shelf';

/** A column of a list: heading, width, what it is sorted by, and its cell. */
export interface Column<R> {
  title: string;
  width: string;
  sort?: string;
  right?: boolean;
  cell: (row: R) => ReactNode;
}

function Groups({ groups }: { groups: readonly string[] }) {
  return (
    <span className="groups">
      {groups.map((g) => (
        <i key={g} style={{ borderBottomColor: groupColours[g] }}>
          {g}
        </i>
      ))}
    </span>
  );
}

const mono = (text: string) => <span className="mono">{text}</span>;

/** The columns of a list; the number and the silhouette stand before them. */
export function columnsOf(units: UnitFormat, families: readonly Family[] | undefined): { [L in ListName]: Column<RowOf[L]>[] } {
  const size = (mm: number | undefined) => (mm ? units.size(mm) : '–');
  return {
    cutters: [
      {
        title: 'What it is',
        width: 'minmax(150px,1.4fr)',
        sort: 'family',
        cell: (r) => cutterWords(r.sheet.definition, r.sheet.looks, (mm) => units.size(mm), families),
      },
      { title: 'Size', width: '58px', sort: 'size', right: true, cell: (r) => mono(size(sizeOf(r.sheet.definition, families))) },
      { title: 'z', width: '34px', sort: 'ZEFF', right: true, cell: (r) => mono(String(r.sheet.definition.dimensions!.ZEFF ?? '–')) },
      { title: 'RE', width: '46px', sort: 'RE', right: true, cell: (r) => mono(size(r.sheet.definition.dimensions!.RE)) },
      { title: 'LU', width: '52px', sort: 'LU', right: true, cell: (r) => mono(size(r.sheet.definition.dimensions!.LU)) },
      {
        title: 'Of',
        width: 'minmax(80px,.7fr)',
        sort: 'material',
        cell: (r) =>
          `${cuttingMaterialWords[r.sheet.definition.material!]}${r.sheet.definition.coating ? `, ${r.sheet.definition.coating}` : ''}`,
      },
      { title: 'May cut', width: '104px', cell: (r) => <Groups groups={r.sheet.definition.groups!} /> },
      {
        title: 'Stands in',
        width: 'minmax(70px,.6fr)',
        cell: (r) => <span className="muted">{r.machines.join(', ') || r.assemblies[0] || ''}</span>,
      },
      { title: 'Data', width: '52px', sort: 'approved', right: true, cell: (r) => (r.approved ? mono(String(r.approved)) : '') },
    ],
    holders: [
      { title: 'Kind', width: 'minmax(150px,1.2fr)', sort: 'kind', cell: (r) => r.sheet.definition.kind },
      {
        title: 'Interface',
        width: '90px',
        sort: 'interface',
        cell: (r) => r.sheet.definition.interface || <span className="muted">{r.sheet.definition.role}</span>,
      },
      {
        title: 'Clamps',
        width: '100px',
        sort: 'clamping',
        cell: (r) => {
          const { leastClamping: a, largestClamping: b } = r.sheet.definition;
          return mono(a === b ? size(b) : `${size(a)} – ${size(b)}`);
        },
      },
      { title: 'Grip', width: '56px', sort: 'leastGrip', right: true, cell: (r) => mono(size(r.sheet.definition.leastGrip)) },
      {
        title: 'Gauge',
        width: '64px',
        sort: 'gaugeLength',
        right: true,
        cell: (r) => mono(size(r.sheet.definition.segments.reduce((sum, s) => sum + s.length, 0))),
      },
      {
        title: 'rev/min',
        width: '76px',
        sort: 'largestSpeed',
        right: true,
        cell: (r) => mono(units.number(r.sheet.definition.largestSpeed, 'spindleSpeed')),
      },
      { title: 'In', width: 'minmax(90px,.8fr)', cell: (r) => <span className="muted">{few(r.assemblies)}</span> },
    ],
    assemblies: [
      {
        title: 'What it is',
        width: 'minmax(150px,1.2fr)',
        sort: 'family',
        cell: (r) => cutterWords(r.sheet.looks.built!.cutter, r.sheet.looks, (mm) => units.size(mm), families),
      },
      { title: 'Size', width: '56px', sort: 'size', right: true, cell: (r) => mono(size(sizeOf(r.sheet.looks.built!.cutter, families))) },
      { title: 'Out', width: '56px', sort: 'projection', right: true, cell: (r) => mono(size(r.sheet.looks.built!.toolLength)) },
      { title: 'Gauge', width: '64px', sort: 'gaugeLength', right: true, cell: (r) => mono(size(r.sheet.looks.built!.gaugeLength)) },
      {
        title: 'Holder',
        width: 'minmax(120px,1fr)',
        cell: (r) => [r.sheet.looks.built!.holder, ...r.sheet.looks.built!.extensions].map((h) => h.kind).join(' + '),
      },
      {
        title: 'Kept in',
        width: 'minmax(90px,.8fr)',
        sort: 'stockPlace',
        cell: (r) => <span className="muted">{r.sheet.definition.stockPlace}</span>,
      },
      { title: 'Stands in', width: '80px', cell: (r) => <span className="muted">{r.machines.join(', ')}</span> },
      { title: 'Data', width: '50px', right: true, cell: (r) => (r.approved ? mono(String(r.approved)) : '') },
    ],
  };
}

const few = (names: readonly string[]) =>
  names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ');
