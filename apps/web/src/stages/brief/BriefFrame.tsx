import { Outlet } from 'react-router';
import { StageTabs } from '../../addresses/StageTabs.tsx';

/** The pages of the brief. */
export function BriefFrame() {
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <StageTabs />
      <Outlet />
    </div>
  );
}
