import type { ReactNode } from 'react';
import { BELOW, ON_TOP } from '../holes/section';
import { HoleSection } from '../holes/HoleSection';
import type { FieldCode, Page, Picture, Shown } from '../page';
import { AlongAxis } from './AlongAxis';
import { CornerView } from './CornerView';
import { FromSide } from './FromSide';
import type { Drawn } from './parts';
import { SectionView } from './SectionView';
import { ThreadMillingView } from '../threads/ThreadMillingView';
import { ThreadTurningView } from '../threads/ThreadTurningView';
import { TurnedView } from '../turning/TurnedView';

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
const turned: Drawing = { show: (shown) => <ThreadTurningView {...shown} />, holds: new Set() };
const lathe: Drawing = { show: (shown) => <TurnedView {...shown} />, holds: new Set() };
const milled: Drawing = { show: (shown) => <ThreadMillingView {...shown} />, holds: new Set() };
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
