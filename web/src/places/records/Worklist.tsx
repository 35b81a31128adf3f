import { useQueryClient } from '@tanstack/react-query';
import { Button, Input, type InputRef } from 'antd';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { SituationSentence, StateMark } from '../../parts/Situation';
import { StaleLine } from './Stale';
import { recordQuery, useRecord, whyNot } from './useRecord';
import { useRecordAct, type Act } from './useRecordAct';

type Summary = Schemas['RecordSummary'];

/** Something that is done to one record after the other, by a key. */
export interface Task {
  key: string;
  what: Act;
  /** The button's words. */
  words: string;
  /** What the key does, for the line of keys. */
  says: string;
  /** What was done, for the line of what is done. */
  done: string;
  /** Asks for the reason why, where one is needed. */
  reason?: (number: string) => string;
  /** Asks whether it is meant, where no reason is needed. */
  sure?: (number: string) => string;
  danger?: boolean;
}

// The act that a rule is asked about; a new revision has none of its own.
const ACTS: Partial<Record<Act, Schemas['RecordAct']>> = {
  keep: 'keep',
  withdraw: 'withdraw',
  approve: 'approve',
  'send-back': 'sendBack',
};

// Whether something stands against an act, so that it needs a reason that readers see.
const needsReason = ({ what }: Task, record: Schemas['RecordView'], row: Summary): boolean =>
  Boolean(record.revisions.find((r) => r.number === row.revision)?.can.find((c) => c.act === ACTS[what])?.against.length);

// Rules against approving that other figures help against, and no reason does.
export const REWORKED = ['broken', 'impossible'];

interface Props {
  name: string;
  rows: readonly Summary[];
  tasks: readonly Task[];
  /** What is shown of the chosen record. */
  detail?: (record: Schemas['RecordView'], revision: Schemas['RecordRevisionView']) => ReactNode;
}

