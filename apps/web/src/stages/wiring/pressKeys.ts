import type { KeyboardEvent } from 'react';

/** Makes Enter and Space do what a click does, for things that are no buttons by themselves. */
export function pressKeys(press: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    press();
  };
}
