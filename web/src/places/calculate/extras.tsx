import { Suspense, type ReactNode } from 'react';
import { lazily } from '../../api/busy';
import { attached } from '../../api/beside';
import type { Schemas } from '../../api/client';
import type { Chosen } from './address';
import { ChangedStages } from './holes/ChangedStages';
import { CrossHoles } from './holes/CrossHoles';
import type { Result } from './page';
import { fieldValue } from './pictures/parts';
import { Outline } from './turning/Outline';
import type { Address } from './useAddress';

// Most operations cut no thread.
const ThreadChoice = lazily(async () => ({ default: (await import('./threads/ThreadChoice')).ThreadChoice }));

interface Given {
  chosen: Chosen;
  address: Address;
  result: Result | undefined;
  refused: Record<string, string>;
}

type Kind = NonNullable<Schemas['Extra']['kind']>;

/** What is chosen beside numbers and picks, by its kind: where it is typed among the choices, or null where it is found out by itself. */
export const EXTRAS: Record<Kind, ((given: Given) => ReactNode) | null> = {
  crossHoles: ({ chosen, address, refused }) => (
    <CrossHoles
      holes={[...chosen.crossHoles]}
      start={{ distance: Math.round((chosen.numbers.depth?.base ?? 60) / 2), diameter: 10, angle: 90, offset: 0 }}
      refused={refused}
      onHoles={(crossHoles) => address.change('crossHoles', { crossHoles })}
    />
  ),
  stageEdits: ({ chosen, address, result, refused }) => (
    <ChangedStages edits={chosen.edits} result={result} refused={refused} onEdits={(edits) => address.change('edits', { edits })} />
  ),
  threadToCut: ({ chosen, address, result, refused }) => (
    <Suspense fallback={null}>
      <ThreadChoice
        chosen={chosen.thread}
        cut={attached(result?.attachments, 'cutThread')}
        refused={refused.threadToCut}
        onThread={(thread) => address.change('thread', { thread })}
      />
    </Suspense>
  ),
  turnedOutline: ({ chosen, address, result, refused }) => (
    <Outline
      steps={[...chosen.outline]}
      start={{
        diameter: result ? fieldValue(result, 'endDiameter') : 40,
        length: result ? fieldValue(result, 'length') : 30,
      }}
      refused={refused}
      onSteps={(outline) => address.change('outline', { outline })}
    />
  ),
  drilledBefore: null,
};
