import type { ReactNode } from 'react';

/** What may be wider than the page: it scrolls in itself, by the keyboard too. */
export function WideRegion({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="overflow-x-auto" role="region" aria-label={label} tabIndex={0}>
      {children}
    </div>
  );
}
