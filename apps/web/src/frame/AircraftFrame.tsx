import type { ReactNode } from 'react';
import { Outlet, useParams } from 'react-router';
import { AircraftIdSchema, hasShape } from '@wired-falcon/core';
import { isAboutSomething } from '../addresses/stageDef.ts';
import { useOpenPage } from '../addresses/RegistryContext.tsx';
import { pageTitleOf } from '../addresses/screens.ts';
import { SelectionProvider, useSelection } from '../selection/SelectionContext.tsx';
import { SessionProvider, useDesign, useSessionState } from '../session/SessionContext.tsx';
import { FollowerProvider, useFindings, type StartedWorker } from '../workers/FollowerContext.tsx';
import { usePageTitle } from '../ui/pageTitle.ts';
import { EntryLine } from '../entry/EntryLine.tsx';
import { FlightStrip } from './strip/FlightStrip.tsx';
import { FrameKeys } from './FrameKeys.tsx';
import { Margin } from './margin/Margin.tsx';
import { Messages } from './messages/Messages.tsx';
import { FrameStateProvider, useFrameState } from './FrameState.tsx';
import { ScreenBoundary } from './ScreenBoundary.tsx';
import { StageStrip } from './strip/StageStrip.tsx';
import { UnkeptWarning } from './messages/UnkeptWarning.tsx';
import { KeysDialog } from './KeysDialog.tsx';

/** Everything around the sheet of one aircraft: flight strip, stages, margin, entry line. */
export function AircraftFrame({ startWorker }: { readonly startWorker: () => StartedWorker }) {
  const { id } = useParams();
  if (!hasShape(AircraftIdSchema, id)) return <p className="p-6">This address is not an aircraft.</p>;
  return (
    <SessionProvider id={id} key={id}>
      <FollowerProvider start={startWorker}>
        <SelectionProvider>
          <FrameStateProvider>
            <Frame />
          </FrameStateProvider>
        </SelectionProvider>
      </FollowerProvider>
    </SessionProvider>
  );
}

function Frame() {
  return (
    <FrameBox>
      <FlightStrip />
      <StageStrip />
      <Sheet />
      <EntryLine />
      <UnkeptWarning />
      <KeysDialog />
      <FrameKeys />
    </FrameBox>
  );
}

/** Says which document is shown and what is known of it. It is drawn again with each state of the session; what is in it is not. */
function FrameBox({ children }: { readonly children: ReactNode }) {
  const { seq, pending, version } = useSessionState();
  const analysis = useFindings();
  return (
    <div
      className="print-plain grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto]"
      data-doc-seq={seq}
      data-result-seq={analysis.seq}
      data-pending={pending}
      data-version={version}
      data-testid="frame"
    >
      {children}
    </div>
  );
}

/** The open page, and the margin beside it. */
function Sheet() {
  const { isMarginOpen } = useFrameState();
  const { selection } = useSelection();
  const design = useDesign();
  useTitleOfPage(design.aircraft.name);
  return (
    <div
      className={`print-plain relative grid min-h-0 ${isMarginOpen ? 'grid-cols-[minmax(0,1fr)_312px]' : 'grid-cols-[minmax(0,1fr)_auto]'}`}
    >
      <main className="print-plain min-h-0 min-w-0 overflow-auto bg-sheet" id="sheet">
        <Outlet />
      </main>
      <ScreenBoundary what="The margin" shows={design} at={selection.is}>
        <Margin />
      </ScreenBoundary>
      <Messages />
    </div>
  );
}

/** Names the window after the aircraft and the page that is open; pages about one thing name it themselves. */
function useTitleOfPage(aircraft: string): void {
  const open = useOpenPage();
  usePageTitle(open === undefined || isAboutSomething(open.page) ? undefined : `${aircraft}, ${pageTitleOf(open.stage, open.page)}`);
}
