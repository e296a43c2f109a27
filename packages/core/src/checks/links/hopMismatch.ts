import type { FacetId } from '../../links/chains/hop.ts';
import { serialFacets } from '../../links/chains/serialFacets.ts';
import { percent } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { endName, serialHops, type Hearing, type SerialEnd, type SerialHop } from '../../links/serialHops.ts';
import { protocols } from '../../links/protocols.ts';
import { isPortAlone, polarityOf } from '../../links/polarity.ts';
import { protocolsDiffer, spokenAt } from '../../links/serialAgreement.ts';
import { BAUD_TOLERANCE, canTakeBaud, serialSetup } from '../../links/serialSetup.ts';
import { baudAt, probesBaud } from '../../links/baudInForce.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { addInverter, withoutInverter } from '../helpers/converterRemedies.ts';
import { endSubject, setAtEnd } from './serialRemedies.ts';

/** Both ends of a serial wire with bauds that do not understand each other. */
export const baudMismatch: Check = {
  id: 'link.baud-mismatch',
  stage: 'links',
  title: 'Baud rates differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => baudsOf(graph, hop)),
};

/** True where the two ends differ in something that they have to agree on. */
function isApart(graph: Graph, hop: SerialHop, facet: FacetId): boolean {
  return serialFacets(graph, hop).some(({ id, verdict }) => id === facet && verdict === 'differ');
}

function baudsOf(graph: Graph, hop: SerialHop): Saying[] {
  const { a, b } = hop;
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint), serialSetup(b.entry.item, b.endpoint)];
  const [baudA, baudB] = [baudAt(graph, a), baudAt(graph, b)];
  if (probesBaud(hop) || baudA === undefined || baudB === undefined) return [];
  if (!isApart(graph, hop, 'baud')) return clocksApart(graph, hop);
  // With another protocol the baud will be another one too: one thing after the other.
  if (protocolsDiffer(a, b)) return [];
  const setTo = (end: SerialEnd, protocol: typeof atA.protocol, baud: number): Remedy[] =>
    canTakeBaud(end.endpoint, protocol, baud) ? setAtEnd(graph, end, 'baud', baud, String(baud)) : [];
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(a)} runs at ${baudA} baud and ${endName(b)} at ${baudB}.`,
      evidence: [
        { label: endName(a), value: `${baudA} baud, ${atA.baudIs}` },
        { label: endName(b), value: `${baudB} baud, ${atB.baudIs}`, limit: `${percent(BAUD_TOLERANCE)} apart at most` },
      ],
      why: 'Neither end can read the other.',
      remedies: () => [...setTo(b, atB.protocol, baudA), ...setTo(a, atA.protocol, baudB)],
    },
  ];
}

/** Both ends are set alike, and what their clocks make of it is too far apart. */
function clocksApart(graph: Graph, hop: SerialHop): Saying[] {
  const clock = serialFacets(graph, hop).find(({ id, verdict }) => id === 'clock' && verdict === 'differ');
  if (clock === undefined) return [];
  const { a, b } = hop;
  const made = [
    { end: a, value: clock.a.value },
    { end: b, value: clock.b.value },
  ].filter(({ value }) => value !== undefined);
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `The clocks of ${endName(a)} and ${endName(b)} do not make the same baud rate: ${made.map(({ end, value }) => `${endName(end)} makes ${value ?? '?'}`).join(', ')}.`,
      evidence: made.map(({ end, value }) => ({
        label: endName(end),
        value: value ?? '?',
        limit: `${percent(BAUD_TOLERANCE)} apart at most`,
      })),
      why: 'The last bits of each byte are sampled in the wrong place. Another baud rate divides better from these clocks.',
      discriminator: 'clock',
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

function protocolsOf(graph: Graph, hop: SerialHop): Saying[] {
  const { a, b } = hop;
  if (!isApart(graph, hop, 'protocol')) return [];
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
      what: `${endName(a)} uses ${said} and ${endName(b)} uses ${speaks}.`,
      evidence: [
        { label: endName(a), value: said },
        { label: endName(b), value: speaks },
      ],
      why: 'Bytes arrive, but cannot be decoded.',
      remedies,
    },
  ];
}

function titles(ids: readonly (keyof typeof protocols)[]): string {
  return ids.map((id) => protocols[id].title).join(' or ');
}

/** Two ends whose parity, stop bits or flow control differ. Ends of different protocols are told by that alone. */
export const frameMismatch: Check = {
  id: 'link.frame-mismatch',
  stage: 'links',
  title: 'Frames or flow control differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => [...framesOf(graph, hop), ...flowsOf(graph, hop)]),
};

function framesOf(graph: Graph, hop: SerialHop): Saying[] {
  const { a, b } = hop;
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint), serialSetup(b.entry.item, b.endpoint)];
  const [frameA, frameB] = [atA.frame, atB.frame];
  if (frameA === undefined || frameB === undefined || !isApart(graph, hop, 'frame')) return [];
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(a)} sends ${frameA} and ${endName(b)} expects ${frameB}.`,
      evidence: [
        { label: endName(a), value: frameA },
        { label: endName(b), value: frameB },
      ],
      why: 'Parity and stop bits are read as data: bytes are lost or wrong.',
      remedies: () => [...setAtEnd(graph, a, 'frame', frameB, frameB), ...setAtEnd(graph, b, 'frame', frameA, frameA)],
    },
  ];
}

