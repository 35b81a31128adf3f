import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { client, data, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { moment } from '../../parts/units';

const PARTS: Record<string, string> = {
  database: 'Database',
  disk: 'Room on the disk',
  soundness: 'Soundness of the file',
  copies: 'Copies',
};
const STANDS: Record<Schemas['HealthStatus'], string> = { healthy: 'well', degraded: 'look at it', unhealthy: 'broken' };

/** How the server is, for whoever keeps it: what it needs, what it has, and what could be lost. */
export function ServerPage() {
  const server = useQuery({ queryKey: ['server'], queryFn: () => data(client.GET('/api/v1/server')), refetchInterval: 30_000 });
  const s = server.data;
  const uncopied = s?.copiesEveryHours === 0 && s.secondEverySeconds === 0;
  return (
    <div className="page server">
      <header>
        <h1>The server</h1>
        {s && (
          <span className={uncopied ? 'warn' : 'muted'}>
            {uncopied ? 'No copy of the database is made.' : s.health.status === 'healthy' ? 'All of it is well.' : 'Something needs you.'}
          </span>
        )}
        <span className="grow" />
        <Button loading={server.isFetching} onClick={() => void server.refetch()}>
          Look again
        </Button>
      </header>
      <Problem error={server.error} />
      {s && (
        <>
          <section aria-label="Health">
            <table>
              <tbody>
                {s.health.parts.map((p) => (
                  <tr key={p.name} className={p.status}>
                    <th scope="row">{PARTS[p.name] ?? p.name}</th>
                    <td>
                      <b>{p.name === 'copies' && uncopied ? 'look at it' : STANDS[p.status]}</b>
                    </td>
                    <td>
                      {p.says} {p.at && <span className="muted">{moment(p.at)}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          <Facts server={s} />
          <Copies server={s} />
        </>
      )}
    </div>
  );
}

function Facts({ server: s }: { server: Schemas['ServerView'] }) {
  const facts: [string, string][] = [
    ['Incisura', s.version.split('+')[0]!],
    ['Started', moment(s.since)],
    ["The workshop's days follow", s.timeZone],
    ['Database', size(s.databaseBytes)],
  ];
  return (
    <section aria-label="Facts">
      <h2>What runs</h2>
      <dl>
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Copies({ server: s }: { server: Schemas['ServerView'] }) {
  return (
    <section aria-label="Copies">
      <h2>Copies of the database</h2>
      {s.copiesEveryHours > 0 ? (
        <p className="muted">One every {s.copiesEveryHours} h. The keys are not in them: `incisura keys FOLDER` copies those.</p>
      ) : (
        <p className="problem">
          No dated copies are made: set Incisura__Copies__Folder, or call `incisura backup FILE` by a clock of your own.
        </p>
      )}
      <p className={s.secondEverySeconds > 0 ? 'muted' : 'problem'}>
        {s.secondEverySeconds > 0
          ? `A second place is brought up to date every ${s.secondEverySeconds} s; that is the most that could be lost with this disk.`
          : 'There is no second place: with this disk, all since the last copy elsewhere would be lost. Set Incisura__Copies__Second.'}
      </p>
      {s.copies.length > 0 && (
        <table>
          <tbody>
            {s.copies.map((c) => (
              <tr key={c.name}>
                <th scope="row">{moment(c.at)}</th>
                <td className="number">{size(c.bytes)}</td>
                <td className="mono">{c.name}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function size(bytes: number): string {
  const mb = bytes / 1048576;
  return mb >= 1000 ? `${(mb / 1024).toFixed(1)} GB` : `${mb.toFixed(mb < 10 ? 1 : 0)} MB`;
}
