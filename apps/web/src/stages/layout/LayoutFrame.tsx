import { Outlet } from 'react-router';
import { StageTabs } from '../../addresses/StageTabs.tsx';
import { useDesign } from '../../session/SessionContext.tsx';
import { FirstFrame } from './FirstFrame.tsx';

/** The pages of the layout stage; without an airframe there is only the way to one. */
export function LayoutFrame() {
  const design = useDesign();
  if (design.aircraft.airframe.frame === undefined) return <FirstFrame />;
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <StageTabs />
      <Outlet />
    </div>
  );
}
