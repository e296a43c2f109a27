import { useState } from 'react';
import {
  CHANNEL_USES,
  HANDS_OFF,
  isStick,
  monitorOf,
  naturalOrder,
  positionName,
  STRIP_US,
  type Graph,
  type Hands,
  type MonitoredChannel,
} from '@wired-falcon/core';
import { StickPad } from '../../../ui/StickPad.tsx';
import { stickLayout, type StickAxes } from '../../../ui/stickLayouts.ts';

/** What the controller shows while the sticks are moved, with a radio that is set up right. Sticks by pointer or arrow keys. */
export function ChannelMonitor({ graph }: { readonly graph: Graph }) {
  const [hands, setHands] = useState<Hands>(HANDS_OFF);
  const { rc } = graph.design.aircraft;
  const layout = stickLayout(rc.choices.stickMode);
  const monitored = monitorOf(graph, hands);
  const move = (axes: StickAxes, across: number, along: number): void =>
    setHands((now) => ({ ...now, sticks: { ...now.sticks, [axes.across]: across, [axes.along]: along } }));
  const switches = Object.entries(rc.switches).sort(([a], [b]) => naturalOrder(a, b));
  const knobs = monitored.filter(
    ({ channel }) => !isStick(channel.use) && channel.from?.is !== 'switches' && CHANNEL_USES[channel.use].sort !== 'told',
  );
  return (
    <section aria-label="Channel monitor" className="no-print mt-6" data-testid="monitor">
      <h3 className="text-[15px] font-bold">What right looks like</h3>
      <p className="max-w-prose text-[13px] text-ink2">
        Move the sticks, with the pointer or with the arrow keys: this is what the monitor of the controller shows when the radio is set up
        right.
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-6">
        {[layout.left, layout.right].map((axes, i) => (
          <StickPad
            key={i}
            label={`${i === 0 ? 'Left' : 'Right'} stick: ${axes.across} across, ${axes.along} along`}
            across={hands.sticks[axes.across]}
            along={hands.sticks[axes.along]}
            onMove={(across, along) => move(axes, across, along)}
            words={[axes.across, axes.along]}
          />
        ))}
        <div className="text-[12.5px]">
          {switches.map(([id, { title, positions }]) => (
            <fieldset key={id} className="flex items-center gap-1 py-0.5">
              <legend className="sr-only">{title}</legend>
              <span className="w-20" aria-hidden="true">
                {title}
              </span>
              {Array.from({ length: positions }, (_, at) => (
                <button
                  key={at}
                  type="button"
                  aria-pressed={(hands.switches[id] ?? 0) === at}
                  className={`min-h-6 border border-ink px-2 ${(hands.switches[id] ?? 0) === at ? 'bg-ink text-sheet' : ''}`}
                  onClick={() => setHands((now) => ({ ...now, switches: { ...now.switches, [id]: at } }))}
                >
                  {positionName(positions, at)}
                </button>
              ))}
            </fieldset>
          ))}
          {knobs.map(({ no, channel }) => (
            <label key={no} className="flex items-center gap-2 py-0.5">
              <span className="w-20">{CHANNEL_USES[channel.use].title}</span>
              <input
                type="range"
                min={-1}
                max={1}
                step={0.01}
                value={hands.knobs[no] ?? 0}
                onChange={(event) => setHands((now) => ({ ...now, knobs: { ...now.knobs, [no]: Number(event.target.value) } }))}
              />
            </label>
          ))}
        </div>
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
