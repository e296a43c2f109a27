import { useState } from 'react';
import {
  CHANNEL_USES,
  HANDS_OFF,
  monitorOf,
  rcChannelsOf,
  STRIP_US,
  type Graph,
  type Hands,
  type MonitoredChannel,
} from '@wired-falcon/core';
import { HandControls } from '../../../ui/HandControls.tsx';

/** What the controller shows while the sticks are moved, with a radio that is set up right. Sticks by pointer or arrow keys. */
export function ChannelMonitor({ graph }: { readonly graph: Graph }) {
  const [hands, setHands] = useState<Hands>(HANDS_OFF);
  const { rc } = graph.design.aircraft;
  const monitored = monitorOf(graph, hands);
  return (
    <section aria-label="Channel monitor" className="no-print mt-6" data-testid="monitor">
      <h3 className="text-[15px] font-bold">Correct behaviour</h3>
      <p className="max-w-prose text-[13px] text-ink2">
        Move the sticks, with the pointer or with the arrow keys: this is what the controller's channel monitor shows when the radio is set
        up correctly.
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-6">
        <HandControls rc={rc} channels={rcChannelsOf(graph.design)} hands={hands} onChange={setHands} />
        <Bars monitored={monitored} />
      </div>
    </section>
  );
}

function Bars({ monitored }: { readonly monitored: readonly MonitoredChannel[] }) {
  const percent = (us: number): number => (100 * (us - STRIP_US.least)) / (STRIP_US.most - STRIP_US.least);
  return (
    <table className="text-[12.5px]">
      <caption className="sr-only">Channels at the controller</caption>
      <tbody>
        {monitored.map(({ no, channel, us }) => (
          <tr key={no} data-monitored={no} data-us={us === undefined ? '' : Math.round(us)}>
            <th scope="row" className="pr-2 text-left font-normal">
              {no} {CHANNEL_USES[channel.use].title}
            </th>
            <td className="w-44">
              <span className="relative block h-3 border border-ink2 bg-white" aria-hidden="true">
                <span className="absolute inset-y-0 left-1/2 border-l border-rule" />
                {us !== undefined && <span className="absolute -inset-y-px w-1 bg-ink" style={{ left: `calc(${percent(us)}% - 2px)` }} />}
              </span>
            </td>
            <td className="value w-16 pl-2 text-right">{us === undefined ? 'no' : Math.round(us)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
