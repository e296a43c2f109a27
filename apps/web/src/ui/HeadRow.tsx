/** A column's head: its words, how it stands, and whether only a screen reader says it. */
export type Head = string | { readonly text: string; readonly className?: string; readonly isHidden?: true };

interface HeadRowProps {
  readonly heads: readonly Head[];
  /** Spacing of every cell. */
  readonly cell?: string;
}

/** The head of a table of facts. */
export function HeadRow({ heads, cell = '' }: HeadRowProps) {
  return (
    <thead>
      <tr className="border-b border-ink text-left text-ink2">
        {heads.map((head, i) => {
          const { text, className = '', isHidden = false } = typeof head === 'string' ? { text: head } : head;
          return (
            <th key={i} className={`${cell} ${className} font-semibold`}>
              {isHidden ? <span className="sr-only">{text}</span> : text}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}

/** The head of a column of figures. */
export function figures(text: string): Head {
  return { text, className: 'text-right' };
}
