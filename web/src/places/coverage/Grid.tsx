import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { foremost, recordsIn, said, short } from './marks';

type Answer = Schemas['CoverageAnswer'];
type Line = Schemas['CoverageLine'];
const [ROW, COLUMN, LEFT, TOP] = [28, 52, 210, 128];

export const keyOf = (row: string, column: string) => `${row} ${column}`;

interface Props {
  answer: Answer;
  /** Keys of gaps that are chosen; undefined where gaps cannot be filled. */
  chosen: ReadonlySet<string> | undefined;
  onChosen: (keys: ReadonlySet<string>) => void;
  onOpen: (row: Line, column: Line) => void;
}

/** The cells of a coverage, only those in sight drawn; one is active, and the arrows move it. */
export function Grid({ answer, chosen, onChosen, onOpen }: Props) {
  const { rows, columns } = answer;
  const cells = new Map(answer.cells.map((c) => [keyOf(c.row, c.column), c.count]));
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const [r, c] = [Math.min(at[0], rows.length - 1), Math.min(at[1], columns.length - 1)];
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    scrollPaddingStart: TOP,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN,
    overscan: 4,
    scrollPaddingStart: LEFT,
  });
  useEffect(() => {
    down.scrollToIndex(r);
    across.scrollToIndex(c);
  }, [r, c, down, across]);
  const gaps = (pairs: [Line, Line][]) => pairs.map(([a, b]) => keyOf(a.key, b.key)).filter((k) => recordsIn(cells.get(k)) === 0);
  const toggle = (keys: string[]) => {
    if (!chosen) return;
    const next = new Set(chosen);
    const on = keys.some((k) => !chosen.has(k));
    for (const k of keys)
      if (on) next.add(k);
      else next.delete(k);
    onChosen(next);
  };
  const open = (row: Line, column: Line) => {
    if (recordsIn(cells.get(keyOf(row.key, column.key))) > 0) onOpen(row, column);
    else toggle([keyOf(row.key, column.key)]);
  };
  const move = (dr: number, dc: number) =>
    setAt([Math.max(0, Math.min(rows.length - 1, r + dr)), Math.max(0, Math.min(columns.length - 1, c + dc))]);
  const keys: Record<string, () => void> = {
    ArrowDown: () => move(1, 0),
    ArrowUp: () => move(-1, 0),
    ArrowRight: () => move(0, 1),
    ArrowLeft: () => move(0, -1),
    PageDown: () => move(15, 0),
    PageUp: () => move(-15, 0),
    Home: () => move(0, -columns.length),
    End: () => move(0, columns.length),
    Enter: () => open(rows[r]!, columns[c]!),
    ' ': () => toggle(gaps([[rows[r]!, columns[c]!]])),
  };
  const [active, over] = [rows[r], columns[c]];
  const here = active && over && cells.get(keyOf(active.key, over.key));
  return (
    <>
      <div
        ref={scroller}
        className="coverage"
        role="grid"
        tabIndex={0}
        aria-label="Coverage"
        aria-rowcount={rows.length + 1}
        aria-colcount={columns.length + 1}
        aria-activedescendant={`cell-${r}-${c}`}
        onKeyDown={(e) => {
          const act = keys[e.key];
          if (!act || e.ctrlKey || e.metaKey || e.altKey) return;
          e.preventDefault();
          act();
        }}
      >
        <div style={{ height: TOP + down.getTotalSize(), width: LEFT + across.getTotalSize(), position: 'relative' }}>
          <div className="coverhead" role="row" style={{ height: TOP, width: LEFT + across.getTotalSize() }}>
            <div className="covercorner" style={{ width: LEFT, height: TOP }} />
            {across.getVirtualItems().map((x) => {
              const column = columns[x.index]!;
              return (
                <button
                  key={column.key}
                  role="columnheader"
                  tabIndex={-1}
                  className={x.index === c ? 'on' : ''}
                  style={{ left: LEFT + x.start, width: COLUMN, height: TOP }}
                  title={`${column.name} ${column.about}`}
                  onClick={() => toggle(gaps(rows.map((row) => [row, column])))}
                >
                  <span>{column.name}</span>
                </button>
              );
            })}
          </div>
          {down.getVirtualItems().map((y) => {
            const row = rows[y.index]!;
            return (
              <div key={row.key} className="coverrow" role="row" aria-rowindex={y.index + 2} style={{ top: TOP + y.start, height: ROW }}>
                <button
                  role="rowheader"
                  tabIndex={-1}
                  className={y.index === r ? 'on' : ''}
                  style={{ width: LEFT }}
                  title={`${row.name} ${row.about}`}
                  onClick={() => toggle(gaps(columns.map((column) => [row, column])))}
                >
                  <b>{row.name}</b> <span>{row.about}</span>
                </button>
                {across.getVirtualItems().map((x) => {
                  const column = columns[x.index]!;
                  const key = keyOf(row.key, column.key);
                  const count = cells.get(key);
                  return (
                    <div
                      key={column.key}
                      id={`cell-${y.index}-${x.index}`}
                      role="gridcell"
                      aria-colindex={x.index + 2}
                      aria-selected={chosen?.has(key) ?? false}
                      aria-label={`${row.name}, ${column.name}: ${said(count)}`}
                      className={`${foremost(count) ?? 'none'}${y.index === r && x.index === c ? ' active' : ''}`}
                      style={{ left: LEFT + x.start, width: COLUMN, height: ROW }}
                      onClick={() => {
                        setAt([y.index, x.index]);
                        open(row, column);
                      }}
                    >
                      {chosen?.has(key) ? '✓' : short(count)}
                    </div>
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
      {active && over && (
        <p className="muted small" role="status">
          <b>{active.name}</b>, {over.name}: {said(here)}.{' '}
          {recordsIn(here) > 0
            ? 'Enter opens them.'
            : chosen
              ? 'Space chooses this gap; a heading chooses all gaps of its row or column.'
              : ''}
        </p>
      )}
    </>
  );
}
