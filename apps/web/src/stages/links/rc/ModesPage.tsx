import { isRcBegun, modeChannels, modeReachOf } from '@wired-falcon/core';
import { Link } from 'react-router';
import { paths } from '../../../addresses/paths.ts';
import { usePageLine } from '../../../session/usePageLine.tsx';
import { useGraph } from '../../../session/SessionContext.tsx';
import { CombinationTable } from './CombinationTable.tsx';
import { FailsafeSection } from './FailsafeSection.tsx';
import { ModeStrip } from './ModeStrip.tsx';
import { RangeTable } from './RangeTable.tsx';
import { RcFindings } from './RcFindings.tsx';

/** Which values of which channels choose which mode, and what every position of the switches gives. */
export function ModesPage() {
  const { style } = usePageLine();
  const graph = useGraph();
  const { design } = graph;
  const { rc } = design.aircraft;
  const channels = modeChannels(design);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Modes and failsafe" data-testid="modes">
      {style}
      <h2 className="text-lg font-bold">Modes</h2>
      {!isRcBegun(rc) ? (
        <p className="mt-2 max-w-prose">
          Flight modes are selected by channel values. Assign the channels first:{' '}
          <Link className="underline" to={paths.channels(design.aircraft.id)}>
            RC channels
          </Link>
          . For example channel 5 by a switch with three positions: up is manual, middle is self-level, down is return.
        </p>
      ) : (
        <>
          <RcFindings name="Findings about modes" checks={['rc.mode-overlap', 'rc.mode-reach', 'link.dialect-refuses']} />
          {channels.map((channel) => (
            <ModeStrip key={channel} design={design} channel={channel} />
          ))}
          <div className="mt-3 grid min-[1000px]:grid-cols-[auto_minmax(0,1fr)] gap-x-8 gap-y-4">
            <RangeTable design={design} />
            <CombinationTable design={design} reach={modeReachOf(design)} />
          </div>
          <FailsafeSection graph={graph} />
        </>
      )}
    </section>
  );
}
