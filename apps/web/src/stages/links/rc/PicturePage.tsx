import { beginFields, chainName, chainsOf, fieldPlanOf, hopEndName, type FieldPlan, type Graph, type OsdField } from '@wired-falcon/core';
import { useState } from 'react';
import { usePageLine } from '../../../session/usePageLine.tsx';
import { useGraph, useMake } from '../../../session/SessionContext.tsx';
import { WideRegion } from '../../../ui/WideRegion.tsx';
import { FieldList } from './FieldList.tsx';
import { PictureDrawing } from './PictureDrawing.tsx';
import { PilotAlarmList } from './PilotAlarmList.tsx';
import { RcFindings } from './RcFindings.tsx';

/** What the pilot sees: fields over the picture, fields on the radio, and the alarms to set. */
export function PicturePage() {
  const { style } = usePageLine();
  const graph = useGraph();
  const make = useMake();
  const plan = fieldPlanOf(graph);
  const [chosen, setChosen] = useState<OsdField>();
  const first = plan.isBegun ? undefined : beginFields(graph);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Picture" data-testid="picture">
      {style}
      <h2 className="text-lg font-bold">What the pilot sees</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">{gridWords(plan)}</p>
      {!plan.isBegun && (
        <div className="mt-2">
          <p className="max-w-prose">
            Show each value that the pilot needs: in the OSD, or on the radio. Fields without a source are listed, and so are values that no
            screen shows. For example the voltage of the pack in the lower left corner.
          </p>
          {first !== undefined && (
            <button type="button" className="action action-main mt-2" onClick={() => make(first)}>
              Start with the usual fields
            </button>
          )}
        </div>
      )}
      <RcFindings name="Findings about screens" checks={['osd.field-without-source', 'osd.field-place', 'osd.not-begun']} />
      {plan.grid !== undefined && (
        <WideRegion label="OSD with its fields">
          <PictureDrawing plan={plan} grid={plan.grid} chosen={chosen} onChoose={setChosen} />
        </WideRegion>
      )}
      <FieldList plan={plan} onChoose={setChosen} />
      <Standards graph={graph} />
      <PilotAlarmList />
    </section>
  );
}

function gridWords({ grid }: FieldPlan): string {
  if (grid === undefined)
    return 'Nothing draws an on-screen display here: there is no overlay in a video path, and no digital transmitter connected to the controller. The fields below are for the screen of the radio.';
  const size = `${grid.cols} columns and ${grid.rows} lines`;
  if (grid.is === 'digital') return `${grid.by} draws the on-screen display in its digital video: ${size}.`;
  const standard =
    grid.standard === undefined
      ? 'The standard is open, so that only the lines of NTSC are used, three fewer than those of PAL'
      : grid.standard === 'NTSC'
        ? 'NTSC, which shows three lines fewer than PAL'
        : 'PAL';
  return `${grid.by} draws over the analog video: ${size}. ${standard}. Some goggles cut the outermost characters.`;
}

/** The standards along the way of each analog picture: both ends need the same. */
function Standards({ graph }: { readonly graph: Graph }) {
  const ways = chainsOf(graph).flatMap((chain) => {
    if (chain.kind.id !== 'picture') return [];
    const hops = chain.hops.flatMap((hop) => {
      const facet = hop.facets.find(({ id }) => id === 'standard');
      return facet === undefined || hop.b === undefined
        ? []
        : [
            `${hopEndName(hop.a)} ${facet.a.value ?? '?'} to ${hopEndName(hop.b)} ${facet.b.value ?? '?'}${facet.verdict === 'differ' ? ': they differ' : ''}`,
          ];
    });
    return hops.length === 0 ? [] : [{ name: chainName(graph, chain), hops }];
  });
  if (ways.length === 0) return null;
  return (
    <section aria-label="Picture standards" className="mt-5 text-[13px]">
      <h3 className="text-[15px] font-bold">Picture standards</h3>
      <p className="text-ink2">Camera, overlay, transmitter and screen need one standard.</p>
      {ways.map(({ name, hops }) => (
        <p key={name}>
          <span className="font-semibold">{name}:</span> {hops.join('; ')}.
        </p>
      ))}
    </section>
  );
}
