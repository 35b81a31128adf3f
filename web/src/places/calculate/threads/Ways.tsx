import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link } from 'react-router';
import { threadOf } from '../../../api/beside';
import { client, data, type Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { Problem } from '../../../parts/Problem';
import { clock } from '../../../parts/units';
import { given, NOTHING, writeAddress } from '../address';
import type { Page } from '../page';
import { useTray } from '../useTray';

type Way = Schemas['ThreadWay'];

const addressOf = (way: Way): string =>
  writeAddress({
    ...NOTHING,
    operation: way.operation,
    material: way.request.materialId,
    assembly: way.assemblyId,
    machine: way.machineId,
    numbers: given(way.request.numbers ?? {}),
    picks: way.request.options ?? {},
    thread: threadOf(way.request.extras),
  });

/** Every way the shop has to make this thread: tapped, milled and turned, with what stands where. */
export function Ways({ situation, body, address }: Pick<Page, 'situation' | 'body' | 'address'>) {
  const units = useUnits();
  const tray = useTray();
  const ways = useQuery({
    queryKey: ['ways', situation.operation, body],
    queryFn: ({ signal }) =>
      data(client.POST('/api/v1/calculations/{operation}/ways', { params: { path: { operation: situation.operation } }, body, signal })),
    placeholderData: (before) => before,
    retry: false,
  });
  const pin = (way: Way) => {
    tray.pin({
      name: way.assembly,
      address: addressOf(way),
      alternative: { operation: way.operation, request: way.request },
    });
    address.adjust({ show: 'tray' });
  };
  if (ways.error) return <Problem error={ways.error} />;
  if (!ways.data) return <p className="muted">Looking through the shop…</p>;
  if (ways.data.length === 0) return <p className="muted">Nothing in the shop makes this thread in this length.</p>;
  return (
    <div className="ways">
      <table className="courses" aria-label="Ways to make this thread">
        <thead>
          <tr>
            <th>way</th>
            <th>with</th>
            <th>on</th>
            <th>time</th>
            <th>tightest limit</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {ways.data.map((w) => (
            <tr key={`${w.operation} ${w.assemblyId} ${w.machineId}`} className={w.keeps ? '' : 'muted'}>
              <th>
                <Link to={`/calculate?${addressOf(w)}`}>{w.operationName.toLowerCase()}</Link>
              </th>
              <td className="words">
                {w.assembly}, {w.cutter}
                {w.here && <small> stands there</small>}
              </td>
              <td className="words">{w.machine}</td>
              <td>{clock(w.time)}</td>
              <td className="words">
                {w.tightest ? `${w.tightest.name.toLowerCase()} ${Math.round(w.tightest.use! * 100)}\u00a0%` : 'none judged'}
                {w.against && <small> {w.against}</small>}
              </td>
              <td>
                <Button
                  size="small"
                  type="text"
                  disabled={tray.full}
                  onClick={() => pin(w)}
                  aria-label={`Pin ${w.operationName} with ${w.assembly}`}
                >
                  pin
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted small">
        The same thread, {units.text(lengthOf(ways.data[0]!), 'length')} long, in this material. What keeps every limit stands first.
      </p>
    </div>
  );
}

const lengthOf = (way: Way): number => way.request.numbers?.length ?? way.request.numbers?.depth ?? 0;
