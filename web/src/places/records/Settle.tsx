import { Button, Input, type InputRef } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useApp } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { StaleLine } from './Stale';
import { useRecordAct, type Act } from './useRecordAct';

type Summary = Schemas['RecordSummary'];
type Settled = Extract<Act, 'renew' | 'keep' | 'withdraw'>;
const DONE: Record<Settled, string> = { renew: 'proposed anew', keep: 'kept', withdraw: 'withdrawn' };
const KEYS: Record<string, Settled> = { n: 'renew', k: 'keep', w: 'withdraw' };

const whyNot = (row: Summary, what: Settled) =>
  row.state !== 'approved'
    ? `${row.number} revision ${row.revision} is not in force; open it to work on it.`
    : what === 'keep' && row.broken
      ? `${row.number} breaks a limit now, so it cannot be kept; propose it anew or withdraw it.`
      : 'An approver keeps and withdraws.';

/**
 * Stale records, what moved most first, settled one after another: a new revision as it comes out today, kept with a reason, or withdrawn. The reason
 * stays for the next one.
 */
export function Settle({ rows }: { rows: readonly Summary[] }) {
  const { session } = useApp();
  const [at, setAt] = useState(0);
  const [asks, setAsks] = useState<Settled | null>(null);
  const [reason, setReason] = useState('');
  const [done, setDone] = useState<{ number: string; what: Settled }[]>([]);
  const [said, setSaid] = useState('');
  const box = useRef<InputRef>(null);
  const list = useRef<HTMLDivElement>(null);
  const row = rows[Math.min(at, rows.length - 1)]!;
  const approver = session?.role === 'approver';
  const act = useRecordAct(({ what, of }) => {
    setDone((before) => [...before, { number: of.number, what: what as Settled }]);
    setAsks(null);
    list.current?.focus();
  });
  const may = (what: Settled) => row.state === 'approved' && (what === 'renew' || approver) && !(what === 'keep' && row.broken);
  const start = (what: Settled) => {
    setSaid('');
    if (act.isPending) return;
    if (!may(what)) return setSaid(whyNot(row, what));
    if (what === 'renew') act.mutate({ what, of: row, reason: '' });
    else setAsks(what);
  };
  const confirm = () => asks && reason.trim() && act.mutate({ what: asks, of: row, reason });
  useEffect(() => {
    if (asks) box.current?.focus({ cursor: 'all' });
  }, [asks]);
  useEffect(() => list.current?.focus(), []);
  return (
    <section className="settle" aria-label="Settle what is stale">
      <p className="muted small">
        <kbd>↑</kbd> <kbd>↓</kbd> choose · <kbd>n</kbd> new revision as it comes out today, handed in for review
        {approver && (
          <>
            {' '}
            · <kbd>k</kbd> keep, with a reason · <kbd>w</kbd> withdraw, with a reason
          </>
        )}{' '}
        · <kbd>Enter</kbd> open
      </p>
      <div
        ref={list}
        className="settlelist"
        role="listbox"
        aria-label="Stale records"
        aria-activedescendant={`settle-${row.number}-${row.revision}`}
        tabIndex={0}
        onKeyDown={(e) => {
          if (e.ctrlKey || e.metaKey || e.altKey || e.target !== list.current) return;
          const what = KEYS[e.key];
          if (what) start(what);
          else if (e.key === 'ArrowDown') setAt(Math.min(at + 1, rows.length - 1));
          else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
          else if (e.key === 'Enter') list.current!.querySelector<HTMLAnchorElement>('[aria-selected="true"] a')?.click();
          else return;
          e.preventDefault();
        }}
      >
        {rows.map((r, i) => (
          <div
            key={`${r.number} ${r.revision}`}
            id={`settle-${r.number}-${r.revision}`}
            role="option"
            aria-selected={r === row}
            className="settlerow"
            onClick={() => setAt(i)}
          >
            <Link to={`/records/${r.number}?rev=${r.revision}`}>{`${r.number} rev ${r.revision}`}</Link>
            <StateMark state={r.state} sentBack={r.sentBack} />
            <span>
              <SituationSentence s={r.situation} /> <StaleLine record={r} />
            </span>
            {r === row && !asks && (
              <span className="acts noprint">
                {r.state !== 'approved' && <span className="muted small">open it to work on it</span>}
                {may('renew') && <Button onClick={() => start('renew')}>New revision</Button>}
                {may('keep') && <Button onClick={() => start('keep')}>Keep…</Button>}
                {may('withdraw') && (
                  <Button danger onClick={() => start('withdraw')}>
                    Withdraw…
                  </Button>
                )}
              </span>
            )}
            {r === row && asks && (
              <div className="settleask">
                <label htmlFor="settle-reason">
                  {asks === 'keep' ? `Why ${row.number} still holds` : `Why ${row.number} is withdrawn`}
                </label>
                <Input
                  id="settle-reason"
                  ref={box}
                  value={reason}
                  maxLength={2000}
                  onChange={(e) => setReason(e.target.value)}
                  onKeyDown={(e) => {
                    if (e.key === 'Enter') confirm();
                    if (e.key === 'Escape') {
                      setAsks(null);
                      list.current?.focus();
                    }
                  }}
                />
                <Button type="primary" danger={asks === 'withdraw'} disabled={!reason.trim()} loading={act.isPending} onClick={confirm}>
                  {asks === 'keep' ? 'Keep' : 'Withdraw'}
                </Button>
              </div>
            )}
          </div>
        ))}
      </div>
      <Problem error={act.error} />
      {said && <p role="alert">{said}</p>}
      {done.length > 0 && <p role="status">Settled: {done.map((d) => `${d.number} ${DONE[d.what]}`).join(', ')}.</p>}
    </section>
  );
}
