import { NavLink, Outlet, useOutletContext } from 'react-router';
import type { Remote } from 'comlink';
import { paths, POWER_PAGES } from '../../app/paths.ts';
import { useSessionState } from '../../session/SessionContext.tsx';
import type { PowerResult, PowerWorker } from '../../workers/power.worker.ts';
import type { Followed } from '../../workers/useFollower.ts';
import { usePowerReport } from '../../workers/usePowerReport.ts';

type PowerFeed = Followed<PowerResult, Remote<PowerWorker>>;

/** The pages of the power stage; they share one worker, which follows the document. */
export function PowerFrame() {
  const power = usePowerReport();
  const { design } = useSessionState();
  return (
    <>
      <nav aria-label="Power" className="no-print flex gap-1 border-b border-rule px-5 pt-2">
        {POWER_PAGES.map(({ id, title }) => (
          <NavLink
            key={id}
            end
            to={paths.powerPage(design.aircraft.id, id)}
            className={({ isActive }) =>
              `min-h-6 border-b-[3px] px-2 pb-1 text-[13px] ${isActive ? 'border-ink font-semibold' : 'border-transparent'}`
            }
          >
            {title}
          </NavLink>
        ))}
      </nav>
      <Outlet context={power} />
    </>
  );
}

/** The power worker of the frame and what it has found last. */
export function usePower(): PowerFeed {
  return useOutletContext<PowerFeed>();
}
