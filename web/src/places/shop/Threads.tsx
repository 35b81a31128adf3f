import { useQuery } from '@tanstack/react-query';
import { Input, Select, Table } from 'antd';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { INCH } from '../../parts/units';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { useAddressText } from '../../parts/useAddressText';

type Row = Schemas['ThreadRow'];
type Form = Schemas['ThreadForm'];

export const useThreadForms = () =>
  useQuery({ queryKey: ['thread-forms'], queryFn: () => data(client.GET('/api/v1/threads/forms')), staleTime: Infinity });

export const addressOf = (row: Row) =>
  row.own ? `/shop/threads/${row.own}` : `/shop/threads/listed?thread=${encodeURIComponent(row.text)}`;

/** Every thread the standards list, and those of the shop. */
export function Threads() {
  const [text, setText] = useAddressText('text');
  const [form, setForm] = useAddressText('form');
  const units = useUnits();
  const forms = useThreadForms();
  const rows = useQuery({
    queryKey: ['threads', 'rows', text, form],
    queryFn: () => data(client.GET('/api/v1/threads', { params: { query: { ...(text && { text }), ...(form && { form }) } } })),
    placeholderData: (before) => before,
  });
  const names = new Map((forms.data ?? []).map((f) => [f.form, f]));
  const listed = names.get(form as Form);
  return (
    <>
      <div className="thread-search">
        <Input
          aria-label="Find a thread"
          placeholder="M10x1, 1/2-13, 3/4 NPT, G1/4, Tr40x14 (P7)"
          value={text}
          allowClear
          style={{ width: 320 }}
          onChange={(e) => setText(e.target.value)}
        />
        <Select
          aria-label="Form of thread"
          value={form}
          style={{ width: 240 }}
          onChange={(f) => setForm(f)}
          options={[
            { value: '', label: 'every form' },
            ...(forms.data ?? []).map((f) => ({ value: f.form, label: `${f.name} (${f.count})` })),
          ]}
        />
        {rows.data && (
          <span className="muted">
            {rows.data.total} {rows.data.total === 1 ? 'thread' : 'threads'}
            {rows.data.total > rows.data.rows.length && `, the first ${rows.data.rows.length} shown`}
          </span>
        )}
      </div>
      <Problem error={rows.error ?? forms.error} />
      {listed?.missing && (
        <p className="muted small">
          {listed.standard}. Not here: {listed.missing}
        </p>
      )}
      <Table<Row>
        size="small"
        rowKey={(r) => r.own ?? r.text}
        pagination={false}
        loading={rows.isPending}
        dataSource={rows.data?.rows ?? []}
        locale={{
          emptyText:
            'No standard here lists such a thread. Write it as its standard does, or open the nearest one and make your own from it.',
        }}
        columns={[
          {
            title: 'Thread',
            render: (_, r) => (
              <Link to={addressOf(r)} className="mono">
                {r.text}
              </Link>
            ),
          },
          { title: 'Form', render: (_, r) => names.get(r.form)?.name },
          { title: 'Series', render: (_, r) => (r.own ? `own, made from ${r.parent}` : r.series) },
          {
            title: `Major, ${units.unit('length')}`,
            align: 'right',
            render: (_, r) => <span className="mono">{units.fine(r.diameter)}</span>,
          },
          {
            title: `Pitch, ${units.unit('length')}`,
            align: 'right',
            render: (_, r) => <span className="mono">{units.fine(r.pitch)}</span>,
          },
          {
            title: 'Per inch',
            align: 'right',
            render: (_, r) => <span className="mono">{Number((INCH / r.pitch).toFixed(2))}</span>,
          },
          {
            title: 'Figures',
            render: (_, r) => (
              <span className={r.checked ? 'small' : 'muted small'}>
                {r.own ? 'the shop’s own' : r.checked ? 'checked against the standard' : 'from memory, not checked'}
              </span>
            ),
          },
        ]}
      />
    </>
  );
}
