import { percent } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { endName, serialHops, type Hearing, type SerialEnd, type SerialHop } from '../../links/serialHops.ts';
import { protocols } from '../../links/protocols.ts';
import { baudsAgree, BAUD_TOLERANCE, canTakeBaud, offersInForce, serialSetup } from '../../links/serialSetup.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { endSubject, setAtEnd } from './serialRemedies.ts';

/** Both ends of a serial wire with bauds that do not understand each other. */
export const baudMismatch: Check = {
  id: 'link.baud-mismatch',
  stage: 'links',
  title: 'Baud rates differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => baudsOf(graph, hop)),
};

function baudsOf(graph: Graph, { a, b }: SerialHop): Saying[] {
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint), serialSetup(b.entry.item, b.endpoint)];
  const [baudA, baudB] = [atA.baud, atB.baud];
  if (baudA === undefined || baudB === undefined || baudsAgree(baudA, baudB)) return [];
  // With another protocol the baud will be another one too: one thing after the other.
  if (protocolsDiffer(a, b)) return [];
  const setTo = (end: SerialEnd, protocol: typeof atA.protocol, baud: number): Remedy[] =>
    canTakeBaud(end.endpoint, protocol, baud) ? setAtEnd(graph, end, 'baud', baud, String(baud)) : [];
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(a)} talks at ${baudA} baud and ${endName(b)} at ${baudB}.`,
      evidence: [
        { label: endName(a), value: `${baudA} baud, ${atA.baudIs}` },
        { label: endName(b), value: `${baudB} baud, ${atB.baudIs}`, limit: `${percent(BAUD_TOLERANCE)} apart at most` },
      ],
      why: 'Neither end can read what the other sends.',
      remedies: () => [...setTo(b, atB.protocol, baudA), ...setTo(a, atA.protocol, baudB)],
    },
  ];
}

/** Two ends that are set to different protocols, or one that is set to what the other never speaks. */
export const protocolMismatch: Check = {
  id: 'link.protocol-mismatch',
  stage: 'links',
  title: 'Protocols differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => protocolsOf(graph, hop)),
};

function spokenAt({ entry, endpoint }: SerialEnd): readonly ProtocolId[] {
  return offersInForce(entry.item, endpoint).map((offer) => offer.protocol);
}

/** No protocol is in force at both ends, and at least one end has chosen. */
function protocolsDiffer(a: SerialEnd, b: SerialEnd): boolean {
  const [inA, inB] = [spokenAt(a), spokenAt(b)];
  if ([...inA, ...inB].includes('transparent') || inA.some((protocol) => inB.includes(protocol))) return false;
  return [a, b].some(({ entry, endpoint }) => serialSetup(entry.item, endpoint).protocol !== undefined);
}

function protocolsOf(graph: Graph, { a, b }: SerialHop): Saying[] {
  if (!protocolsDiffer(a, b)) return [];
  const [inA, inB] = [spokenAt(a), spokenAt(b)];
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint).protocol, serialSetup(b.entry.item, b.endpoint).protocol];
  const [said, speaks] = [titles(atA === undefined ? inA : [atA]), titles(atB === undefined ? inB : [atB])];
  const offered = (end: SerialEnd, wanted: readonly ProtocolId[]) =>
    wanted.find((protocol) => end.endpoint.speaks.some((offer) => offer.protocol === protocol));
  const remedies = (): readonly Remedy[] =>
    [
      { end: a, protocol: offered(a, inB) },
      { end: b, protocol: offered(b, inA) },
    ].flatMap(({ end, protocol }) => (protocol === undefined ? [] : setAtEnd(graph, end, 'protocol', protocol, protocols[protocol].title)));
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(a)} speaks ${said} and ${endName(b)} speaks ${speaks}.`,
      evidence: [
        { label: endName(a), value: said },
        { label: endName(b), value: speaks },
      ],
      why: 'Bytes arrive, and nothing in them is understood.',
      remedies,
    },
  ];
}

