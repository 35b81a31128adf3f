import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Segmented, Table, type TableColumnsType } from 'antd';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { MaterialName } from '../../parts/Situation';
import { Sym } from '../../parts/Sym';
import { cuttingMaterialWords, familyWords, useFamilies, useOperations, useShelfChanged } from '../../parts/shelf';

type View = Schemas['StarterView'];
type Kind = 'materials' | 'rows' | 'drills' | 'holders' | 'threads';
/** A line of any of the lists. */
interface Line {
  code: string;
  there: boolean;
  definition: object;
}

const KINDS: Record<Kind, string> = {
  materials: 'Work materials',
  rows: 'Rows of the speed chart',
  drills: 'Twist drills',
  holders: 'Holders',
  threads: 'Threads',
};

/** Data to begin with, taken over piece by piece; each says where it comes from, and nothing is taken over unasked. */
export function StartersPage() {
  const [search, setSearch] = useSearchParams();
  const kind = (search.get('kind') ?? 'materials') as Kind;
  const mayWork = useMayWork();
  const shelfChanged = useShelfChanged();
  const [chosen, setChosen] = useState<string[]>([]);
  const view = useQuery({
    queryKey: ['starters'],
    queryFn: () => data(client.GET('/api/v1/shop/starters')),
    enabled: mayWork,
  });
  const take = useMutation({
    mutationFn: () => data(client.POST('/api/v1/shop/starters', { body: { codes: chosen } })),
    onSuccess: async () => {
      setChosen([]);
      await shelfChanged();
    },
  });
  const columns = useColumns();
  const lines: Line[] = view.data && kind !== 'threads' ? view.data[kind] : [];
  return (
    <div className="page starters">
      <header>
        <div>
          <Link to="/shop">Shop</Link>
          <h1>Starting values</h1>
        </div>
        <Segmented<Kind>
          value={kind}
          onChange={(k) => setSearch({ kind: k }, { replace: true })}
          options={Object.entries(KINDS).map(([value, label]) => ({ value: value as Kind, label }))}
        />
        <span className="grow" />
        {mayWork && (
          <Button type="primary" disabled={chosen.length === 0} loading={take.isPending} onClick={() => take.mutate()}>
            {chosen.length > 0 ? `Take ${chosen.length} over` : 'Take over'}
          </Button>
        )}
      </header>
      <p className="intro">
        From open literature and standards, to begin with. Figures are marked{' '}
        <span className="untried">starting value, not tried here</span> in every record and in Lookup until somebody has tried them; where
        they were written down from memory they say “unverified”. Nothing that is there is changed.
      </p>
      <Problem error={view.error ?? take.error} />
      {take.data && (
        <p role="status">
          {take.data.added} taken over{take.data.there > 0 ? `, ${take.data.there} were there already and stayed as they are` : ''}.
        </p>
      )}
      {!mayWork && <p className="muted">An engineer takes starting values over.</p>}
      {kind === 'threads' && view.data && (
        <p>
          {view.data.threads} threads of the standards are there from the first day, with their limits; those that were compared with the
          standard’s own tables say so. <Link to="/shop/threads">Look them up</Link>
        </p>
      )}
      {kind !== 'threads' && mayWork && (
        <Table<Line>
          size="small"
          rowKey="code"
          pagination={false}
          loading={view.isPending}
          dataSource={lines}
          rowSelection={{
            selectedRowKeys: chosen,
            preserveSelectedRowKeys: true,
            onChange: (keys) => setChosen(keys as string[]),
            getCheckboxProps: (line) => ({ disabled: line.there, 'aria-label': line.code }),
          }}
          columns={[...columns[kind], { title: '', render: (_, line) => (line.there ? <span className="muted">is there</span> : null) }]}
        />
      )}
    </div>
  );
}

// What of each kind is shown.
function useColumns(): Record<Exclude<Kind, 'threads'>, TableColumnsType<Line>> {
  const units = useUnits();
  const families = useFamilies();
  const operations = useOperations();
  const mono = (text: string) => <span className="mono">{text}</span>;
  const source = (text: string | undefined) => <span className="muted small">{text}</span>;
  const of = <K extends Exclude<Kind, 'threads'>>(line: Line) => line.definition as View[K][number]['definition'];
  return {
    materials: [
      {
        title: 'Material',
        render: (_, l) => <MaterialName name={of<'materials'>(l).name} group={of<'materials'>(l).group} />,
      },
      { title: 'Sub-group', render: (_, l) => of<'materials'>(l).subGroup },
      { title: 'Condition', render: (_, l) => of<'materials'>(l).condition },
      {
        title: (
          <>
            <Sym text="k_c1.1" />, {units.unit('stress')}
          </>
        ),
        align: 'right',
        render: (_, l) => mono(units.number(of<'materials'>(l).specificCuttingForce!, 'stress')),
      },
      { title: <Sym text="m_c" />, align: 'right', render: (_, l) => mono(String(of<'materials'>(l).chipExponent)) },
      { title: 'From', className: 'range', render: (_, l) => source(of<'materials'>(l).source) },
    ],
    rows: [
      { title: 'Family', render: (_, l) => familyWords(families.data, of<'rows'>(l).family) },
      { title: 'Of', render: (_, l) => cuttingMaterialWords[of<'rows'>(l).cuttingMaterial] },
      { title: 'Group', render: (_, l) => of<'rows'>(l).subGroup },
      { title: 'Operation', render: (_, l) => operations.data?.find((o) => o.code === of<'rows'>(l).operation)?.name },
      {
        title: `Speed, ${units.unit('cuttingSpeed')}`,
        align: 'right',
        render: (_, l) => mono(units.number(of<'rows'>(l).cuttingSpeed, 'cuttingSpeed')),
      },
      {
        title: <Sym text="f_z" />,
        render: (_, l) =>
          mono(
            of<'rows'>(l)
              .feeds.map((f) => `${units.number(f.feedPerTooth, 'chip')} at Ø${units.size(f.diameter)}`)
              .join(', '),
          ),
      },
      { title: 'From', className: 'range', render: (_, l) => source(of<'rows'>(l).source) },
    ],
    drills: [
      { title: 'Number', render: (_, l) => mono(of<'drills'>(l).number) },
      { title: `Diameter, ${units.unit('length')}`, align: 'right', render: (_, l) => mono(units.size(of<'drills'>(l).dimensions!.DC!)) },
      { title: 'Flutes', align: 'right', render: (_, l) => mono(units.size(of<'drills'>(l).dimensions!.LCF!)) },
      { title: 'Overall', align: 'right', render: (_, l) => mono(units.size(of<'drills'>(l).dimensions!.OAL!)) },
      { title: 'From', className: 'range', render: (_, l) => source(of<'drills'>(l).remarks) },
    ],
    holders: [
      { title: 'Number', render: (_, l) => mono(of<'holders'>(l).number) },
      { title: 'Kind', render: (_, l) => `${of<'holders'>(l).kind}, ${of<'holders'>(l).interface}` },
      { title: `Shank, ${units.unit('length')}`, align: 'right', render: (_, l) => mono(units.size(of<'holders'>(l).largestClamping)) },
      { title: 'From', className: 'range', render: (_, l) => source(of<'holders'>(l).remarks) },
    ],
  };
}
