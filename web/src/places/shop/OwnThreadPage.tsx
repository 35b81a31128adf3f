import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useNavigate, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp, useMayWork } from '../../parts/session';
import { NumberField } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { SheetFrame } from '../../parts/SheetFrame';
import { CheckRow, NumberRows, WordRows, type NumberRow } from '../../parts/SheetRows';
import { useShelfChanged } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { day } from '../../parts/units';
import { useSheetForm } from '../../parts/useSheetForm';
import { ThreadFacts } from './ThreadFacts';

type Own = Schemas['OwnThread'];
type Sheet = Schemas['SheetOfOwnThread'];

const NAMES: Record<string, string> = {
  name: 'What the shop calls it',
  parent: 'Made from',
  reason: 'What it is for',
  diameter: 'Major diameter',
  pitch: 'Pitch',
  starts: 'Starts',
  leftHand: 'Hand',
  pitchDiameter: 'Pitch diameter',
  minor: 'Minor diameter of the bolt',
  internalMinor: 'Minor diameter of the nut',
};
const NUMBERS: NumberRow<Own>[] = [
  ['diameter', 'd', 'length'],
  ['pitch', 'P', 'length'],
  ['starts', 'i_g', 'count'],
];
const DIAMETERS = [
  ['pitchDiameter', 'd_2', 'pitch'],
  ['minor', 'd_3', 'minor'],
  ['internalMinor', 'D_1', 'internalMinor'],
] as const;

const calls = storedCalls<Own, Sheet>('shop/threads');

/** A thread of the shop's own: what differs from the listed one, and whether it may be published. */
export function OwnThreadPage() {
  const from = useSearchParams()[0].get('from') ?? 'M10';
  const start = useQuery({
    queryKey: ['threads', 'start', from],
    queryFn: () => data(client.GET('/api/v1/threads/start', { params: { query: { text: from } } })),
  });
  return (
    <StoredPage calls={calls} word="thread">
      {(sheet, key) => {
        if (!sheet && start.error) return <Problem error={start.error} />;
        if (!sheet && !start.data) return <p className="page muted">Fetching the thread…</p>;
        return <Editor key={`${key} ${from}`} sheet={sheet} blank={sheet?.definition ?? start.data!} />;
      }}
    </StoredPage>
  );
}

function Editor({ sheet, blank }: { sheet: Sheet | undefined; blank: Own }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const form = useSheetForm<Own, Sheet>({
    sheet,
    blank,
    calls,
    onSaved: (saved) => void navigate(`/shop/threads/${saved.id}`, { replace: true }),
  });
  const own = form.definition;
  const look = useQuery({
    queryKey: ['threads', 'look', own],
    queryFn: () => data(client.POST('/api/v1/threads/look', { body: own })),
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <SheetFrame
      title={sheet ? sheet.definition.name : `An own thread, made from ${own.parent}`}
      back={{ to: '/shop/threads', words: 'Threads' }}
      sheet={sheet}
      rests="shop/threads"
      form={form}
      add="Add to the shop"
      fields={[...NUMBERS, ...DIAMETERS].map(([key]) => key).concat('name', 'reason')}
      names={NAMES}
    >
      {sheet && <Standing sheet={sheet} changed={form.changed} />}
      <div className="columns">
        <section>
          <h2>Which it is</h2>
          <WordRows form={form} rows={['name']} names={NAMES} refused={form.refused} />
          <label className="line">
            {NAMES.reason}
            <Input.TextArea
              autoSize={{ minRows: 2, maxRows: 5 }}
              value={own.reason ?? ''}
              disabled={!mayWork}
              status={form.refused.reason ? 'error' : ''}
              onChange={(e) => form.set('reason', e.target.value)}
            />
          </label>
          {form.refused.reason && <p className="refusal">{form.refused.reason}</p>}
          <div className="line">
            {NAMES.parent}
            <span className="mono">{own.parent}</span>
          </div>
          <CheckRow form={form} field="leftHand" about={NAMES.leftHand!} words="left-hand" />
        </section>
        <section>
          <h2>What differs</h2>
          <NumberRows form={form} rows={NUMBERS} names={NAMES} refused={form.refused} />
        </section>
        <section>
          <h2>Diameters that follow</h2>
          {DIAMETERS.map(([key, symbol, of]) => (
            <NumberField
              key={key}
              label={NAMES[key]!}
              symbol={symbol}
              quantity="length"
              value={own[key] ?? look.data?.sizes[of]}
              typed={form.typed[key]}
              onTyped={(t) => form.set(key, t?.base ?? null, t)}
              note={own[key] == null ? 'as its form gives it' : 'set otherwise; empty the box to give it back to the form'}
              refused={form.refused[key]}
              disabled={!mayWork}
            />
          ))}
        </section>
      </div>
      <Problem error={look.error} />
      {look.data && !look.error && <ThreadFacts thread={look.data} />}
    </SheetFrame>
  );
}

/** Whether the thread may be published, and the press that lets it. */
function Standing({ sheet, changed }: { sheet: Sheet; changed: boolean }) {
  const me = useApp().session;
  const shelfChanged = useShelfChanged();
  const standing = useQuery({
    queryKey: ['threads', 'standing', sheet.id, sheet.revision],
    queryFn: () => data(client.GET('/api/v1/shop/threads/{id}/standing', { params: { path: { id: sheet.id } } })),
  });
  const approve = useMutation({
    mutationFn: () =>
      data(
        client.POST('/api/v1/shop/threads/{id}/approval', {
          params: { path: { id: sheet.id } },
          headers: { 'If-Match': `"${sheet.revision}"` },
        }),
      ),
    onSuccess: shelfChanged,
  });
  const s = standing.data;
  if (!s) return <Problem error={standing.error} />;
  return (
    <>
      <Problem error={approve.error} />
      {s.approved ? (
        <p className="muted">
          Approved by {s.by}, {day(s.at!)}. The shop’s own thread, not a standard’s.
        </p>
      ) : (
        <div className="notjudged">
          {s.revision == null ? 'Not approved yet' : `Revision ${s.revision} was approved by ${s.by}; it has changed since`}: nothing that
          rests on this thread may be published.{' '}
          {me?.role === 'approver' && me.name !== sheet.changedBy && (
            <Button size="small" disabled={changed} loading={approve.isPending} onClick={() => approve.mutate()}>
              Approve revision {sheet.revision}
            </Button>
          )}
        </div>
      )}
    </>
  );
}
