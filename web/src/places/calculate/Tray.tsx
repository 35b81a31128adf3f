import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { saveFile } from '../../parts/saveFile';
import { Sym } from '../../parts/Sym';
import { useOperations } from '../../parts/shelf';
import { clock } from '../../parts/units';
import { readAddress } from './address';
import type { FigureCode } from './page';
import type { Address } from './useAddress';
import { useTray } from './useTray';

// What is compared, and whether more or less of it is better by itself: less force or power is not.
const ROWS: [code: FigureCode, better: 'less' | 'more' | null][] = [
  ['time', 'less'],
  ['passesAcross', null],
  ['passesDown', null],
  ['removalRate', 'more'],
  ['toolLife', 'more'],
  ['peakForce', null],
  ['deflection', null],
  ['torque', null],
  ['thrust', null],
  ['power', null],
  ['peakToValley', 'less'],
  ['width', null],
  ['depth', null],
  ['spindleSpeed', null],
  ['feedRate', null],
  ['largestChip', null],
  ['arc', null],
  ['programmedDepth', null],
  ['pecks', null],
  ['cuttingForce', null],
  ['flankError', 'less'],
  ['rounds', null],
  ['heightCut', null],
];

/** Pinned alternatives in columns; the best of a row is marked, and what differs from the first one says by how much. */
export function Tray({ goOn }: { goOn: Pick<Address, 'replace'> }) {
  const tray = useTray();
  const operations = useOperations();
  const opWords = (code: string) => operations.data?.find((o) => o.code === code)?.name.toLowerCase() ?? code;
  const units = useUnits();
  const asked = tray.pinned.map((p) => ({ ...p.alternative, name: p.name }));
  const compared = useQuery({
    queryKey: ['comparison', asked],
    queryFn: () => data(client.POST('/api/v1/comparisons', { body: asked })),
    enabled: asked.length > 0,
    retry: false,
  });
  if (tray.pinned.length === 0)
    return (
      <p className="muted">
        Nothing is pinned yet. Pin what stands on the page, change cutter, method or values, and pin again: up to eight stand here side by
        side.
      </p>
    );
  if (compared.error) return <Problem error={compared.error} />;
  const columns = tray.pinned.map((p, i) => ({ ...p, got: compared.data?.[i] }));
  const valueOf = (c: (typeof columns)[number], code: string) => c.got?.result?.figures.find((f) => f.code === code);
  // Better or worse is only said among those that keep their limits and do the same work as the first of them.
  const work = columns.find((c) => c.got?.keeps)?.got?.work;
  const alike = (i: number) => columns[i]!.got?.keeps === true && columns[i]!.got.work === work;
  const rows = ROWS.filter(([code]) => columns.some((c) => (valueOf(c, code)?.value ?? 0) !== 0));

  async function save(format: 'csv' | 'xlsx') {
    const answer = client.POST('/api/v1/comparisons/export.{format}', { params: { path: { format } }, body: asked, parseAs: 'blob' });
    saveFile(await data(answer), `comparison.${format}`);
  }

  return (
    <div className="tray">
      <table className="courses">
        <thead>
          <tr>
            <th />
            {columns.map((c, i) => (
              <th key={i}>
                <input
                  aria-label={`Name of alternative ${i + 1}`}
                  value={c.name}
                  maxLength={40}
                  onChange={(e) => tray.rename(i, e.target.value)}
                />
                <small>{c.got?.result ? opWords(c.alternative.operation) : ''}</small>
                <span className="acts">
                  <button onClick={() => goOn.replace('tray', readAddress(c.address))} aria-label={`Go on with ${c.name}`}>
                    go on
                  </button>
                  <button onClick={() => tray.unpin(i)} aria-label={`Unpin ${c.name}`}>
                    unpin
                  </button>
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([code, better]) => {
            const figures = columns.map((c) => valueOf(c, code));
            const values = figures.map((f) => f?.value ?? NaN).filter(Number.isFinite);
            const runnable = figures.flatMap((f, i) => (f && alike(i) ? [f.value] : []));
            const best =
              runnable.length < 2 ? NaN : better === 'less' ? Math.min(...runnable) : better === 'more' ? Math.max(...runnable) : NaN;
            const any = figures.find(Boolean)!;
            const first = figures[0]?.value;
            return (
              <tr key={code}>
                <th>
                  {any.name} <Sym text={any.symbol} />
                  {units.unit(any.quantity) && <small>, {units.unit(any.quantity)}</small>}
                </th>
                {figures.map((f, i) => {
                  if (!f) return <td key={i}>–</td>;
                  const apart = first !== undefined && i > 0 && first !== 0 ? f.value / first - 1 : 0;
                  const unlike = values.length > 1 && Math.max(...values) - Math.min(...values) > 1e-9 * Math.abs(best || 1);
                  return (
                    <td key={i} className={unlike && f.value === best && alike(i) ? 'best' : ''}>
                      {f.quantity === 'time' ? clock(f.value) : units.number(f.value, f.quantity)}
                      {Math.abs(apart) > 0.0005 && (
                        <small>
                          {apart > 0 ? '+' : '−'}
                          {Math.abs(apart * 100).toFixed(Math.abs(apart) < 0.1 ? 1 : 0)} %
                        </small>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          <tr>
            <th>Tightest limit</th>
            {columns.map((c, i) => (
              <td key={i} className="words">
                {tightest(c.got)}
              </td>
            ))}
          </tr>
          <tr>
            <th>Stops and cautions</th>
            {columns.map((c, i) => (
              <td key={i} className="words">
                <Grave findings={c.got?.result?.findings} />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {columns.some((c, i) => c.got?.keeps && !alike(i)) && (
        <p className="muted small">Not all of these do the same work, so the best is marked among those like the first only.</p>
      )}
      <div className="inline">
        <Button size="small" onClick={() => void save('csv')}>
          Save as CSV
        </Button>
        <Button size="small" onClick={() => void save('xlsx')}>
          Save as XLSX
        </Button>
        <Button size="small" type="text" onClick={tray.clear}>
          Unpin all
        </Button>
      </div>
    </div>
  );
}

// What must not be run, or only with care: it decides before any figure does.
function Grave({ findings }: { findings: readonly Schemas['Finding'][] | undefined }) {
  const units = useUnits();
  const grave = (findings ?? []).filter((f) => f.severity !== 'info');
  if (!findings) return <>–</>;
  if (grave.length === 0) return <>none</>;
  return (
    <ul className="grave">
      {grave.map((f, i) => (
        <li key={i} className={f.severity}>
          <b>{f.severity === 'stop' ? 'Stop' : 'Caution'}:</b> {units.sentence(f.text)}
        </li>
      ))}
    </ul>
  );
}

function tightest(c: Schemas['ComparedAlternative'] | undefined): string {
  if (!c) return '…';
  if (!c.result) return c.faults.map((f) => f.sentence).join(' ');
  const limit = c.result.limits.find((l) => l.use !== null);
  return limit ? `${limit.name.toLowerCase()} ${Math.round(limit.use! * 100)} %` : 'none judged';
}
