import { Suspense, type ReactNode } from 'react';
import { lazily } from '../../../api/busy';
import { BELOW, ON_TOP } from '../holes/section';
import { HoleSection } from '../holes/HoleSection';
import type { FieldCode, Page, Picture, Shown } from '../page';
import { AlongAxis } from './AlongAxis';
import { CornerView } from './CornerView';
import { FromSide } from './FromSide';
import type { Drawn } from './parts';
import { SectionView } from './SectionView';

// Needed only by whoever turns or cuts threads.
const ThreadMillingView = lazily(async () => ({ default: (await import('../threads/ThreadMillingView')).ThreadMillingView }));
const ThreadTurningView = lazily(async () => ({ default: (await import('../threads/ThreadTurningView')).ThreadTurningView }));
const TurnedView = lazily(async () => ({ default: (await import('../turning/TurnedView')).TurnedView }));

/** How a picture is drawn, and the fields that stand on it, to be typed into where there is a page to change. */
interface Drawing {
  show: (shown: Shown, page?: Page) => ReactNode;
  holds: ReadonlySet<FieldCode>;
}

// How the teeth meet the work, and the assembly in it.
const both = (view: (drawn: Drawn & Pick<Shown, 'assembly'>) => ReactNode): Drawing => ({
  show: ({ result, cutter, operation, assembly }) => {
    const drawn = { result, cutter, picture: operation.picture };
    return (
      <div className="pictures">
        {view({ ...drawn, assembly })}
        <FromSide {...drawn} assembly={assembly} />
      </div>
    );
  },
  holds: new Set(),
});
const along = both((drawn) => <AlongAxis {...drawn} />);
const corner = both((drawn) => <CornerView {...drawn} />);
const section = both((drawn) => <SectionView {...drawn} profile={drawn.assembly.looks.profile} />);

// The same, fetched when it is first shown.
const later = (view: (shown: Shown) => ReactNode): Drawing => ({
  show: (shown) => <Suspense fallback={null}>{view(shown)}</Suspense>,
  holds: new Set(),
});
const turned = later((shown) => <ThreadTurningView {...shown} />);
const lathe = later((shown) => <TurnedView {...shown} />);
const milled = later((shown) => <ThreadMillingView {...shown} />);
const hole: Drawing = { show: (shown, page) => <HoleSection {...shown} page={page} />, holds: new Set([...ON_TOP, ...BELOW]) };

/** Every picture an operation can ask for; one without a drawing does not compile. */
export const PICTURES: Record<Picture, Drawing> = {
  wall: along,
  plunge: along,
  pocket: along,
  slot: along,
  ramp: along,
  face: along,
  helix: along,
  loops: along,
  corner,
  surface: section,
  chamfer: section,
  engraving: section,
  threadTurning: turned,
  threadMilling: milled,
  turned: lathe,
  turnedFace: lathe,
  turnedGroove: lathe,
  partOff: lathe,
  hole,
  tap: hole,
  deep: hole,
};
