import type { Graph } from '../../graph/graph.ts';
import { endName, serialHops, type SerialEnd } from '../../links/serialHops.ts';
import { offersInForce, serialSetup } from '../../links/serialSetup.ts';
import { protocols } from '../../links/protocols.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { listed } from '../../text/lists.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { bandwidth } from './bandwidth.ts';
import { duplicateRole } from './duplicateRole.ts';
import { baudMismatch, protocolMismatch } from './hopMismatch.ts';
import { endSubject, setAtEnd } from './serialRemedies.ts';
import type { Check, Remedy } from '../finding.ts';

/** Ports of controllers on which something is wired and that have no role yet. One note for all of them. */
export const noRole: Check = {
  id: 'link.no-role',
  stage: 'links',
  title: 'Wired port without a role',
  run: ({ graph }) => {
    const open = portsWithoutRole(graph);
    if (open.length === 0) return [];
    const names = open.map(({ port, far }) => `${endName(port)} (${far.entry.item.ref})`);
    return [
      {
        severity: 'note',
        where: open.map(({ port }) => endSubject(port)),
        what: `${open.length === 1 ? 'A wired port has' : `${open.length} wired ports have`} no role yet: ${listed(names)}.`,
        evidence: open.map(({ port, roles }) => ({
          label: endName(port),
          value: 'no role',
          limit: [...new Set(roles.map(({ protocol }) => protocols[protocol].title))].join(' or '),
        })),
        why: 'The controller neither reads nor sends anything there.',
        remedies: () => setRoles(graph, open),
      },
    ];
  },
};

interface OpenPort {
  readonly port: SerialEnd;
  /** The first part that is on it. */
  readonly far: SerialEnd;
  /** What both could speak, of all parts that are on it, with the baud of the part. */
  readonly roles: readonly { readonly protocol: ProtocolId; readonly baud: number | undefined }[];
}

/** Each port once. */
function portsWithoutRole(graph: Graph): readonly OpenPort[] {
  const open = new Map<string, OpenPort>();
  for (const { a, b } of serialHops(graph)) {
    const port = [a, b].find((end) => end.entry.part?.kind === 'controller');
    if (port === undefined || serialSetup(port.entry.item, port.endpoint).protocol !== undefined) continue;
    const far = port === a ? b : a;
    const key = `${port.item} ${port.endpoint.id}`;
    const roles = [...(open.get(key)?.roles ?? []), ...rolesOf(port, far)];
    if (roles.length > 0) open.set(key, { port, far: open.get(key)?.far ?? far, roles });
  }
  return [...open.values()];
}

function rolesOf(port: SerialEnd, far: SerialEnd): OpenPort['roles'] {
  const known = port.endpoint.speaks.map(({ protocol }) => protocol);
  const { baud } = serialSetup(far.entry.item, far.endpoint);
  return offersInForce(far.entry.item, far.endpoint).flatMap(({ protocol }) => (known.includes(protocol) ? [{ protocol, baud }] : []));
}

/** The first role of each port that brings no mismatch; none where a port has no such. */
function setRoles(graph: Graph, open: readonly OpenPort[]): readonly Remedy[] {
  const edits: SimpleEdit[] = [];
  const words: string[] = [];
  let now = graph;
  for (const { port, roles } of open) {
    const before = now;
    const role = roles.find((one) => isQuiet(before, roleEdits(before, port, one)));
    if (role === undefined) return [];
    const found = roleEdits(before, port, role);
    const after = graphAfter(before, { kind: 'batch', title: 'Set the role', edits: [...found] });
    if (after === undefined) return [];
    edits.push(...found);
    words.push(`${endName(port)} to ${protocols[role.protocol].title}`);
    now = after;
  }
  const title = open.length === 1 ? 'Set the role' : 'Set the roles';
  return [{ label: title, sentence: `Set ${listed(words)}.`, edit: { kind: 'batch', title, edits } }];
}

function roleEdits(graph: Graph, port: SerialEnd, { protocol, baud }: OpenPort['roles'][number]): readonly SimpleEdit[] {
  const set = [
    ...setAtEnd(graph, port, 'protocol', protocol, protocols[protocol].title),
    ...(baud === undefined ? [] : setAtEnd(graph, port, 'baud', baud, String(baud))),
  ];
  return set.flatMap(({ edit }): readonly SimpleEdit[] => (edit.kind === 'set-item-setting' ? [edit] : []));
}

/** What a role can bring that is worse than none. */
const QUIET: readonly Check[] = [protocolMismatch, baudMismatch, duplicateRole, bandwidth];

function isQuiet(graph: Graph, edits: readonly SimpleEdit[]): boolean {
  const after = edits.length === 0 ? undefined : graphAfter(graph, { kind: 'batch', title: 'Set the role', edits: [...edits] });
  return after !== undefined && QUIET.every((check) => check.run({ graph: after }).length <= check.run({ graph }).length);
}
