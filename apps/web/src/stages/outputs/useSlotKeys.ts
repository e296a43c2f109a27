import { useRef, useState, type KeyboardEvent } from 'react';
import type { Bank } from '@wired-falcon/core';

/** One tab stop for all outputs: arrows go from one to the next; with Shift the function goes along. @param onMove keys of two outputs */
export function useSlotKeys(banks: readonly Bank[], onMove: (from: string, to: string) => void) {
  const [current, setCurrent] = useState<string>();
  const elements = useRef(new Map<string, HTMLElement>());
  const keys = banks.flatMap(({ slots }) => slots.map(({ key }) => key));
  const active = keys.find((key) => key === current) ?? keys[0];
  const onKeyDown = (event: KeyboardEvent): void => {
    // A field inside of the rack has arrow keys of its own.
    if (active === undefined || !(event.target instanceof HTMLButtonElement)) return;
    const next = neighbour(banks, active, event.key);
    if (next === undefined) return;
    event.preventDefault();
    if (event.shiftKey) onMove(active, next);
    setCurrent(next);
    elements.current.get(next)?.focus();
  };
  const stopProps = (key: string) => ({
    tabIndex: key === active ? 0 : -1,
    ref: (element: HTMLElement | null) => {
      if (element === null) elements.current.delete(key);
      else elements.current.set(key, element);
    },
    onFocus: () => setCurrent(key),
  });
  return { onKeyDown, stopProps };
}

export type StopProps = ReturnType<typeof useSlotKeys>['stopProps'];

/** Left and right along the board; up and down to the same place of the next bank. */
export function neighbour(banks: readonly Bank[], from: string, key: string): string | undefined {
  const bank = banks.findIndex(({ slots }) => slots.some((slot) => slot.key === from));
  const slots = banks.flatMap((one) => one.slots);
  const at = slots.findIndex((slot) => slot.key === from);
  const column = banks[bank]?.slots.findIndex((slot) => slot.key === from) ?? 0;
  const inBank = (other: number): string | undefined => {
    const own = banks[other]?.slots;
    return (own?.[column] ?? own?.at(-1))?.key;
  };
  switch (key) {
    case 'ArrowRight':
      return slots[at + 1]?.key;
    case 'ArrowLeft':
      return slots[at - 1]?.key;
    case 'ArrowDown':
      return inBank(bank + 1);
    case 'ArrowUp':
      return inBank(bank - 1);
    default:
      return undefined;
  }
}
