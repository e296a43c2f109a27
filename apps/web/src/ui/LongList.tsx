import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { usePrinting } from './usePrinting.ts';

/** Lists up to this length are drawn whole, so that the browser's own search finds everything in them. */
const WHOLE_UP_TO = 60;
/** On paper a list is whole, unless it would take hundreds of pages. */
const PRINTED_UP_TO = 5000;

interface LongListProps<T> {
  readonly entries: readonly T[];
  readonly keyOf: (entry: T) => string;
  readonly render: (entry: T) => ReactNode;
  /** Height of a row before it is measured, in pixels. */
  readonly estimate: number;
  readonly testId?: string;
}

/** A list of rows (`li`) inside something that scrolls and is marked `data-scroll`. When it is long, only what is in sight is drawn; printed it is whole. */
export function LongList<T>(props: LongListProps<T>) {
  const { entries, keyOf, render, testId } = props;
  const isPrinting = usePrinting();
  if (entries.length > (isPrinting ? PRINTED_UP_TO : WHOLE_UP_TO)) return <VirtualList {...props} />;
  return (
    <ul data-testid={testId}>
      {entries.map((entry) => (
        <li key={keyOf(entry)}>{render(entry)}</li>
      ))}
    </ul>
  );
}

function VirtualList<T>({ entries, keyOf, render, estimate, testId }: LongListProps<T>) {
  const list = useRef<HTMLUListElement>(null);
  const [scroll, setScroll] = useState<{ readonly element: Element | null; readonly margin: number }>({ element: null, margin: 0 });
  useLayoutEffect(() => {
    const element = list.current?.closest('[data-scroll]') ?? null;
    const top = (list.current?.getBoundingClientRect().top ?? 0) - (element?.getBoundingClientRect().top ?? 0);
    const margin = top + (element?.scrollTop ?? 0);
    setScroll((was) => (was.element === element && Math.abs(was.margin - margin) < 1 ? was : { element, margin }));
  }, [entries]);
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => scroll.element,
    estimateSize: () => estimate,
    scrollMargin: scroll.margin,
    overscan: 6,
    getItemKey: (index) => {
      const entry = entries[index];
      return entry === undefined ? index : keyOf(entry);
    },
  });
  return (
    <ul ref={list} data-testid={testId} data-count={entries.length} className="relative" style={{ height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map((row) => {
        const entry = entries[row.index];
        return (
          <li
            key={row.key}
            data-index={row.index}
            ref={rows.measureElement}
            aria-setsize={entries.length}
            aria-posinset={row.index + 1}
            className="absolute top-0 left-0 w-full"
            style={{ transform: `translateY(${row.start - scroll.margin}px)` }}
          >
            {entry === undefined ? null : render(entry)}
          </li>
        );
      })}
    </ul>
  );
}
