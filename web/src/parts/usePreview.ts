import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { client, data, type Schemas } from '../api/client';
import { useMayWork } from './session';
import { NO_PROFILE } from './outline';
import type { ListName } from './shelf';

/** How a definition being edited looks, what is wrong with it, and the ranges its dimensions may be in; nothing is saved. */
export function usePreview(
  list: ListName,
  definition: object,
  sheet: { id: number; looks: Schemas['Looks'] } | undefined,
  changed: boolean,
  ready = true,
) {
  const mayWork = useMayWork();
  const query = useQuery({
    queryKey: [`${list}-preview`, sheet?.id, definition],
    queryFn: () =>
      data(
        client.POST(`/api/v1/library/${list}/preview` as '/api/v1/library/cutters/preview', {
          params: { query: sheet ? { id: sheet.id } : {} },
          body: definition as never,
        }),
      ),
    enabled: mayWork && ready,
    placeholderData: keepPreviousData,
  });
  const looks = query.data?.looks;
  // A new thing may wait for its number until it is saved.
  const faults = (query.data?.faults ?? []).filter((f) => sheet !== undefined || f.field !== 'number');
  // What is stored may have stopped fitting when another part was changed, so it is judged too.
  const shown = changed || sheet ? faults : [];
  return {
    /** While values are refused, the last good profile stays. */
    profile: looks?.profile.elements.length ? looks.profile : (sheet?.looks.profile ?? NO_PROFILE),
    built: looks?.built ?? sheet?.looks.built ?? undefined,
    faults: shown,
    sentences: Object.fromEntries(shown.map((f) => [f.field, f.sentence])) as Record<string, string>,
    doubts: looks?.doubts ?? [],
    ranges: Object.fromEntries((looks?.ranges ?? []).map((r) => [r.field, r])) as Record<string, Schemas['FieldRange']>,
  };
}
