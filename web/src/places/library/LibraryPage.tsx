import { Missing } from '../../parts/Missing';
import { Button, Dropdown, Input, Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useMayWork } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { useFamilies, type ListName } from '../../parts/shelf';
import { useAddressText } from '../../parts/useAddressText';
import { Filters } from './Filters';
import { Labels } from './Labels';
import { Many } from './Many';
import { Rows } from './Rows';
import { SavedViews } from '../../parts/SavedViews';
import { useListing, useListQuery } from './useListing';

const WORDS: Record<ListName, [string, string, string]> = {
  cutters: ['cutter', 'cutters', 'Add a cutter'],
  holders: ['holder', 'holders', 'Add a holder'],
  assemblies: ['assembly', 'assemblies', 'Put an assembly together'],
};

/** Lists of cutters, holders and assemblies: search, filters with counts, and what is done to many. */
export function LibraryPage() {
  const kind = (useParams().kind ?? 'assemblies') as ListName;
  return kind in WORDS ? <List key={kind} list={kind} /> : <Missing />;
}

function List({ list }: { list: ListName }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const families = useFamilies().data;
  const [text, setText] = useAddressText('q');
  const { query, set, filters, replace, address } = useListQuery(text);
  const [window, setWindow] = useState<[number, number]>([0, 0]);
  const listing = useListing(list, query, ...window);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [panel, setPanel] = useState<'many' | 'labels'>();
  const [one, many, add] = WORDS[list];
  const { total } = listing;
  const all = listing.first?.all;
  const narrowed = filters.length > 0 || text !== '';

  return (
    <div className="page list">
      <header>
        <h1>
          Library<span className="sr">: {list}</span>
        </h1>
        <Segmented<ListName>
          value={list}
          onChange={(k) => void navigate(`/library/${k}`)}
          options={[
            { value: 'assemblies', label: 'Assemblies' },
            { value: 'cutters', label: 'Cutters' },
            { value: 'holders', label: 'Holders' },
          ]}
        />
        <Input
          className="filter"
          allowClear
          aria-label="Find in the list"
          placeholder={list === 'holders' ? 'collet 12, SK 40 …' : 'Ø12, 1/2", ball 6 long, z4 r1, M10 …'}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <SavedViews
          list={list}
          address={address}
          onOpen={(view) => {
            setText(new URLSearchParams(view).get('q') ?? '');
            replace(view);
          }}
        />
        <span className="grow" />
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              ...(['csv', 'xlsx', 'json'] as const).map((format) => ({
                key: format,
                label: <a href={`/api/v1/library/${list}/export.${format}?${address}`}>This view as {format.toUpperCase()}</a>,
              })),
              ...(mayWork && list === 'cutters'
                ? [
                    { key: 'import', label: 'Bring in a table of cutters' },
                    { key: 'duplicates', label: 'Likely duplicates' },
                  ]
                : []),
            ],
            onClick: ({ key }) => {
              if (key === 'import' || key === 'duplicates') void navigate(`/library/${key}`);
            },
          }}
        >
          <Button>In and out</Button>
        </Dropdown>
        {mayWork && <Button onClick={() => void navigate(`/library/${list}/new`)}>{add}</Button>}
      </header>
      <Filters list={list} query={query} counts={listing.first?.counts} families={families} set={set} />
      <Problem error={listing.error} />
      {listing.first?.mended.map((m) => (
        <p key={m} className="muted small">
          {m}.
        </p>
      ))}
      {chosen.size > 0 && (
        <div className="chosen-bar" role="status">
          <b>{chosen.size} chosen</b>
          {mayWork && (
            <Button size="small" onClick={() => setPanel('many')}>
              Change in all
            </Button>
          )}
          <Button size="small" onClick={() => setPanel('labels')}>
            Labels
          </Button>
          <Button size="small" type="text" onClick={() => setChosen(new Set())}>
            Choose none
          </Button>
        </div>
      )}
      {panel === 'many' && chosen.size > 0 && (
        <Many list={list} ids={[...chosen]} families={families} onClose={() => setPanel(undefined)} />
      )}
      {panel === 'labels' && chosen.size > 0 && <Labels list={list} ids={[...chosen]} onClose={() => setPanel(undefined)} />}
      {total === 0 && !listing.isPending ? (
        <p className="empty">
          {all === 0 ? `No ${one} yet. ${mayWork ? `“${add}” starts the first one.` : ''}` : `No ${one} has all of this. `}
          {narrowed && all !== 0 && (
            <Button
              size="small"
              onClick={() => {
                setText('');
                replace('');
              }}
            >
              Take all filters away
            </Button>
          )}
        </p>
      ) : (
        <Rows
          list={list}
          listing={listing}
          families={families}
          query={query}
          chosen={chosen}
          onChosen={setChosen}
          onWindow={setWindow}
          onSort={(sort, descending) => set({ sort, descending: descending ? 'true' : undefined })}
        />
      )}
      <p className="muted small">{all === undefined ? '' : `${total} ${total === 1 ? one : many}${total !== all ? ` of ${all}` : ''}`}</p>
    </div>
  );
}
