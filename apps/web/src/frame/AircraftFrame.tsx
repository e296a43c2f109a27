import { Outlet, useParams } from 'react-router';
import { AircraftIdSchema, hasShape } from '@wired-falcon/core';
import { SelectionProvider } from '../selection/SelectionContext.tsx';
import { SessionProvider, useFindings, useSessionState } from '../session/SessionContext.tsx';
import { EntryLine } from '../entry/EntryLine.tsx';
import { FlightStrip } from './FlightStrip.tsx';
import { FrameKeys } from './FrameKeys.tsx';
import { Margin } from './Margin.tsx';
import { Messages } from './Messages.tsx';
import { FrameStateProvider, useFrameState } from './FrameState.tsx';
import { StageStrip } from './StageStrip.tsx';
import { UnkeptWarning } from './UnkeptWarning.tsx';
import { KeysDialog } from './KeysDialog.tsx';

/** Everything around the sheet of one aircraft: flight strip, stages, margin, entry line. */
export function AircraftFrame() {
  const { id } = useParams();
  if (!hasShape(AircraftIdSchema, id)) return <p className="p-6">This address does not name an aircraft.</p>;
  return (
    <SessionProvider id={id} key={id}>
      <SelectionProvider>
        <FrameStateProvider>
          <Frame />
        </FrameStateProvider>
      </SelectionProvider>
    </SessionProvider>
  );
}

function Frame() {
  const { seq, pending, version } = useSessionState();
  const analysis = useFindings();
  const { isMarginOpen } = useFrameState();
  return (
    <div
      className="print-plain grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto]"
      data-doc-seq={seq}
      data-result-seq={analysis.seq}
      data-pending={pending}
      data-version={version}
      data-testid="frame"
    >
      <FlightStrip />
      <StageStrip />
      <div className={`print-plain grid min-h-0 ${isMarginOpen ? 'grid-cols-[minmax(0,1fr)_312px]' : 'grid-cols-[minmax(0,1fr)_auto]'}`}>
        <main className="print-plain min-h-0 min-w-0 overflow-auto bg-sheet" id="sheet">
          <Outlet />
        </main>
        <Margin />
      </div>
      <EntryLine />
      <Messages />
      <UnkeptWarning />
      <KeysDialog />
      <FrameKeys />
    </div>
  );
}
