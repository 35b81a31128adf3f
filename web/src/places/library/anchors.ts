import type { Element, Profile } from '../../parts/outline';
import { inPieces } from '../../parts/outline';

/** Lengths that run along the axis from the tip; the drawing stacks them below the profile. */
export const ALONG = ['CW', 'SDL', 'LPIL', 'APMX', 'LH', 'CDX', 'LCF', 'LU', 'OAL'];

const cutting = (e: Element) => e.part === 'cutting';
const middle = (e: Element): [number, number] => (e.bulge ? inPieces(e, 2)[0]! : [(e.fromZ + e.toZ) / 2, (e.fromR + e.toR) / 2]);
const slanted = (e: Element) => !e.bulge && Math.abs(e.toZ - e.fromZ) > 1e-6 && Math.abs(e.toR - e.fromR) > 1e-6;

/** Where on the profile the leader of a dimension ends: [along, across] in mm. */
export function anchorOf(symbol: string, profile: Profile): [number, number] {
  const all = profile.elements;
  const first = (test: (e: Element) => boolean | undefined) => all.find(test);
  const last = (test: (e: Element) => boolean | undefined) => [...all].reverse().find(test);
  const level = (e: Element, part: Element['part']) =>
    e.part === part && Math.abs(e.toZ - e.fromZ) > 1e-6 && Math.abs(e.fromR - e.toR) < 1e-6;
  const widest = [...all.filter(cutting)].sort((a, b) => b.toR - a.toR)[0];
  const found: Partial<Record<string, Element | undefined>> = {
    DN: first((e) => level(e, 'neck')),
    BD: last((e) => level(e, 'neck') || level(e, 'body')),
    DHUB: last((e) => level(e, 'shank')),
    DCX: widest,
    DCN: first(cutting),
    DPIL: first((e) => level(e, 'body')),
    RE: profile.shape === 'flat' ? first(cutting) : first((e) => cutting(e) && e.bulge !== 0),
    PRFRAD: last((e) => cutting(e) && e.bulge !== 0),
    SIG: first((e) => cutting(e) && slanted(e)),
    STA: last((e) => cutting(e) && slanted(e)),
    TA: last((e) => cutting(e) && e.toZ > e.fromZ),
    KAPR: first((e) => cutting(e) && slanted(e)),
    PNA: first((e) => cutting(e) && slanted(e)),
    TP: last((e) => cutting(e) && e.toZ > e.fromZ),
    TPX: last((e) => cutting(e) && e.toZ > e.fromZ),
    IC: first(cutting),
    WB: first((e) => level(e, 'neck')),
    B: first((e) => level(e, 'shank')),
    WF: last((e) => level(e, 'shank')),
  };
  const element = found[symbol] ?? widest ?? all[0];
  // The widest place is a point; everything else is pointed at in its middle.
  if (element && element === widest) return [element.toZ, element.toR];
  return element ? middle(element) : [0, 0];
}
