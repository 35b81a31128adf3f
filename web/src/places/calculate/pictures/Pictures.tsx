import type { Profile } from '../../../parts/outline';
import { AlongAxis } from './AlongAxis';
import { CornerView } from './CornerView';
import { FromSide } from './FromSide';
import type { Drawn } from './parts';
import { SectionView } from './SectionView';

/** The two pictures of an operation: how the teeth meet the work, and the assembly in it. */
export function Pictures(props: Drawn & { profile: Profile; projection: number; number: string }) {
  const { result, cutter, picture, profile } = props;
  const drawn = { result, cutter, picture };
  return (
    <div className="pictures">
      {picture === 'corner' ? (
        <CornerView {...drawn} />
      ) : picture === 'surface' || picture === 'chamfer' || picture === 'engraving' ? (
        <SectionView {...drawn} profile={profile} />
      ) : (
        <AlongAxis {...drawn} />
      )}
      <FromSide {...props} />
    </div>
  );
}
