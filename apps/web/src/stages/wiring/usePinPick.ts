import { joinPins, plainCable, cablesAtPort, type Graph, type PinAddress } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useMake } from '../../session/SessionContext.tsx';

/**
 * What choosing a pin does: the first waits for its counterpart; the second joins. Two ports that already share a plain
 * cable get one conductor more; two that do not get the proposal of a cable.
 */
export function usePinPick(graph: Graph): (pin: PinAddress) => void {
  const { selection, select, clear } = useSelection();
  const make = useMake();
  return (pin) => {
    if (selection.is !== 'pin') return select({ is: 'pin', pin });
    const from = selection.pin;
    if (isSamePin(from, pin)) return clear();
    if (from.item === pin.item) return select({ is: 'pin', pin });
    const shared = cableBetween(graph, from, pin);
    if (shared === undefined) return select({ is: 'join', from, to: pin });
    const atA = shared.a.itemId === from.item && shared.a.port.id === from.port;
    make(atA ? joinPins(graph, shared, from.n, pin.n) : joinPins(graph, shared, pin.n, from.n));
    select({ is: 'cable', cable: shared.cable.id });
  };
}

export function isSamePin(a: PinAddress, b: PinAddress): boolean {
  return a.item === b.item && a.port === b.port && a.n === b.n;
}

function cableBetween(graph: Graph, from: PinAddress, to: PinAddress) {
  return cablesAtPort(graph, from.item, from.port)
    .map((cable) => plainCable(graph, cable))
    .find((plain) => plain !== undefined && [plain.a, plain.b].some((at) => at.itemId === to.item && at.port.id === to.port));
}
