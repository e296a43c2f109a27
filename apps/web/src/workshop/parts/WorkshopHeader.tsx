import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { paths } from '../../addresses/paths.ts';

/** The strip across the top of the pages about the workshop's own parts. */
export function WorkshopHeader({
  name,
  state,
  children,
}: {
  readonly name?: string;
  readonly state?: string;
  readonly children?: ReactNode;
}) {
  return (
    <header className="flex h-10 items-center gap-4 border-b border-ink px-4">
      <Link to={paths.hangar()} className="text-ink2 hover:text-ink">
        Hangar
      </Link>
      {name === undefined ? (
        <span className="text-[17px] font-bold">Parts of the workshop</span>
      ) : (
        <>
          <Link to={paths.workshopParts()} className="text-ink2 hover:text-ink">
            Parts of the workshop
          </Link>
          <h1 className="max-w-[420px] truncate text-[17px] font-bold">{name}</h1>
        </>
      )}
      {state !== undefined && (
        <span role="status" className="value text-ink2" data-testid="part-state">
          {state}
        </span>
      )}
      <span className="grow" />
      {children}
    </header>
  );
}
