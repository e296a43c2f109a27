import { NavLink, useParams } from 'react-router';
import { AircraftIdSchema, hasShape } from '@wired-falcon/core';
import { useOpenPage } from './RegistryContext.tsx';
import { tabsOf } from './screens.ts';

/** The pages of the open stage, as tabs above them. */
export function StageTabs() {
  const open = useOpenPage();
  const { id: aircraft } = useParams();
  if (open === undefined || !hasShape(AircraftIdSchema, aircraft)) return null;
  return (
    <nav aria-label={open.stage.title} className="no-print flex gap-1 border-b border-rule px-5 pt-2">
      {tabsOf(open.stage, aircraft).map(({ id, title, to }) => (
        <NavLink
          key={id}
          end
          to={to}
          className={({ isActive }) =>
            `min-h-6 border-b-[3px] px-2 pb-1 text-[13px] ${isActive ? 'border-ink font-semibold' : 'border-transparent'}`
          }
        >
          {title}
        </NavLink>
      ))}
    </nav>
  );
}