/** One end waits for the other, which never lets it go on. */
function flowsOf(graph: Graph, { a, b }: SerialHop): Saying[] {
  return [
    [a, b],
    [b, a],
  ].flatMap(([waits, other]): Saying[] => {
    if (waits === undefined || other === undefined || serialSetup(waits.entry.item, waits.endpoint).flow !== 'required') return [];
    const hasPins = other.endpoint.cts !== undefined && other.endpoint.rts !== undefined;
    // A port without the pins is another check's.
    if (!hasPins || serialSetup(other.entry.item, other.endpoint).flow !== 'off') return [];
    return [
      {
        severity: 'mend',
        where: [endSubject(waits), endSubject(other)],
        what: `${endName(waits)} requires flow control, and ${endName(other)} has it off.`,
        evidence: [
          { label: endName(waits), value: 'required' },
          { label: endName(other), value: 'off' },
        ],
        why: 'It waits for a ready signal that the other side never gives: nothing is sent.',
        discriminator: 'flow',
        remedies: () => [
          ...setAtEnd(graph, other, 'flow', 'required', 'flow control'),
          ...setAtEnd(graph, waits, 'flow', 'automatic', 'automatic flow control'),
        ],
      },
    ];
  });
}

/** A signal that arrives upside down at an end that takes it only the right way round, or the other way. */
export const inversionMismatch: Check = {
  id: 'link.inversion-mismatch',
  stage: 'links',
  title: 'Signal inverted',
  run: ({ graph }) =>
    serialHops(graph).flatMap(({ aToB, bToA }) =>
      [aToB, bToA].flatMap((hearing) => (hearing === undefined ? [] : upsideDown(graph, hearing))),
    ),
};

function upsideDown(graph: Graph, hearing: Hearing): Saying[] {
  const polarity = polarityOf(hearing);
  if (polarity === undefined || polarity.arrives === polarity.wanted || isPortAlone(hearing)) return [];
  const { from, to, inversions } = hearing;
  const words = (inverted: boolean): string => (inverted ? 'inverted' : 'not inverted');
  return [
    {
      severity: 'mend',
      where: [endSubject(from), endSubject(to)],
      what: `The signal of ${endName(from)} arrives ${words(polarity.arrives)} at ${endName(to)}, which needs it ${words(polarity.wanted)}.`,
      evidence: [
        { label: endName(from), value: words(polarity.sent) },
        { label: 'inverters in the path', value: String(inversions) },
        { label: endName(to), value: words(polarity.wanted) },
      ],
      why: 'Idle is read as data and data as idle: nothing can be decoded.',
      discriminator: `${from.entry.item.id} ${from.endpoint.id}`,
      remedies: () =>
        inversions === 0 ? addInverter(graph, from, to, inversionMismatch) : withoutInverter(graph, from, to, inversionMismatch),
    },
  ];
}
