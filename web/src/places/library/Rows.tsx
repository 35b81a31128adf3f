import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { client, data } from '../../api/client';
import { useUnits } from '../../parts/session';
import { spanOf, type Profile } from '../../parts/outline';
import type { Family, ListName, RowOf } from '../../parts/shelf';
import { helixOf, ScaleBar, Silhouette } from '../../parts/Silhouette';
import { columnsOf, type Column } from './columns';
import type { useListing } from './useListing';

const ROW = 46;
const PICTURE = 230;
const NUMBER = '96px';

interface Props<L extends ListName> {
  list: L;
  listing: ReturnType<typeof useListing<L>>;
  families: readonly Family[] | undefined;
  query: Record<string, string>;
  chosen: ReadonlySet<number>;
  onChosen: (ids: ReadonlySet<number>) => void;
  onWindow: (window: [number, number]) => void;
  onSort: (column: string | undefined, descending: boolean) => void;
}

/** The rows of a list, only those in sight drawn; every silhouette in one common scale. */
export function Rows<L extends ListName>({ list, listing, families, query, chosen, onChosen, onWindow, onSort }: Props<L>) {
  const units = useUnits();
  const navigate = useNavigate();
  const scroller = useRef<HTMLDivElement>(null);
  const last = useRef(0);
  const columns = columnsOf(units, families)[list] as unknown as Column<RowOf[L]>[];
  const virtual = useVirtualizer({ count: listing.total, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 20 });
  const items = virtual.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items[items.length - 1]?.index ?? 0];
  useEffect(() => onWindow([from, to]), [from, to, onWindow]);

  // One scale for the list, in which most of the first rows fit; what is larger is drawn smaller by a whole factor, and says so.
  const profiles = (listing.first?.rows ?? []).map((r) => r.sheet.looks.profile);
  const most = (values: number[], least: number) =>
    Math.max(least, [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.8)] ?? least);
  const thick = (p: Profile) => spanOf(p)[1] - spanOf(p)[0];
  const scale = Math.min(
    2.4,
    (PICTURE - 6) /
      most(
        profiles.map((p) => p.length),
        60,
      ),
    (ROW - 5) / most(profiles.map(thick), 10),
  );
  const factorOf = (p: Profile) =>
    [1, 2, 3, 4, 6, 8, 12].find((k) => (p.length * scale) / k <= PICTURE - 6 && (thick(p) * scale) / k <= ROW - 5) ?? 16;
  const template = `26px ${NUMBER} ${PICTURE + 8}px ${columns.map((c) => c.width).join(' ')}`;

  const choose = (index: number, id: number, range: boolean) => {
    const next = new Set(chosen);
    const on = !chosen.has(id);
    const [a, b] = range ? [Math.min(last.current, index), Math.max(last.current, index)] : [index, index];
    for (let i = a; i <= b; i++) {
      const row = listing.row(i);
      if (row && on) next.add(row.sheet.id);
      else if (row) next.delete(row.sheet.id);
    }
    last.current = index;
    onChosen(next);
  };
  const chooseAll = async (on: boolean) =>
    onChosen(
      new Set(on ? await data(client.GET('/api/v1/library/{list}/ids', { params: { path: { list }, query: query as never } })) : []),
    );

  return (
    <div
      ref={scroller}
      className="rows-table"
      role="table"
      tabIndex={0}
      aria-label={`${listing.total} ${list}`}
      aria-rowcount={listing.total}
    >
      <div className="rows-head" role="row" style={{ gridTemplateColumns: template }}>
        <span role="columnheader">
          <input
            type="checkbox"
            aria-label="Choose all that fit"
            checked={listing.total > 0 && chosen.size >= listing.total}
            onChange={(e) => void chooseAll(e.target.checked)}
          />
        </span>
        <SortHead title={list === 'assemblies' ? 'Shop number' : 'Number'} query={query} onSort={onSort} />
        <span role="columnheader">
          <ScaleBar scale={scale} text={(mm) => `${units.size(mm)} ${units.system}`} />
        </span>
        {columns.map((c) => (
          <SortHead
            key={c.title}
            title={c.title}
            sort={c.sort ?? ''}
            fixed={!c.sort}
            right={c.right ?? false}
            query={query}
            onSort={onSort}
          />
        ))}
      </div>
      <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map((item) => {
          const row = listing.row(item.index);
          const style = { transform: `translateY(${item.start}px)`, height: ROW, gridTemplateColumns: template };
          if (!row)
            return (
              <div key={item.key} role="row" className="row waiting" style={style}>
                <span /> <span>fetching…</span>
              </div>
            );
          const { sheet } = row;
          const cutter =
            'cutterId' in sheet.definition ? sheet.looks.built?.cutter : 'family' in sheet.definition ? sheet.definition : undefined;
          const path = `/library/${list}/${sheet.id}`;
          const factor = factorOf(sheet.looks.profile);
          return (
            <div
              key={item.key}
              role="row"
              aria-rowindex={item.index + 1}
              className={`row ${chosen.has(sheet.id) ? 'chosen' : ''} ${sheet.definition.retired ? 'retired' : ''}`}
              style={style}
              onDoubleClick={() => void navigate(path)}
            >
              <span role="cell">
                <input
                  type="checkbox"
                  aria-label={`Choose ${sheet.definition.number}`}
                  checked={chosen.has(sheet.id)}
                  onChange={(e) => choose(item.index, sheet.id, (e.nativeEvent as MouseEvent).shiftKey)}
                />
              </span>
              <span role="cell">
                <Link to={path}>{sheet.definition.number}</Link>
              </span>
              <span role="cell">
                <Silhouette profile={sheet.looks.profile} helix={helixOf(cutter)} scale={scale / factor} width={PICTURE} height={ROW - 4} />
                {factor > 1 && <small className="factor">1 : {factor}</small>}
              </span>
              {columns.map((c) => (
                <span key={c.title} role="cell" className={c.right ? 'right' : ''}>
                  {c.cell(row)}
                </span>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

function SortHead(props: {
  title: string;
  sort?: string;
  fixed?: boolean;
  right?: boolean;
  query: Record<string, string>;
  onSort: (column: string | undefined, descending: boolean) => void;
}) {
  const { title, sort = '', fixed, right, query, onSort } = props;
  const active = (query.sort ?? '') === sort;
  const down = query.descending === 'true';
  if (fixed)
    return (
      <span role="columnheader" className={right ? 'right' : ''}>
        {title}
      </span>
    );
  return (
    <span role="columnheader" className={right ? 'right' : ''} aria-sort={active ? (down ? 'descending' : 'ascending') : 'none'}>
      <button type="button" onClick={() => onSort(sort || undefined, active && !down)}>
        {title}
        {active ? (down ? ' ↓' : ' ↑') : ''}
      </button>
    </span>
  );
}
