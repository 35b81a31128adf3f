import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { Link, useNavigate, useParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { ListPages, ListWords, useListing } from '../../parts/listing';
import { Problem } from '../../parts/Problem';
import { SituationSentence } from '../../parts/Situation';
import { day, signed } from '../../parts/units';
import { CHANGES } from './changes';

const PAGE = 50;

/** How two editions differ, record by record. */
export function DifferencesPage() {
  const to = Number(useParams().number);
  const navigate = useNavigate();
  const list = useListing(PAGE, 'q');
  const from = Number(list.get('from') ?? to - 1);
  const editions = useQuery({ queryKey: ['editions'], queryFn: () => data(client.GET('/api/v1/editions')) });
  const differences = useQuery({
    queryKey: ['differences', from, to, list.text, list.page],
    queryFn: () =>
      data(
        client.GET('/api/v1/editions/{number}/differences', {
          params: { path: { number: to }, query: { from, q: list.text, ...list.rows } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const options = (editions.data ?? []).map((e) => ({ value: e.number, label: `edition ${e.number}, ${day(e.publishedAt)}` }));
  const go = (a: number, b: number) => void navigate(`/editions/${b}/differences?from=${a}`);
  const { counts = {}, total = 0, entries = [] } = differences.data ?? {};
  return (
    <div className="page">
      <Link to={`/editions/${to}`}>Edition {to}</Link>
      <h1>What differs between two editions</h1>
      <div className="filters">
        <span>from</span>
        <Select aria-label="From edition" style={{ width: 210 }} value={from} options={options} onChange={(a) => go(a, to)} />
        <span>to</span>
        <Select aria-label="To edition" style={{ width: 210 }} value={to} options={options} onChange={(b) => go(from, b)} />
        <Button onClick={() => go(to, from)}>The other way round</Button>
        <ListWords list={list} label="Find among the differences" example="record, material, machine, shop number" />
      </div>
      <Problem error={differences.error ?? editions.error} />
      {differences.data && (
        <p className="muted" role="status">
          {total === 0
            ? 'Nothing differs.'
            : (['added', 'changed', 'removed', 'same'] as const)
                .filter((c) => counts[c])
                .map((c) => `${counts[c]} ${CHANGES[c]}`)
                .join(', ')}
        </p>
      )}
      <ul className="differences">
        {entries.map((d) => (
          <Difference key={d.record} d={d} />
        ))}
      </ul>
      <ListPages list={list} total={total} />
    </div>
  );
}

function Difference({ d }: { d: Schemas['EditionDifference'] }) {
  const units = useUnits();
  const mayWork = useMayWork();
  const number = (value: number | null, quantity: Schemas['Quantity']) => (value === null ? '—' : units.text(value, quantity));
  const share = (value: number | null) => (value === null ? '—' : `${Math.round(value * 100)} %`);
  return (
    <li className={d.change}>
      <p>
        <b className="what">{CHANGES[d.change]}</b>{' '}
        {mayWork ? <Link to={`/records/${d.record}?rev=${d.to || d.from}`}>{d.record}</Link> : d.record}{' '}
        {d.change === 'changed' && d.from !== d.to && (
          <span className="muted">
            revision {d.from} → {d.to}
          </span>
        )}{' '}
        <SituationSentence s={d.situation} />
      </p>
      {(d.figures.length > 0 || d.limits.length > 0) && (
        <table className="compare">
          <tbody>
            {d.figures.map((f) => (
              <tr key={f.code}>
                <td>{f.name}</td>
                <td className="mono">{number(f.from, f.quantity)}</td>
                <td className="mono">{number(f.to, f.quantity)}</td>
                <td className="mono">
                  <em>{f.from && f.to ? signed((f.to / f.from - 1) * 100) : ''}</em>
                </td>
              </tr>
            ))}
            {d.limits.map((l) => (
              <tr key={l.kind}>
                <td>Use of {l.name.toLowerCase()}</td>
                <td className="mono">{share(l.from)}</td>
                <td className="mono">{share(l.to)}</td>
                <td />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {d.findings.map((f) => (
        <p key={f.finding.code + String(f.appeared)} className={f.appeared ? 'warn small' : 'muted small'}>
          {f.appeared ? 'Now: ' : 'No longer: '}
          {units.sentence(f.finding.text)}
        </p>
      ))}
      {d.others.map((o) => (
        <p key={o} className="small">
          {o}
        </p>
      ))}
    </li>
  );
}
