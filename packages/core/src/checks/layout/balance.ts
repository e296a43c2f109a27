import { quantity, range } from '../../text/numbers.ts';
import { balanceOf, balancingSwaps, solvePack, type Balance } from '../../layout/balance.ts';
import type { PlacedItem } from '../../layout/placedItems.ts';
import type { Graph } from '../../graph/graph.ts';
import type { FramePlan } from '../../model/frame.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { heaviest, moved } from './helpers/places.ts';

/** So near to the edge of the band, as a share of its width, that it is said. */
const NEAR_EDGE = 0.2;

/** A remedy brings it a little further in than that: the cables that follow the pack weigh too. */
const INSIDE = 0.25;

/** The aircraft balances outside the band that is allowed, or near its edge. */
export const centreOfGravity: Check = {
  id: 'place.cg',
  stage: 'layout',
  title: 'Balance',
  run: ({ graph }) => {
    const { frame } = graph.design.aircraft.airframe;
    const balance = balanceOf(graph);
    return frame === undefined || balance === undefined || !isWhole(graph) ? [] : balances(graph, frame, balance);
  },
};

/** A balance says something only when all that flies is placed. */
function isWhole({ items }: Graph): boolean {
  return items.every(({ item, part }) => item.where !== 'aircraft' || (item.place !== undefined && part !== undefined));
}

function balances(graph: Graph, { numbers }: FramePlan, balance: Balance): Saying[] {
  const { foreLimitMm: fore, aftLimitMm: aft } = numbers;
  if (fore === undefined || aft === undefined || fore >= aft) return [];
  const [station] = balance.at;
  const outside = station < fore ? fore - station : station > aft ? station - aft : 0;
  const room = Math.min(station - fore, aft - station) / (aft - fore);
  if (outside === 0 && room >= NEAR_EDGE) return [];
  const side = station - fore < aft - station ? 'forward' : 'aft';
  const heavy = heaviest(graph);
  if (heavy === undefined) return [];
  const where = [{ is: 'item' as const, item: heavy.item.id }];
  const evidence = [
    { label: 'centre of gravity, station', value: quantity(station, 'mm'), limit: range(fore, aft, 'mm') },
    { label: 'mass', value: quantity(balance.massG, 'g') },
  ];
  if (outside === 0) {
    return [
      {
        severity: 'note',
        where,
        what: `With ${heavy.item.ref} where it is, the centre of gravity is near its ${side} limit.`,
        evidence,
        why: 'A heavier payload or a repair may move it outside. Weigh and balance the aircraft before it flies.',
        remedies: () => packRemedy(graph),
      },
    ];
  }
  return [
    {
      severity: 'stop',
      where,
      what: `With ${heavy.item.ref} where it is, the centre of gravity is ${quantity(outside, 'mm')} too far ${side}.`,
      evidence,
      why:
        side === 'aft'
          ? 'Tail-heavy, it pitches up and cannot be recovered. Do not fly it.'
          : 'Nose-heavy, it cannot be held level or flared for landing. Do not fly it.',
      remedies: () => [...packRemedy(graph), ...swapRemedies(graph)],
    },
  ];
}

/** Moves the pack to where it balances, when its bay lets it and that is inside the band. */
function packRemedy(graph: Graph): Remedy[] {
  const solved = solvePack(graph);
  const { foreLimitMm, aftLimitMm } = graph.design.aircraft.airframe.frame?.numbers ?? {};
  if (solved === undefined || foreLimitMm === undefined || aftLimitMm === undefined) return [];
  const { pack, reachableMm, balanceMm } = solved;
  const margin = INSIDE * (aftLimitMm - foreLimitMm);
  const to = Math.round(reachableMm);
  if (balanceMm < foreLimitMm + margin || balanceMm > aftLimitMm - margin || to === Math.round(pack.place.at[0])) return [];
  return [
    {
      label: `Move ${pack.item.ref}`,
      sentence: `Move ${pack.item.ref} from station ${range(pack.place.at[0], to, 'mm')}: the centre of gravity is then at ${quantity(balanceMm, 'mm')}.`,
      edit: moved(pack, [to, pack.place.at[1], pack.place.at[2]]),
    },
  ];
}

function swapRemedies(graph: Graph): Remedy[] {
  return balancingSwaps(graph)
    .slice(0, 2)
    .map(({ a, b, balanceMm }) => ({
      label: `Swap ${a.item.ref}, ${b.item.ref}`,
      sentence: `Swap the places of ${a.item.ref} and ${b.item.ref}: the centre of gravity is then at ${quantity(balanceMm, 'mm')}.`,
      edit: {
        kind: 'batch' as const,
        title: `Swap ${a.item.ref} and ${b.item.ref}`,
        edits: [takesPlaceOf(a, b), takesPlaceOf(b, a)],
      },
    }));
}

/** An item in the bay and at the spot of another, turned as it is. */
function takesPlaceOf({ item, place }: PlacedItem, { place: there }: PlacedItem) {
  const { bay: _own, ...kept } = place;
  const to = there.bay === undefined ? { ...kept, at: there.at } : { ...kept, at: there.at, bay: there.bay };
  return { kind: 'place-item' as const, item: item.id, place: to, was: place };
}
