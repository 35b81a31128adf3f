import { type ReactNode } from 'react';
import { lazily } from '../../../api/busy';
import { attached, wayOf } from '../../../api/beside';
import { Tray } from '../Tray';
import { OperatingWindow } from '../Window';
import type { FieldCode, Operation, Page, Result } from '../page';

// What is not seen first is fetched when it is asked for.
const Derivation = lazily(async () => ({ default: (await import('../../../parts/Derivation')).Derivation }));
const Bend = lazily(async () => ({ default: (await import('../Bend')).Bend }));
const Load = lazily(async () => ({ default: (await import('../Load')).Load }));
const Passes = lazily(async () => ({ default: (await import('../Passes')).Passes }));
const Stages = lazily(async () => ({ default: (await import('../holes/Stages')).Stages }));
const TapDrills = lazily(async () => ({ default: (await import('../holes/TapDrills')).TapDrills }));
const Infeeds = lazily(async () => ({ default: (await import('../threads/Infeeds')).Infeeds }));
const Ways = lazily(async () => ({ default: (await import('../threads/Ways')).Ways }));
const OperationMeanings = lazily(async () => ({ default: (await import('../../../parts/Meanings')).OperationMeanings }));

/** Something to look at below the picture. Each says by itself where it belongs; the page knows none of them. */
export interface Turn {
  code: string;
  words: string;
  /** Whether what the operation says of itself, and what its result has, asks for it. */
  belongs: (operation: Operation, result: Result) => boolean;
  show: (page: Page) => ReactNode;
}

const has = (operation: Operation, field: string) => operation.fields.some((f) => f.code === field);
const runsAlongAxis = (result: Result) => wayOf(result).some((p) => p.from !== null);

/** All turns, in the order they stand in. */
export const TURNS: readonly Turn[] = [
  {
    code: 'stages',
    words: 'Stages',
    belongs: (_, result) => runsAlongAxis(result),
    show: ({ result, address, refused }) => (
      <Stages
        stages={wayOf(result)}
        edits={[...address.chosen.edits]}
        refused={refused}
        onEdits={(edits) => address.change('edits', { edits })}
      />
    ),
  },
  {
    code: 'infeeds',
    words: 'Infeeds',
    belongs: (_, result) => attached(result.attachments, 'infeedCourse') !== undefined,
    show: ({ result }) => <Infeeds result={result} />,
  },
  {
    code: 'ways',
    words: 'Ways',
    belongs: (_, result) => attached(result.attachments, 'cutThread') !== undefined,
    show: ({ situation, body, address }) => <Ways situation={situation} body={body} address={address} />,
  },
  {
    code: 'drills',
    words: 'Drills on the shelf',
    belongs: (operation) => operation.feedInStep === true && has(operation, 'holeBefore'),
    show: ({ body, take }) => <TapDrills body={body} onTake={(d) => take({ holeBefore: d }, 'drill')} />,
  },
  {
    code: 'window',
    words: 'Operating window',
    belongs: (operation) => operation.free.length > 1,
    show: (page) => (
      <OperatingWindow
        situation={page.situation}
        operation={page.operation}
        body={page.body}
        result={page.result}
        axes={axesOf(page.operation, page.address.chosen.axes)}
        onAxes={(across, up) => page.address.adjust({ axes: `${across}~${up}` })}
        onMove={(values) => page.take(values, 'window')}
      />
    ),
  },
  {
    code: 'load',
    words: 'Load over a turn',
    belongs: (operation) => operation.loadOverTurn === true,
    show: ({ situation, body }) => <Load situation={situation} body={body} />,
  },
  {
    code: 'bend',
    words: 'Bend',
    // Where the whole picture is a corner there is no straight cut to compare it with.
    belongs: (operation) => has(operation, 'cornerRadius') && operation.picture !== 'corner',
    show: ({ result, cutter }) => <Bend result={result} cutter={cutter} />,
  },
  {
    code: 'passes',
    words: 'Passes',
    belongs: (_, result) => !runsAlongAxis(result),
    show: ({ result }) => <Passes result={result} />,
  },
  {
    code: 'derivation',
    words: 'Derivation',
    belongs: () => true,
    show: ({ operation, result, address }) => (
      <>
        <OperationMeanings operation={operation.code} limits={result.limits.map((l) => l.kind)} />
        <Derivation result={result} symbol={address.chosen.why ?? null} />
      </>
    ),
  },
  {
    code: 'tray',
    words: 'Tray',
    belongs: () => true,
    show: ({ address }) => <Tray goOn={address} />,
  },
];

// The two values the window is drawn over: those asked for, as far as the operation has them.
export function axesOf({ free: codes }: Operation, wanted: string | undefined): [FieldCode, FieldCode] {
  const free = codes as FieldCode[];
  const [a, b] = (wanted ?? '').split('~').flatMap((code) => free.find((f) => f === code) ?? []);
  const across = a ?? free[0]!;
  return [across, b && b !== across ? b : free.find((f) => f !== across)!];
}
