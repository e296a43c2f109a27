import {
  isPinRow,
  joinMap,
  joinPins,
  joinWay,
  pinAt,
  pinsBefore,
  planJoin,
  portPlace,
  portLegs,
  type CableEndAt,
  type Connector,
  type Graph,
  type PinAddress,
  type PortAt,
} from '@wired-falcon/core';
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
      const at = placeOver(graph, pin, end.connector);
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
    const wish = { a: from.n, b: pin.n };
    const map = joinMap(graph, a, b, wish);
    const [pinA, pinB] = isOver(leg.a, from) ? [from, pin] : [pin, from];
    const edit =
      joinWay(graph, map.a, map.b).is === 'inside'
        ? planJoin(graph, a, b, wish)
        : joinPins(graph, leg, pinA.n - pinsBefore(leg.a), pinB.n - pinsBefore(leg.b));
    if (edit === undefined) session.say(`${leg.cable.tag} already connects these two pins.`);
    else make(edit);
    select({ is: 'cable', cable: leg.cable.id });
  };
}

export function isSamePin(a: PinAddress, b: PinAddress): boolean {
  return a.item === b.item && a.port === b.port && a.n === b.n;
}

/** True for the port of a pin; of a row of pins, where the plug is over it. */
function isOver(at: PortAt, pin: PinAddress): boolean {
  if (at.itemId !== pin.item || at.port.id !== pin.port) return false;
  return at.stretch === undefined || pinAt(at.port, pin.n - pinsBefore(at)) !== undefined;
}

/** Where a plug goes that is put on a pin: over a row of pins with its first contact there, as long as it does not hang over the end. */
function placeOver(graph: Graph, pin: PinAddress, plug: Connector): CableEndAt {
  const row = portOfPin(graph, pin)?.port.connector;
  if (row === undefined || !isPinRow(row) || plug.positions >= row.positions) return portPlace(pin.item, pin.port, 0);
  return portPlace(pin.item, pin.port, Math.min(pin.n - 1, row.positions - plug.positions));
}

/** A leg of one cable that leads from the port of one pin to that of the other. */
function legBetween(graph: Graph, from: PinAddress, to: PinAddress) {
  return (graph.cablesAtItem[graph.itemIx.get(from.item) ?? -1] ?? [])
    .flatMap((ix) => graph.cables[ix] ?? [])
    .flatMap((cable) => portLegs(graph, cable))
    .find(({ a, b }) => (isOver(a, from) && isOver(b, to)) || (isOver(a, to) && isOver(b, from)));
}
