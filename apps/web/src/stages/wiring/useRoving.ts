import { useRef, useState, type KeyboardEvent } from 'react';

/** A place that the keyboard can reach, with where it is on the sheet. */
export interface Stop {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

/**
 * One tab stop for a whole drawing: the arrow keys go from place to place by where they are. Up and down stay in a column
 * (equal x) as long as it goes on; left and right go to the nearest column.
 */
export function useRoving(stops: readonly Stop[]) {
  const [current, setCurrent] = useState<string>();
  const elements = useRef(new Map<string, SVGElement>());
  const active = stops.find((stop) => stop.id === current) ?? stops[0];
  const onKeyDown = (event: KeyboardEvent): void => {
    const next = active === undefined ? undefined : neighbour(stops, active, event.key);
    if (next === undefined) return;
    event.preventDefault();
    setCurrent(next.id);
    elements.current.get(next.id)?.focus();
  };
  const stopProps = (id: string) => ({
    tabIndex: id === active?.id ? 0 : -1,
    ref: (element: SVGElement | null) => {
      if (element === null) elements.current.delete(id);
      else elements.current.set(id, element);
    },
    onFocus: () => setCurrent(id),
  });
  return { onKeyDown, stopProps };
}

const SAME_COLUMN = 3;

/** The stop that an arrow key leads to; undefined for other keys and at the edge. */
export function neighbour(stops: readonly Stop[], from: Stop, key: string): Stop | undefined {
  const inColumn = (stop: Stop): boolean => Math.abs(stop.x - from.x) <= SAME_COLUMN;
  const nearest = (candidates: readonly Stop[], distance: (stop: Stop) => number): Stop | undefined =>
    [...candidates].sort((a, b) => distance(a) - distance(b) || a.id.localeCompare(b.id))[0];
  switch (key) {
    case 'ArrowDown':
      return nearest(
        stops.filter((stop) => inColumn(stop) && stop.y > from.y),
        (stop) => stop.y,
      );
    case 'ArrowUp':
      return nearest(
        stops.filter((stop) => inColumn(stop) && stop.y < from.y),
        (stop) => -stop.y,
      );
    case 'ArrowRight':
      return nearest(
        stops.filter((stop) => stop.x > from.x + SAME_COLUMN),
        (stop) => stop.x - from.x + 2 * Math.abs(stop.y - from.y),
      );
    case 'ArrowLeft':
      return nearest(
        stops.filter((stop) => stop.x < from.x - SAME_COLUMN),
        (stop) => from.x - stop.x + 2 * Math.abs(stop.y - from.y),
      );
    default:
      return undefined;
  }
}
