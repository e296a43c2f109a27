import { joinPins, joinWay, planJoin, portAt, portLegs, type CableEndAt, type Graph, type PinAddress } from '@wired-falcon/core';
import { portOfPin } from '../../selection/portOfPin.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useMake, useSession } from '../../session/SessionContext.tsx';

/**
 * What choosing a pin does. The first waits for its counterpart; the second joins: a wire more where one cable leads to both ports, else
 * the proposal of a cable or a branch. Where the free end of a cable waits, the pin's port is what it is plugged into.
 */
export function usePinPick(graph: Graph): (pin: PinAddress) => void {
  const { selection, select, clear } = useSelection();
  const make = useMake();
  const session = useSession();
  return (pin) => {
    if (selection.is === 'end') {
      const end = graph.cables[graph.cableIx.get(selection.cable) ?? -1]?.nodes[selection.node];
      if (end?.is !== 'end') return clear();
      const at: CableEndAt = { is: 'port', item: pin.item, port: pin.port };
      const made = make({ kind: 'set-cable-end', cable: selection.cable, node: end.id, at, was: end.at });
      if (!('refused' in made)) select({ is: 'cable', cable: selection.cable });
      return;
    }
    if (selection.is !== 'pin') return select({ is: 'pin', pin });
    const from = selection.pin;
    if (isSamePin(from, pin)) return clear();
    if (from.item === pin.item) return select({ is: 'pin', pin });
    const leg = legBetween(graph, from, pin);
    const [a, b] = [portOfPin(graph, from), portOfPin(graph, pin)];
    if (leg === undefined || a === undefined || b === undefined) return select({ is: 'join', from, to: pin });
    const isForward = leg.a.itemId === from.item && leg.a.port.id === from.port;
    const edit =
      joinWay(graph, a, b).is === 'inside'
        ? planJoin(graph, a, b, { a: from.n, b: pin.n })
        : isForward
          ? joinPins(graph, leg, from.n, pin.n)
          : joinPins(graph, leg, pin.n, from.n);
    if (edit === undefined) session.say(`${leg.cable.tag} joins these two pins already.`);
    else make(edit);
    select({ is: 'cable', cable: leg.cable.id });
  };
}

export function isSamePin(a: PinAddress, b: PinAddress): boolean {
  return a.item === b.item && a.port === b.port && a.n === b.n;
}

/** A leg of one cable that leads from the port of one pin to that of the other. */
function legBetween(graph: Graph, from: PinAddress, to: PinAddress) {
  const isAt = (at: ReturnType<typeof portAt>, pin: PinAddress): boolean => at?.itemId === pin.item && at.port.id === pin.port;
  return (graph.cablesAtItem[graph.itemIx.get(from.item) ?? -1] ?? [])
    .flatMap((ix) => graph.cables[ix] ?? [])
    .flatMap((cable) => portLegs(graph, cable))
    .find(({ a, b }) => (isAt(a, from) && isAt(b, to)) || (isAt(a, to) && isAt(b, from)));
}
