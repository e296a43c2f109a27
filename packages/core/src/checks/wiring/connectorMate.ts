import { matedEnd, portAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { applyEdit } from '../../edits/applyEdit.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import { connectorsMate, mateOf, plugGoesOnto, type Connector } from '../../model/connector.ts';
import { connectorWords } from '../../harness/looms/connectorWords.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** A plug that does not go onto what it is plugged into. */
export const connectorMate: Check = {
  id: 'wire.connector-mate',
  stage: 'wiring',
  title: 'Connectors do not mate',
  run: ({ graph }) =>
    graph.cables.flatMap((cable) => Object.values(cable.nodes).flatMap((node) => (node.is === 'end' ? mateAt(graph, cable, node) : []))),
};

interface Place {
  readonly connector: Connector;
  readonly name: string;
  readonly subjects: readonly Subject[];
}

function placeOf(graph: Graph, end: CableEnd): Place | undefined {
  const at = portAt(graph, end);
  if (at !== undefined) {
    return {
      connector: at.port.connector,
      name: `${at.ref} ${at.port.label}`,
      subjects: [{ is: 'port', item: at.itemId, port: at.port.id }],
    };
  }
  const mated = matedEnd(graph, end);
  return mated === undefined ? undefined : { connector: mated.end.connector, name: mated.cable.tag, subjects: [] };
}

function mateAt(graph: Graph, cable: Cable, end: CableEnd): Saying[] {
  const place = placeOf(graph, end);
  if (place === undefined || plugGoesOnto(end.connector, place.connector)) return [];
  const isShifting =
    end.connector.family === place.connector.family &&
    connectorsMate({ ...end.connector, positions: place.connector.positions }, place.connector);
  const [plug, socket] = [connectorWords(end.connector), connectorWords(place.connector)];
  return [
    {
      severity: 'mend',
      where: [{ is: 'cable', cable: cable.id }, ...place.subjects],
      what: isShifting
        ? `The ${end.connector.positions}-way plug of ${cable.tag} fits loosely into the ${place.connector.positions}-way ${place.name} and shifts.`
        : `The plug of ${cable.tag} does not mate with ${place.name}.`,
      evidence: [{ label: `${cable.tag} at ${place.name}`, value: plug, limit: socket }],
      why: isShifting
        ? "Shifted by one position, every wire is on its neighbour's pin: supply can meet a signal."
        : 'The cable cannot be plugged in as planned.',
      discriminator: end.id,
      remedies: () => fitMate(graph, cable, end, place),
    },
  ];
}

function fitMate(graph: Graph, cable: Cable, end: CableEnd, place: Place): Remedy[] {
  const connector = mateOf(place.connector);
  const edit: SimpleEdit = { kind: 'set-end-connector', cable: cable.id, node: end.id, connector, was: end.connector };
  if ('refused' in applyEdit(graph.design, edit)) return [];
  return [
    {
      label: 'Fit the mating plug',
      sentence: `Fit ${connectorWords(connector)} to ${cable.tag} at ${place.name}; every wire keeps its position.`,
      edit,
    },
  ];
}
