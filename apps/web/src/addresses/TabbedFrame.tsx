import { Outlet } from 'react-router';
import { StageTabs } from './StageTabs.tsx';

/** The pages of a stage below their tabs. */
export function TabbedFrame() {
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <StageTabs />
      <Outlet />
    </div>
  );
}
