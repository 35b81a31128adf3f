import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp } from '../../parts/session';
import { FileButton } from '../../parts/FileButton';
import { NumberField, type Typed } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { cuttingMaterialWords, familyWords, useFamilies, useOperations } from '../../parts/shelf';
import { copied, fate, type Row } from './chartRows';

type Read = Schemas['ChartRead'];

const FATES = { new: 'new', replaces: 'in place of the one there is', same: 'is there as it is' };
const MOST_SHOWN = 60;

interface Props {
  id: number;
  rows: readonly Row[];
  family: Row['family'];
  /** Takes rows into the chart; nothing is kept before it is saved. */
  onRows: (rows: Row[], step: string) => void;
}

/** How rows come into the chart and out of it: pasted, brought in, copied to another material, made of what was tried. */
export function ChartTools(props: Props) {
  const [open, setOpen] = useState<'read' | 'copy'>();
  const toggle = (what: 'read' | 'copy') => setOpen(open === what ? undefined : what);
  return (
    <>
      <p className="inline">
        <Button aria-expanded={open === 'read'} onClick={() => toggle('read')}>
          Bring rows in
        </Button>
        <Button aria-expanded={open === 'copy'} onClick={() => toggle('copy')}>
          Copy rows to another material
        </Button>
        <a href={`/api/v1/shop/charts/${props.id}/table.csv`}>Whole chart as CSV</a>
        <a href={`/api/v1/shop/charts/${props.id}/table.xlsx`}>as XLSX</a>
      </p>
      {open === 'read' && <BringIn {...props} onDone={() => setOpen(undefined)} />}
      {open === 'copy' && <CopyRows {...props} onDone={() => setOpen(undefined)} />}
      <Tried {...props} />
    </>
  );
}

/** A table from a spreadsheet, pasted or as a file: looked at row by row before anything of it is taken. */
function BringIn({ rows, onRows, onDone }: Props & { onDone: () => void }) {
  const { units } = useApp();
  const [text, setText] = useState('');
  const read = useMutation({
    mutationFn: ({ body, source }: { body: Blob; source: string }) =>
      data(
        client.POST('/api/v1/shop/charts/read', {
          params: { query: { inch: units.system === 'in', source } },
          headers: { 'content-type': 'application/octet-stream' },
          body: body as never,
          bodySerializer: (b) => b,
        }),
      ),
  });
  const good = (read.data?.rows ?? []).flatMap((r) => (r.row && fate(rows, r.row) !== 'same' ? [r.row] : []));
  return (
    <section className="card" aria-label="Bring rows in">
      <p>
        Copy the table in your spreadsheet, with its headings, and paste it here; or choose a file. The whole chart as CSV shows which
        headings there are: family, cutting material, work material, operation, speed, and a feed for each diameter, as “Feed at Ø12”.
      </p>
      <Input.TextArea
        aria-label="Rows from a spreadsheet"
        rows={4}
        value={text}
        placeholder={'Family\tCutting material\tWork material\tOperation\tSpeed\tWidth / D\tDepth / D\tFeed at Ø12'}
        onChange={(e) => setText(e.target.value)}
      />
      <p className="inline">
        <Button
          disabled={!text.trim()}
          loading={read.isPending}
          onClick={() => read.mutate({ body: new Blob([text]), source: 'pasted from a spreadsheet' })}
        >
          Look at what is pasted
        </Button>
        <FileButton
          words="Choose a CSV or XLSX file"
          accept=".csv,.txt,.tsv,.xlsx"
          onFile={(f) => read.mutate({ body: f, source: f.name })}
        />
      </p>
      <Problem error={read.error} />
      {read.data && <ReadRows read={read.data} rows={rows} />}
      {read.data && (
        <p className="inline">
          <Button
            type="primary"
            disabled={good.length === 0}
            onClick={() => {
              onRows(good, `brought ${good.length}`);
              onDone();
            }}
          >
            Take {good.length} {good.length === 1 ? 'row' : 'rows'} into the chart
          </Button>
          <span className="muted">The chart is not saved by this; look at it, then save.</span>
        </p>
      )}
    </section>
  );
}

/** A row in words: its cutter, its material, its operation. */
function useRowWords(): (row: Row) => string {
  const families = useFamilies().data;
  const operations = useOperations().data;
  return (r) =>
    `${familyWords(families, r.family)}, ${cuttingMaterialWords[r.cuttingMaterial]}, ${r.subGroup}, ` +
    `${operations?.find((o) => o.code === r.operation)?.name ?? r.operation}`;
}

