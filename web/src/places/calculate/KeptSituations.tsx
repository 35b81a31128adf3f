import { SavedViews } from '../../parts/SavedViews';
import { bare, readAddress, writeAddress } from './address';
import type { Address } from './useAddress';

/** Situations that the person keeps under a name, with everything that was chosen in them. */
export const KeptSituations = ({ address }: { address: Address }) => (
  <SavedViews
    list="situations"
    words={{ all: 'Situations', one: 'situation', none: 'You keep no situation yet.' }}
    address={writeAddress(bare(address.chosen))}
    onOpen={(query) => address.replace('kept', readAddress(query))}
    quiet
  />
);
