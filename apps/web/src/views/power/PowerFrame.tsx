import { Outlet, useOutletContext } from 'react-router';
import type { Remote } from 'comlink';
import { paths, POWER_PAGES } from '../../app/paths.ts';
import { useSessionState } from '../../session/SessionContext.tsx';
import type { PowerResult, PowerWorker } from '../../workers/power.worker.ts';
import type { Followed } from '../../workers/useFollower.ts';
import { usePowerReport } from '../../workers/usePowerReport.ts';
import { StageTabs } from '../../ui/StageTabs.tsx';

type PowerFeed = Followed<PowerResult, Remote<PowerWorker>>;

/** The pages of the power stage; they share one worker, which follows the document. */
export function PowerFrame() {
  const power = usePowerReport();
  const { design } = useSessionState();
  return (
    <>
      <StageTabs label="Power" pages={POWER_PAGES.map((page) => ({ ...page, to: paths.powerPage(design.aircraft.id, page.id) }))} />
      <Outlet context={power} />
    </>
  );
}

/** The power worker of the frame and what it has found last. */
export function usePower(): PowerFeed {
  return useOutletContext<PowerFeed>();
}
