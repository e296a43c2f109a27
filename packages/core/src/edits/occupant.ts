import type { CableId, MateId, NodeId } from '../model/ids.ts';

/** One end of a cable. */
export interface EndAddress {
  readonly cable: CableId;
  readonly node: NodeId;
}

/** What fills a place: the end of a cable, or another port that mates with it. */
export type Occupant = ({ readonly is: 'end' } & EndAddress) | { readonly is: 'mate'; readonly mate: MateId };
