import { figure, quantity, range } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { balanceOf, solvePack, type Weight } from '../../layout/balance.ts';
import { placedItems, type PlacedItem } from '../../layout/placedItems.ts';
import { reachOf } from '../../layout/reachOf.ts';
import type { Sheet } from './sheet.ts';

/** A butt line as people say it; a leading minus would not come through a spreadsheet as a number. */
function sideways(mm: number): string {
  const text = figure(Math.abs(mm), 'mm');
  return text === '0' ? '0' : `${text} ${mm < 0 ? 'left' : 'right'}`;
}

function upwards(mm: number): string {
  const text = figure(Math.abs(mm), 'mm');
  return text === '0' ? '0' : `${text} ${mm < 0 ? 'down' : 'up'}`;
}

/** The placed items from the nose aft: the numbers of the placement sheet and of the plan on it. */
export function placementOrder(graph: Graph): readonly PlacedItem[] {
  return [...placedItems(graph)].sort((a, b) => a.place.at[0] - b.place.at[0] || a.index - b.index);
}

/** Where every placed item sits and how it is turned, from the nose aft. */
export function placementSheet(graph: Graph): Sheet {
  const { frame } = graph.design.aircraft.airframe;
  const placed = placementOrder(graph);
  const open = graph.items.filter(({ item }) => item.where === 'aircraft' && item.place === undefined).map(({ item }) => item.ref);
  const hidden = reachOf(graph).flatMap(({ placed: { item }, what, by }) => (by === 'closed' ? [`${item.ref} ${what}`] : []));
  return {
    title: `Placement ${graph.design.aircraft.name}`,
    subtitle: 'Centre of each part: station aft of the nose, butt line, water line',
    columns: [
      { title: 'No.', kind: 'number' },
      { title: 'Item', kind: 'value' },
      { title: 'Description', kind: 'words' },
      { title: 'Station', kind: 'number', unit: 'mm' },
      { title: 'Butt line', kind: 'value', unit: 'mm' },
      { title: 'Water line', kind: 'value', unit: 'mm' },
      { title: 'Bay', kind: 'words' },
      { title: 'Orientation', kind: 'words' },
    ],
    rows: placed.map(({ item, part, place }, i) => [
      String(i + 1),
      item.ref,
      item.label ?? part.name,
      figure(place.at[0], 'mm'),
      sideways(place.at[1]),
      upwards(place.at[2]),
      place.bay === undefined ? '' : (frame?.bays[place.bay]?.title ?? place.bay),
      turnText(place),
    ]),
    notes: [
      ...(open.length === 0 ? [] : [`Not placed yet: ${open.join(', ')}.`]),
      ...(hidden.length === 0 ? [] : [`Configure before the bay is closed: ${hidden.join('; ')}.`]),
    ],
    cautions: [],
  };
}

function turnText({ turn: [roll, pitch, yaw], yawDeg, below }: ReturnType<typeof placedItems>[number]['place']): string {
  const turns = [
    ...(roll === 0 ? [] : [`rolled ${roll}`]),
    ...(pitch === 0 ? [] : [`nose up ${pitch}`]),
    ...(yaw + yawDeg === 0 ? [] : [`nose right ${yaw + yawDeg}`]),
    ...(below ? ['from below: left and right are swapped'] : []),
  ];
  return turns.join(', ');
}

/** What weighs how much where, its moment about the nose, and the sum. */
export function balanceSheet(graph: Graph): Sheet {
  const balance = balanceOf(graph);
  const numbers = graph.design.aircraft.airframe.frame?.numbers;
  const [fore, aft] = [numbers?.foreLimitMm, numbers?.aftLimitMm];
  const pack = solvePack(graph);
  const rows = (balance?.weights ?? []).map((weight) => row(weight));
  const sum: readonly string[][] =
    balance === undefined
      ? []
      : [
          [
            'Sum',
            figure(balance.massG, 'g'),
            figure(balance.at[0], 'mm'),
            figure((balance.massG * balance.at[0]) / 1e6, 'kg m'),
            sideways(balance.at[1]),
            upwards(balance.at[2]),
          ],
        ];
  return {
    title: `Balance ${graph.design.aircraft.name}`,
    subtitle:
      balance === undefined
        ? 'Nothing with a mass is placed yet'
        : `${quantity(balance.massG, 'g')}, centre of gravity at station ${quantity(balance.at[0], 'mm')}${fore === undefined || aft === undefined ? '' : `; ${range(fore, aft, 'mm')} allowed`}`,
    columns: [
      { title: 'Description', kind: 'value' },
      { title: 'Mass', kind: 'number', unit: 'g' },
      { title: 'Station', kind: 'number', unit: 'mm' },
      { title: 'Moment', kind: 'number', unit: 'kg m' },
      { title: 'Butt line', kind: 'value', unit: 'mm' },
      { title: 'Water line', kind: 'value', unit: 'mm' },
    ],
    rows: [...rows, ...sum],
    notes: [
      ...(balance === undefined
        ? []
        : [
            `Moments of inertia about the centre of gravity: roll, pitch, yaw ${balance.inertiaKgM2.map((value) => quantity(value, 'kg m2')).join(', ')}.`,
          ]),
      ...(pack === undefined
        ? []
        : [
            `${pack.pack.item.ref} balances it exactly at station ${quantity(pack.stationMm, 'mm')}; its bay reaches to ${quantity(pack.reachableMm, 'mm')}.`,
          ]),
      'Masses are as weighed, else by the data of the part; cables by gauge and length, connectors not included. Sample values: weigh yours.',
    ],
    cautions: ['Weigh and balance the finished aircraft before it flies; this sheet is a plan.'],
  };
}

function row({ name, massG, at }: Weight): string[] {
  return [name, figure(massG, 'g'), figure(at[0], 'mm'), figure((massG * at[0]) / 1e6, 'kg m'), sideways(at[1]), upwards(at[2])];
}
