import { Outlet } from 'react-router';
import { StageTabs } from '../../addresses/StageTabs.tsx';

/** The pages of the output stage. */
export function OutputsFrame() {
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <StageTabs />
      <Outlet />
    </div>
  );
}
