import { offersInForce } from './serialSetup.ts';
import { protocols } from './protocols.ts';
import type { Hearing } from './serialHops.ts';

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
  const wanted = pair.ear.inverted ?? (isPlainUart(to) ? false : protocols[pair.ear.protocol].inverted);
  return { sent, arrives: inversions % 2 === 1 ? !sent : sent, wanted };
}

/** The serial port of a processor: without an inverter of its own it reads what is not inverted, whatever protocol it is set to. */
function isPlainUart({ entry }: Hearing['to']): boolean {
  const kind = entry.part?.kind;
  return kind === 'controller' || kind === 'companion' || kind === 'ground-computer';
}

/** A plain wire to a controller's port that cannot invert: that is a fact of the port, which another check tells. */
export function isPortAlone({ to, inversions }: Hearing): boolean {
  return inversions === 0 && to.entry.part?.kind === 'controller';
}
