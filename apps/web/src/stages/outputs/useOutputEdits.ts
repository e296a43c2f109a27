import {
  moveFunction,
  travelOf,
  type Bank,
  type Graph,
  type MixFigure,
  type OutputFunction,
  type OutputTravel,
  type PulseKind,
  type Slot,
} from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';

/** Changes of the outputs, each with what it was. */
export function useOutputEdits(graph: Graph) {
  const make = useMake();
  const { mixing } = graph.design.aircraft;
  const idOf = ({ item }: Slot) => {
    const id = graph.items[item]?.item.id;
    if (id === undefined) throw new Error('An output is of no item.');
    return id;
  };
  return {
    setFunction: (slot: Slot, value: OutputFunction | null) =>
      make({ kind: 'set-output-function', item: idOf(slot), output: slot.output.id, function: value, was: slot.use?.function ?? null }),
    setHeld: (slot: Slot, held: boolean) =>
      make({ kind: 'hold-output', item: idOf(slot), output: slot.output.id, held, was: slot.use?.held === true }),
    setTravel: (slot: Slot, value: OutputTravel) =>
      make({ kind: 'set-output-travel', item: idOf(slot), output: slot.output.id, value: travelOf(value), was: travelOf(slot.use ?? {}) }),
    setBank: ({ id, use, slots: [first] }: Bank, value: { readonly kind: PulseKind; readonly rateHz?: number } | null) => {
      if (first === undefined) return;
      const was = use === undefined ? null : { kind: use.kind, ...(use.rateHz === undefined ? {} : { rateHz: use.rateHz }) };
      make({ kind: 'set-bank', item: idOf(first), bank: id, value, was });
    },
    setMix: (figure: MixFigure, value: number | undefined) =>
      make({ kind: 'set-mix-figure', figure, value: value ?? null, was: mixing[figure] ?? null }),
    /** @returns false where it cannot go there */
    move: (from: string, to: string): boolean => {
      const edit = moveFunction(graph, from, to);
      if (edit === undefined) return false;
      make(edit);
      return true;
    },
  };
}
