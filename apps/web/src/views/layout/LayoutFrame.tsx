import { Outlet } from 'react-router';
import { LAYOUT_PAGES, paths } from '../../app/paths.ts';
import { useSessionState } from '../../session/SessionContext.tsx';
import { FirstFrame } from './FirstFrame.tsx';
import { StageTabs } from '../../ui/StageTabs.tsx';

/** The pages of the layout stage; without an airframe there is only the way to one. */
export function LayoutFrame() {
  const { design } = useSessionState();
  if (design.aircraft.airframe.frame === undefined) return <FirstFrame />;
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <StageTabs label="Layout" pages={LAYOUT_PAGES.map((page) => ({ ...page, to: paths.layoutPage(design.aircraft.id, page.id) }))} />
      <Outlet />
    </div>
  );
}
