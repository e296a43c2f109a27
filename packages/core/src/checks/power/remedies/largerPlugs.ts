import { matedEnd } from '../../../graph/cableJoins.ts';
import type { Graph } from '../../../graph/graph.ts';
import type { Cable, CableEnd } from '../../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, contactAmps, POWER_PLUGS } from '../../../model/connector.ts';
import { listed } from '../../../text/lists.ts';
import { stated } from '../../../text/numbers.ts';
import type { Remedy } from '../../finding.ts';
import type { Overload } from '../helpers/overloads.ts';

/**
 * Larger connectors where a contact between two cables carries too much: both get another family that carries it and takes their wires,
 * the smallest first.
 */
export function largerPlugs(graph: Graph, { contact, amps, result }: Overload): readonly Remedy[] {
  const cable = graph.cables[contact?.cable ?? -1];
  const mated = contact === undefined ? undefined : matedEnd(graph, contact.end);
  if (contact === undefined || cable === undefined || mated === undefined) return [];
  const pair = [{ cable, end: contact.end }, mated];
  const presentA = Math.min(...pair.map(({ end }) => CONNECTOR_FAMILIES[end.connector.family].contactA));
  return POWER_PLUGS.filter(
    (family) =>
      contactAmps(family, result.scenario.durationS) >= amps &&
      pair.every((one) => gaugesAt(one).every((awg) => takes(CONNECTOR_FAMILIES[family].awg, awg))),
  )
    .sort((a, b) => CONNECTOR_FAMILIES[a].contactA - CONNECTOR_FAMILIES[b].contactA)
    .map((family): Remedy => {
      const { title, contactA } = CONNECTOR_FAMILIES[family];
      const tags = listed(pair.map((one) => one.cable.tag));
      return {
        label: `Use ${title}`,
        sentence: `Fit ${title} to ${tags} where they meet (${stated(contactA, 'A')} instead of ${stated(presentA, 'A')}).`,
        edit: {
          kind: 'batch',
          title: `Fit ${title} to ${tags}`,
          edits: pair.map((one) => ({
            kind: 'set-end-connector',
            cable: one.cable.id,
            node: one.end.id,
            connector: { ...one.end.connector, family },
            was: one.end.connector,
          })),
        },
        isChoice: true,
      };
    });
}

/** The gauges of the wires at an end. */
function gaugesAt({ cable, end }: { readonly cable: Cable; readonly end: CableEnd }): readonly number[] {
  return Object.values(cable.conductors).flatMap(({ a, b, awg }) => (a.node === end.id || b.node === end.id ? [awg] : []));
}

function takes([thickest, thinnest]: readonly [number, number], awg: number): boolean {
  return awg >= thickest && awg <= thinnest;
}