function ReadRows({ read, rows }: { read: Read; rows: readonly Row[] }) {
  const words = useRowWords();
  if (read.missing.length > 0)
    return (
      <p className="refusal" role="alert">
        The first row must name the columns; these are missing: {read.missing.join(', ')}.
      </p>
    );
  return (
    <div className="read-rows" tabIndex={0} role="group" aria-label="Rows that were read">
      {read.leftOut.length > 0 && <p className="muted">Left out, since nobody knows these columns: {read.leftOut.join(', ')}.</p>}
      <table>
        <tbody>
          {read.rows.slice(0, MOST_SHOWN).map((r) => (
            <tr key={r.line}>
              <td className="mono">line {r.line}</td>
              <td>{r.row ? words(r.row) : ''}</td>
              <td className={r.row ? '' : 'refusal'}>
                {r.row ? FATES[fate(rows, r.row)] : r.faults.map((f) => (f.column ? `${f.column}: ${f.sentence}` : f.sentence)).join(' ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {read.rows.length > MOST_SHOWN && <p className="muted">And {read.rows.length - MOST_SHOWN} more.</p>}
    </div>
  );
}

/** Rows of one material for another one, faster or slower. */
function CopyRows({ rows, family, onRows, onDone }: Props & { onDone: () => void }) {
  const froms = [...new Map(rows.filter((r) => r.family === family).map((r) => [`${r.cuttingMaterial} ${r.subGroup}`, r])).values()];
  const [from, setFrom] = useState(0);
  const [toGroup, setToGroup] = useState('');
  const [toMaterial, setToMaterial] = useState<Row['cuttingMaterial']>();
  const [speed, setSpeed] = useState<Typed>();
  const [feed, setFeed] = useState<Typed>();
  const start = froms[from];
  if (!start) return <p className="muted">There is no row of this family to copy from.</p>;
  const made = copied(rows, {
    family,
    fromMaterial: start.cuttingMaterial,
    fromGroup: start.subGroup,
    toMaterial: toMaterial ?? start.cuttingMaterial,
    toGroup,
    speed: speed?.base ?? 1,
    feed: feed?.base ?? 1,
  });
  const fresh = made.filter((r) => fate(rows, r) === 'new');
  return (
    <section className="card" aria-label="Copy rows to another material">
      <div className="inline">
        <label>
          Rows of
          <Select
            aria-label="Rows of"
            value={from}
            onChange={setFrom}
            popupMatchSelectWidth={220}
            options={froms.map((r, i) => ({ value: i, label: `${r.subGroup}, ${cuttingMaterialWords[r.cuttingMaterial]}` }))}
          />
        </label>
        <label>
          for work material
          <Input
            aria-label="For work material"
            style={{ width: 90 }}
            value={toGroup}
            placeholder="P4"
            onChange={(e) => setToGroup(e.target.value)}
          />
        </label>
        <label>
          cut by
          <Select
            aria-label="Cut by"
            value={toMaterial ?? start.cuttingMaterial}
            onChange={setToMaterial}
            popupMatchSelectWidth={160}
            options={Object.entries(cuttingMaterialWords).map(([value, label]) => ({ value: value as Row['cuttingMaterial'], label }))}
          />
        </label>
        <NumberField label="speed ×" quantity="ratio" value={1} typed={speed} onTyped={setSpeed} least={0.05} most={20} />
        <NumberField label="feed ×" quantity="ratio" value={1} typed={feed} onTyped={setFeed} least={0.05} most={20} />
      </div>
      <p className="inline">
        <Button
          type="primary"
          disabled={!toGroup.trim() || fresh.length === 0}
          onClick={() => {
            onRows(fresh, `copied to ${toGroup}`);
            onDone();
          }}
        >
          Copy {toGroup.trim() ? fresh.length : made.length} {made.length === 1 ? 'row' : 'rows'}
        </Button>
        <span className="muted">
          {toGroup.trim() && fresh.length < made.length
            ? `${made.length - fresh.length} are there for ${toGroup.trim()} already and stay as they are.`
            : 'A copy says that it is one, and that nobody has tried it.'}
        </span>
      </p>
    </section>
  );
}

/** The row that a record's figures make which were run here, offered where somebody comes from that record. */
function Tried({ rows, onRows }: Props) {
  const [search, setSearch] = useSearchParams();
  const record = search.get('tried');
  const words = useRowWords();
  const tried = useQuery({
    queryKey: ['charts', 'tried', record],
    queryFn: () => data(client.GET('/api/v1/shop/charts/rows/{record}', { params: { path: { record: record! } } })),
    enabled: record !== null,
    retry: false,
  });
  if (!record) return null;
  if (!tried.data) return <Problem error={tried.error} />;
  const row = tried.data.row;
  const what = fate(rows, row);
  return (
    <section className="card holdsbox" role="status">
      <p>
        {record} makes a row for {words(row)}: {what === 'same' ? 'it stands below.' : `${FATES[what]}.`} {row.source}.
      </p>
      {what !== 'same' && (
        <Button type="primary" onClick={() => onRows([row], `tried ${record}`)}>
          Take the row into the chart
        </Button>
      )}{' '}
      <Button type="link" onClick={() => setSearch({}, { replace: true })}>
        Leave it
      </Button>
    </section>
  );
}