function titles(ids: readonly (keyof typeof protocols)[]): string {
  return ids.map((id) => protocols[id].title).join(' or ');
}

/** Two ends whose parity or stop bits differ. Ends of different protocols are told by that alone. */
export const frameMismatch: Check = {
  id: 'link.frame-mismatch',
  stage: 'links',
  title: 'Frames differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => framesOf(graph, hop)),
};

function framesOf(graph: Graph, { a, b }: SerialHop): Saying[] {
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint), serialSetup(b.entry.item, b.endpoint)];
  const isOneTransparent = atA.protocol === 'transparent' || atB.protocol === 'transparent';
  const [frameA, frameB] = [atA.frame, atB.frame];
  if (frameA === undefined || frameB === undefined || frameA === frameB) return [];
  if (atA.protocol !== atB.protocol && !isOneTransparent) return [];
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(a)} sends ${frameA} and ${endName(b)} expects ${frameB}.`,
      evidence: [
        { label: endName(a), value: frameA },
        { label: endName(b), value: frameB },
      ],
      why: 'Parity and stop bits are read as data: bytes are dropped or wrong.',
      remedies: () => [...setAtEnd(graph, a, 'frame', frameB, frameB), ...setAtEnd(graph, b, 'frame', frameA, frameA)],
    },
  ];
}

/** A signal that arrives upside down at an end that takes it only the right way round, or the other way. */
export const inversionMismatch: Check = {
  id: 'link.inversion-mismatch',
  stage: 'links',
  title: 'Signal upside down',
  leftToPeople: 'an inverter, or a port that inverts',
  run: ({ graph }) =>
    serialHops(graph).flatMap(({ aToB, bToA }) => [aToB, bToA].flatMap((hearing) => (hearing === undefined ? [] : upsideDown(hearing)))),
};

function upsideDown(hearing: Hearing): Saying[] {
  const polarity = polarityOf(hearing);
  if (polarity === undefined || polarity.arrives === polarity.wanted || isPortAlone(hearing)) return [];
  const { from, to, inversions } = hearing;
  const words = (inverted: boolean): string => (inverted ? 'inverted' : 'not inverted');
  return [
    {
      severity: 'mend',
      where: [endSubject(from), endSubject(to)],
      what: `The signal of ${endName(from)} arrives ${words(polarity.arrives)} at ${endName(to)}, which wants it ${words(polarity.wanted)}.`,
      evidence: [
        { label: endName(from), value: words(polarity.sent) },
        { label: 'inverters on the way', value: String(inversions) },
        { label: endName(to), value: words(polarity.wanted) },
      ],
      why: 'Idle is read as data and data as idle: nothing is understood.',
      discriminator: `${from.entry.item.id} ${from.endpoint.id}`,
    },
  ];
}

/** How a signal leaves, arrives and is wanted; undefined when the listener turns it itself or nothing is known. */
export function polarityOf({
  from,
  to,
  inversions,
}: Hearing): { readonly sent: boolean; readonly arrives: boolean; readonly wanted: boolean } | undefined {
  if (to.endpoint.inverts !== 'none') return undefined;
  const spoken = offersInForce(from.entry.item, from.endpoint);
  const heard = offersInForce(to.entry.item, to.endpoint);
  const pair = spoken
    .filter((offer) => offer.as !== 'listener')
    .map((offer) => ({ offer, ear: heard.find((candidate) => candidate.protocol === offer.protocol) }))
    .find(({ ear }) => ear !== undefined);
  if (pair?.ear === undefined || from.endpoint.inverts === 'both') return undefined;
  const sent = pair.offer.inverted ?? protocols[pair.offer.protocol].inverted;
  const wanted = pair.ear.inverted ?? protocols[pair.ear.protocol].inverted;
  return { sent, arrives: inversions % 2 === 1 ? !sent : sent, wanted };
}

/** A plain wire to a controller's port that cannot invert: that is a fact of the port, which another check tells. */
export function isPortAlone({ to, inversions }: Hearing): boolean {
  return inversions === 0 && to.entry.part?.kind === 'controller';
}
