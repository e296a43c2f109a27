import type { Cable, Conductor } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, type Connector } from '../../model/connector.ts';
import type { Graph } from '../../graph/graph.ts';
import { pinAt, plainCable, portAt, type PortAt } from '../../graph/cableJoins.ts';
import { legLengthMm } from '../../layout/ways.ts';
import type { CableId } from '../../model/ids.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { offTheShelf } from '../offTheShelf.ts';
import { conductorLengthMm } from '../wireFacts.ts';
import type { Sheet } from './sheet.ts';

/** The pin table of one cable: what to crimp or solder where, in the order of the pins at end A. */
export function pinTable(graph: Graph, cableId: CableId): Sheet | undefined {
  const cable = graph.cables[graph.cableIx.get(cableId) ?? -1];
  if (cable === undefined) return undefined;
  const ends = Object.values(cable.nodes).filter((node) => node.is === 'end');
  const places = new Map(ends.map((end) => [end.id, portAt(graph, end)]));
  const rows = Object.values(cable.conductors)
    .sort((x, y) => naturalOrder(x.leg, y.leg) || x.a.n - y.a.n || x.b.n - y.b.n || naturalOrder(x.id, y.id))
    .map((conductor) =>
      row(conductor, places.get(conductor.a.node), places.get(conductor.b.node), conductorLengthMm(graph, cable, conductor)),
    );
  const plain = plainCable(graph, cable);
  const bought = plain === undefined ? undefined : offTheShelf(plain);
  const connectors = plain === undefined ? ends : [plain.endA, plain.endB];
  const custom = plain !== undefined && rows.some((cells) => cells[0] !== cells[6]);
  const names = connectors.map((end) => placeText(places.get(end.id)));
  return {
    title: `Cable ${cable.tag}`,
    subtitle: names.join(' to '),
    columns: [
      { title: 'Pin A', kind: 'number' },
      { title: 'Label A', kind: 'value' },
      { title: 'Colour', kind: 'colour' },
      { title: 'AWG', kind: 'number' },
      { title: 'Length mm', kind: 'number' },
      { title: 'Label B', kind: 'value' },
      { title: 'Pin B', kind: 'number' },
    ],
    rows,
    notes: [
      ...connectors.map((end, i) => `End ${'ABCDEFGH'.charAt(i)}: ${connectorText(end.connector)} at ${placeText(places.get(end.id))}.`),
      ...connectors.flatMap((end, i) =>
        end.absent === undefined
          ? []
          : [`End ${'ABCDEFGH'.charAt(i)}: contact ${end.absent.join(', ')} pulled from the shell and insulated.`],
      ),
      ...(bought === undefined ? [] : [`It can be bought: ${bought}.`]),
      ...(custom ? [`Custom pin map: ${cable.tag} is only for ${names.join(' to ')}. Mark it so at both ends.`] : []),
      ...legNotes(graph, cable),
      ...(cable.note === undefined ? [] : [cable.note]),
    ],
    cautions: ['Check polarity with a meter before the cable meets a part. Solder with eye protection and good air.'],
  };
}

/** Where the length of each leg is from, and how its wires lie. */
function legNotes(graph: Graph, cable: Cable): string[] {
  const legs = Object.values(cable.legs);
  return legs.flatMap((leg, i) => {
    const name = legs.length === 1 ? cable.tag : `Leg ${i + 1} of ${cable.tag}`;
    const lengthMm = legLengthMm(graph, cable, leg);
    const from = leg.typedLengthMm === undefined ? 'its way in the layout with slack' : 'as typed';
    return [
      ...(lengthMm === undefined ? [] : [`${name}: ${lengthMm} mm, ${from}.`]),
      ...(leg.twistMm === undefined ? [] : [`${name}: twisted, a turn in ${leg.twistMm} mm; its wires are 3 % longer for it.`]),
    ];
  });
}

function row(conductor: Conductor, a: PortAt | undefined, b: PortAt | undefined, lengthMm: number | undefined): string[] {
  return [
    String(conductor.a.n),
    labelOf(a, conductor.a.n),
    conductor.colour,
    String(conductor.awg),
    lengthMm === undefined ? 'not set' : String(lengthMm),
    labelOf(b, conductor.b.n),
    String(conductor.b.n),
  ];
}

function labelOf(at: PortAt | undefined, n: number): string {
  return at === undefined ? '' : (pinAt(at.port, n)?.label ?? '');
}

function placeText(at: PortAt | undefined): string {
  return at === undefined ? 'free end' : `${at.ref} ${at.port.label}`;
}

function connectorText(connector: Connector): string {
  const { title } = CONNECTOR_FAMILIES[connector.family];
  if (connector.gender === 'pads') return `soldered to ${title}, ${connector.positions}`;
  return `${title} ${connector.gender}, ${connector.positions}-way`;
}
