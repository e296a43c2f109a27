import { stated } from '../../text/numbers.ts';
import type { Cable, NodePin } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, type Connector } from '../../model/connector.ts';
import type { Graph } from '../../graph/graph.ts';
import { pinAt, plainCable, portAt } from '../../graph/cableJoins.ts';
import { legLengthMm } from '../../layout/ways.ts';
import type { CableId } from '../../model/ids.ts';
import { cableEndName, legName, nodeNames } from '../looms/nodeNames.ts';
import { isStraightThrough, offTheShelf } from '../offTheShelf.ts';
import { conductorLengthMm } from '../wireFacts.ts';
import type { Sheet } from './sheet.ts';

/** The pin table of one cable: what to crimp or solder where, in the order of the pins at end A. */
export function pinTable(graph: Graph, cableId: CableId): Sheet | undefined {
  const cable = graph.cables[graph.cableIx.get(cableId) ?? -1];
  if (cable === undefined) return undefined;
  const ends = Object.values(cable.nodes).filter((node) => node.is === 'end');
  const plain = plainCable(graph, cable);
  const bought = plain === undefined ? undefined : offTheShelf(plain);
  const connectors = plain === undefined ? ends : [plain.endA, plain.endB];
  const custom = plain !== undefined && !isStraightThrough(plain);
  const names = connectors.map((end) => cableEndName(graph, end));
  const contact = contactNames(graph, cable, plain !== undefined);
  return {
    title: `Cable ${cable.tag}`,
    subtitle: names.join(' to '),
    columns: [
      { title: 'Pin A', kind: 'number' },
      { title: 'Label A', kind: 'value' },
      { title: 'Colour', kind: 'colour' },
      { title: 'AWG', kind: 'number' },
      { title: 'Length', kind: 'number', unit: 'mm' },
      { title: 'Label B', kind: 'value' },
      { title: 'Pin B', kind: 'number' },
    ],
    rows: Object.values(cable.conductors).map((conductor) => {
      const lengthMm = conductorLengthMm(graph, cable, conductor);
      const { colour, awg, a, b } = conductor;
      return [String(a.n), contact(a), colour, String(awg), lengthMm === undefined ? 'not set' : String(lengthMm), contact(b), String(b.n)];
    }),
    notes: [
      ...connectors.map((end, i) => `End ${'ABCDEFGH'.charAt(i)}: ${connectorText(end.connector)} at ${names[i] ?? ''}.`),
      ...connectors.flatMap((end, i) =>
        end.absent === undefined
          ? []
          : [`End ${'ABCDEFGH'.charAt(i)}: contact ${end.absent.join(', ')} pulled from the housing and insulated.`],
      ),
      ...(bought === undefined ? [] : [`Available ready-made: ${bought}.`]),
      ...(custom ? [`Custom pin map: ${cable.tag} is only for ${names.join(' to ')}. Label both ends.`] : []),
      ...legNotes(graph, cable),
      ...(cable.note === undefined ? [] : [cable.note]),
    ],
    cautions: ['Check polarity with a meter before you plug the cable into a part. Wear eye protection and ventilate when soldering.'],
  };
}

/** Where the length of each leg is from, and how its wires lie. */
function legNotes(graph: Graph, cable: Cable): string[] {
  const legs = Object.values(cable.legs);
  return legs.flatMap((leg) => {
    const name = legs.length === 1 ? cable.tag : `${cable.tag}, ${legName(graph, cable, leg)}`;
    const lengthMm = legLengthMm(graph, cable, leg);
    const from = leg.typedLengthMm === undefined ? 'its route in the layout plus slack' : 'as typed';
    return [
      ...(lengthMm === undefined ? [] : [`${name}: ${stated(lengthMm, 'mm')}, ${from}.`]),
      ...(leg.twistMm === undefined ? [] : [`${name}: twisted, one turn per ${stated(leg.twistMm, 'mm')}; its wires are 3 % longer.`]),
    ];
  });
}

/** How the contacts of a cable are named: by their pin; in a loom with the end that they are at, as there are more than two. */
function contactNames(graph: Graph, cable: Cable, isPlain: boolean): (at: NodePin) => string {
  const names = nodeNames(graph, cable);
  return ({ node: id, n }) => {
    const node = cable.nodes[id];
    const name = names.get(id) ?? '?';
    if (node?.is !== 'end') return name;
    const port = portAt(graph, node)?.port;
    const label = port === undefined ? '' : (pinAt(port, n)?.label ?? '');
    return isPlain ? label : `${name} ${label}`.trim();
  };
}

function connectorText(connector: Connector): string {
  const { title } = CONNECTOR_FAMILIES[connector.family];
  if (connector.gender === 'pads') return `soldered to ${title}, ${connector.positions}`;
  return `${title} ${connector.gender}, ${connector.positions}-way`;
}
