import { Select } from 'antd';
import { useUnits } from '../../parts/session';
import { cuttingMaterialWords, familyWords, type Family, type ListName } from '../../parts/shelf';

const FACETS: Record<ListName, [string, string][]> = {
  cutters: [
    ['family', 'family'],
    ['size', 'size'],
    ['reach', 'reach'],
    ['group', 'may cut'],
    ['material', 'made of'],
    ['machine', 'stands in'],
    ['data', 'data'],
    ['use', 'in use as'],
    ['state', 'state'],
  ],
  holders: [
    ['role', 'role'],
    ['kind', 'kind'],
    ['interface', 'interface'],
    ['use', 'in use as'],
    ['state', 'state'],
  ],
  assemblies: [
    ['family', 'family'],
    ['group', 'may cut'],
    ['interface', 'interface'],
    ['machine', 'stands in'],
    ['data', 'data'],
    ['state', 'state'],
  ],
};
const WORDS: Record<string, string> = {
  inUse: 'in use',
  approved: 'has approved data',
  none: 'has no approved data',
  assembled: 'in an assembly',
  loose: 'in no assembly',
  long: 'long, from 4 × D',
  usual: 'usual',
  short: 'short, to 2 × D',
};

interface Props {
  list: ListName;
  query: Record<string, string>;
  counts: Record<string, { value: string; count: number }[]> | undefined;
  families: readonly Family[] | undefined;
  set: (values: Record<string, string | undefined>) => void;
}

/** What a list is narrowed by, each value with how many it would leave. */
export function Filters({ list, query, counts, families, set }: Props) {
  const units = useUnits();
  const words = (facet: string, value: string): string => {
    if (facet === 'family') return familyWords(families, value);
    if (facet === 'material') return cuttingMaterialWords[value as 'carbide'] ?? value;
    if (facet === 'group') return `cuts ${value}`;
    if (facet === 'size') {
      const [from, to] = value.split('-');
      return to ? `Ø${units.size(Number(from))} to ${units.size(Number(to))}` : `over Ø${units.size(Number(from))}`;
    }
    return WORDS[value] ?? value;
  };
  return (
    <div className="filters">
      {FACETS[list].map(([facet, title]) => {
        const chosen = (query[facet] ?? '').split('|').filter(Boolean);
        const found = counts?.[facet] ?? [];
        const options = [...found, ...chosen.filter((v) => !found.some((c) => c.value === v)).map((value) => ({ value, count: 0 }))];
        if (options.length === 0) return null;
        return (
          <Select
            key={facet}
            mode="multiple"
            size="small"
            allowClear
            maxTagCount="responsive"
            aria-label={title}
            placeholder={title}
            className={chosen.length > 0 ? 'chosen' : ''}
            popupMatchSelectWidth={220}
            value={chosen}
            onChange={(v: string[]) => set({ [facet]: v.join('|') || undefined })}
            optionRender={(o) => (
              <span className="count">
                {words(facet, String(o.value))} <i>{options.find((c) => c.value === o.value)?.count}</i>
              </span>
            )}
            options={options.map((c) => ({ value: c.value, label: words(facet, c.value) }))}
          />
        );
      })}
    </div>
  );
}
