import { Button, Input, Pagination, Select } from 'antd';
import { useSearchParams } from 'react-router';
import { useAddressText } from './useAddressText';

/** What the address says of a list: its words, its filters, its order and its page. */
export interface Listing {
  text: string;
  setText: (text: string) => void;
  /** What a key of the address says. */
  get: (key: string) => string | undefined;
  /** Changes keys of the address; another page is only kept where it is asked for. */
  change: (values: Record<string, string | undefined>) => void;
  /** The keys named here that say something. */
  filters: (keys: readonly string[]) => Record<string, string>;
  page: number;
  /** Which rows that page has, as the server is asked for them. */
  rows: { skip: number; take: number };
}

/** A list whose state stands in the address alone, so that a link or a step back shows it as it was. */
export function useListing(size: number, words = 'text'): Listing {
  const [search, setSearch] = useSearchParams();
  const [text, setText] = useAddressText(words, ['page']);
  const page = Math.max(1, Number(search.get('page')) || 1);
  const get = (key: string) => search.get(key) ?? undefined;
  return {
    text,
    setText,
    get,
    change: (values) =>
      setSearch(
        (s) => {
          s.delete('page');
          for (const [key, value] of Object.entries(values))
            if (value) s.set(key, value);
            else s.delete(key);
          return s;
        },
        { replace: true },
      ),
    filters: (keys) => Object.fromEntries(keys.flatMap((key) => (get(key) ? [[key, get(key)!]] : []))),
    page,
    rows: { skip: (page - 1) * size, take: size },
  };
}

/** Where words are typed that narrow a list. */
export const ListWords = ({ list, label, example, width = 290 }: { list: Listing; label: string; example: string; width?: number }) => (
  <Input
    allowClear
    aria-label={label}
    placeholder={example}
    style={{ width }}
    value={list.text}
    onChange={(e) => list.setText(e.target.value)}
  />
);

interface PickProps {
  list: Listing;
  of: string;
  label: string;
  /** What stands there while nothing is chosen; the label where nothing else does. */
  none?: string;
  options: readonly { value: string; label: string }[];
  width?: number;
}

/** A choice that narrows a list, or orders it. */
export const ListPick = ({ list, of, label, none = label, options, width = 168 }: PickProps) => (
  <Select
    aria-label={label}
    allowClear
    showSearch={{ optionFilterProp: 'label' }}
    placeholder={none}
    style={{ width }}
    value={list.get(of)}
    onChange={(value: string | undefined) => list.change({ [of]: value })}
    options={[...options]}
  />
);

/** Takes words and filters away, where there are any. */
export const ListAllAgain = ({ list, keys }: { list: Listing; keys: readonly string[] }) =>
  Object.keys(list.filters(keys)).length > 0 && (
    <Button
      type="link"
      onClick={() => {
        list.setText('');
        list.change(Object.fromEntries(keys.map((key) => [key, undefined])));
      }}
    >
      All again
    </Button>
  );

/** Turns the pages of a list. */
export const ListPages = ({ list, total }: { list: Listing; total: number }) =>
  total > list.rows.take && (
    <Pagination
      className="noprint"
      size="small"
      current={list.page}
      pageSize={list.rows.take}
      total={total}
      showSizeChanger={false}
      onChange={(page) => list.change({ page: String(page) })}
    />
  );
