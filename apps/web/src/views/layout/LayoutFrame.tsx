import { NavLink, Outlet } from 'react-router';
import { LAYOUT_PAGES, paths } from '../../app/paths.ts';
import { useSessionState } from '../../session/SessionContext.tsx';
import { FirstFrame } from './FirstFrame.tsx';

/** The pages of the layout stage; without an airframe there is only the way to one. */
export function LayoutFrame() {
  const { design } = useSessionState();
  if (design.aircraft.airframe.frame === undefined) return <FirstFrame />;
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <nav aria-label="Layout" className="no-print flex gap-1 border-b border-rule px-5 pt-2">
        {LAYOUT_PAGES.map(({ id, title }) => (
          <NavLink
            key={id}
            end
            to={paths.layoutPage(design.aircraft.id, id)}
            className={({ isActive }) =>
              `min-h-6 border-b-[3px] px-2 pb-1 text-[13px] ${isActive ? 'border-ink font-semibold' : 'border-transparent'}`
            }
          >
            {title}
          </NavLink>
        ))}
      </nav>
      <Outlet />
    </div>
  );
}