/** Records worked through one after another from the keyboard, each with at most three keys. The reason stays for the next one. */
export function Worklist({ name, rows, tasks, detail }: Props) {
  const queries = useQueryClient();
  const [at, setAt] = useState(0);
  const [asks, setAsks] = useState<Task | null>(null);
  const [reason, setReason] = useState('');
  const [done, setDone] = useState<string[]>([]);
  const [said, setSaid] = useState('');
  const box = useRef<InputRef>(null);
  const yes = useRef<HTMLButtonElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const refused = useRef<HTMLParagraphElement>(null);
  const row = rows[Math.min(at, rows.length - 1)];
  const record = useRecord(row?.number).data;
  const revision = record?.revisions.find((r) => r.number === row?.revision);
  const act = useRecordAct(({ what, of }) => {
    setDone((before) => [...before, `${of.number} ${tasks.find((t) => t.what === what)!.done}`]);
    setAsks(null);
    list.current?.focus();
  });
  const refusal = ({ what }: Task, record: Schemas['RecordView'], row: Summary) => {
    const revision = record.revisions.find((r) => r.number === row.revision)!;
    if (what === 'rework')
      return REWORKED.includes(revision.can.find((c) => c.act === 'approve')?.rule ?? '')
        ? whyNot(revision, 'sendBack')
        : 'It can be decided as it stands: approve it, or send it back.';
    if (what === 'renew')
      return row.state === 'approved' ? record.notRenewed || undefined : `${row.number} is not in force; open it to work on it.`;
    return whyNot(revision, ACTS[what]!);
  };
  const start = async (task: Task) => {
    setSaid('');
    if (act.isPending || !row) return;
    const asked = await queries.ensureQueryData(recordQuery(row.number));
    const not = refusal(task, asked, row);
    if (not) {
      setSaid(not);
      return;
    }
    if (needsReason(task, asked, row))
      setAsks({ ...task, reason: (number) => `Something it rests on was revised. Why ${number} may be approved nevertheless` });
    else if (task.reason || task.sure) setAsks(task);
    else act.mutate({ what: task.what, of: row, reason: '' });
  };
  const ready = asks && (!asks.reason || reason.trim());
  const confirm = () => row && asks && ready && act.mutate({ what: asks.what, of: row, reason: asks.reason ? reason : '' });
  const back = () => {
    setAsks(null);
    list.current?.focus();
  };
  useEffect(() => {
    if (asks?.reason) box.current?.focus({ cursor: 'all' });
    else if (asks) yes.current?.focus();
  }, [asks]);
  // Keys that come after a refusal are not taken for commands.
  useEffect(() => {
    if (said) refused.current?.focus();
  }, [said]);
  // The list has the keys from the start, unless somebody is typing elsewhere already.
  useEffect(() => {
    if (!document.activeElement?.matches('input:not([type=radio]), textarea')) list.current?.focus();
  }, []);
  const offered = record && row ? tasks.filter((t) => !refusal(t, record, row)) : [];
  return (
    <section className="settle" aria-label={name}>
      <p className="muted small">
        <kbd>↑</kbd> <kbd>↓</kbd> choose
        {tasks.map((t) => (
          <span key={t.key}>
            {' '}
            · <kbd>{t.key}</kbd> {t.says}
          </span>
        ))}{' '}
        · <kbd>Enter</kbd> open
      </p>
      {rows.length > 0 && (
        <div
          ref={list}
          className="settlelist"
          role="grid"
          aria-label={name}
          aria-activedescendant={row && `settle-${row.number}-${row.revision}`}
          tabIndex={0}
          onKeyDown={(e) => {
            if (e.ctrlKey || e.metaKey || e.altKey || e.target !== list.current) return;
            const task = tasks.find((t) => t.key === e.key);
            if (task) void start(task);
            else if (e.key === 'ArrowDown') setAt(Math.min(at + 1, rows.length - 1));
            else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
            else if (e.key === 'Enter') list.current.querySelector<HTMLAnchorElement>('[aria-selected="true"] a')?.click();
            else return;
            e.preventDefault();
          }}
        >
          {rows.map((r, i) => (
            <div
              key={`${r.number} ${r.revision}`}
              id={`settle-${r.number}-${r.revision}`}
              role="row"
              aria-selected={r === row}
              className="settlerow"
              onClick={() => setAt(i)}
            >
              <span role="gridcell">
                <Link to={`/records/${r.number}?rev=${r.revision}`}>{`${r.number} rev ${r.revision}`}</Link>
              </span>
              <span role="gridcell">
                <StateMark state={r.state} sentBack={r.sentBack} ended={r.ended} />
              </span>
              <span role="gridcell">
                <SituationSentence s={r.situation} /> <StaleLine record={r} />
              </span>
              {r === row && !asks && (
                <span role="gridcell" className="acts noprint">
                  {record && offered.length === 0 && <span className="muted small">open it to work on it</span>}
                  {offered.map((t) => (
                    <Button key={t.key} danger={t.danger ?? false} onClick={() => void start(t)}>
                      {t.words}
                      {t.reason && '…'}
                    </Button>
                  ))}
                </span>
              )}
              {r === row && asks && (
                <div role="gridcell" className="settleask">
                  {asks.reason ? (
                    <>
                      <label htmlFor="settle-reason">{asks.reason(r.number)}</label>
                      <Input
                        id="settle-reason"
                        ref={box}
                        value={reason}
                        maxLength={2000}
                        onChange={(e) => setReason(e.target.value)}
                        onKeyDown={(e) => {
                          if (e.key === 'Enter') confirm();
                          if (e.key === 'Escape') back();
                        }}
                      />
                    </>
                  ) : (
                    <span>{asks.sure!(r.number)}</span>
                  )}
                  <Button
                    ref={yes}
                    type="primary"
                    danger={asks.danger ?? false}
                    disabled={!ready}
                    loading={act.isPending}
                    onClick={confirm}
                    onKeyDown={(e) => e.key === 'Escape' && back()}
                  >
                    {asks.words}
                  </Button>
                  {!asks.reason && (
                    <Button type="text" onClick={back}>
                      Not now
                    </Button>
                  )}
                </div>
              )}
              {r === row && detail && record && revision && (
                <div role="gridcell" className="settledetail">
                  {detail(record, revision)}
                </div>
              )}
            </div>
          ))}
        </div>
      )}
      {rows.length === 0 && <p className="muted">No record is like this.</p>}
      <Problem error={act.error} />
      {said && (
        <p
          ref={refused}
          role="alert"
          tabIndex={-1}
          onKeyDown={(e) => {
            if (!['Escape', 'ArrowUp', 'ArrowDown', 'Enter'].includes(e.key)) return;
            e.preventDefault();
            setSaid('');
            list.current?.focus();
          }}
        >
          {said} <span className="muted small">Escape goes back to the list.</span>
        </p>
      )}
      {done.length > 0 && <p role="status">Done: {done.join(', ')}.</p>}
    </section>
  );
}
