import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { paths } from '../addresses/paths.ts';

/** What the workshop keeps of its own, each with its page. */
const ROOMS = {
  parts: { title: 'Parts of the workshop', to: paths.workshopParts() },
  dialects: { title: 'Dialects of the workshop', to: paths.workshopDialects() },
  'from-dump': { title: 'Aircraft from a dump', to: paths.fromDump() },
} as const;

interface WorkshopHeaderProps {
  readonly room: keyof typeof ROOMS;
  /** Of the one thing that the page is about. */
  readonly name?: string;
  readonly state?: string;
  readonly children?: ReactNode;
}

/** The strip across the top of the pages about what the workshop keeps of its own. */
export function WorkshopHeader({ room, name, state, children }: WorkshopHeaderProps) {
  const { title, to } = ROOMS[room];
  return (
    <header className="flex h-10 items-center gap-4 border-b border-ink px-4">
      <Link to={paths.hangar()} className="text-ink2 hover:text-ink">
        Hangar
      </Link>
      {name === undefined ? (
        <>
          <span className="text-[17px] font-bold">{title}</span>
          {Object.values(ROOMS)
            .filter((other) => other.to !== to)
            .map((other) => (
              <Link key={other.to} to={other.to} className="text-ink2 hover:text-ink">
                {other.title}
              </Link>
            ))}
        </>
      ) : (
        <>
          <Link to={to} className="text-ink2 hover:text-ink">
            {title}
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
