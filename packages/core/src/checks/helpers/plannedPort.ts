import { cablesAtPort } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { planPorts } from '../../ports/planPorts.ts';
import { takePlan } from '../../ports/takePlan.ts';
import type { Remedy } from '../finding.ts';

/** A link where it arrives now: its device, and the controller with the endpoint. */
export interface ArrivedLink {
  readonly device: number;
  readonly board: number;
  readonly endpoint: string;
}

/** Moves a link to the port that the plan of all links gives it, where that is free now and another than its own. */
export function plannedPort(graph: Graph, { device, board, endpoint }: ArrivedLink): readonly Remedy[] {
  const plan = planPorts(graph);
  const link = plan?.links.find(({ seeker: { item, now } }) => item === device && now?.item === board && now.endpoint === endpoint);
  const fit = link?.fit;
  if (plan === undefined || link === undefined || fit === undefined) return [];
  const { port } = fit;
  const isItsOwn = port.item === board && port.endpoints.some(({ id }) => id === endpoint);
  // What another cable is in is free only once that has gone too: then it takes the whole plan, on the port board.
  const own = link.seeker.entry.item.id;
  const isOthers = cablesAtPort(graph, port.entry.item.id, port.port).some(
    ({ nodes }) => !Object.values(nodes).some((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === own),
  );
  if (isItsOwn || isOthers) return [];
  const { edit, undone } = takePlan(graph, { ...plan, links: plan.links.filter(({ seeker }) => seeker.item === device) });
  if (edit === undefined || undone.length > 0) return [];
  const words = fit.prices.map(({ words: one }) => one).join(', ');
  const title = `Move ${link.seeker.title} to ${port.title}`;
  const label = `Move it to ${port.title.slice(port.entry.item.ref.length + 1)}`;
  return [{ label, sentence: `${title}, the best port for it: ${words}.`, edit }];
}
