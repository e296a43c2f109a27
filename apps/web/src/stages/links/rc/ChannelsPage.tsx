import {
  beginPlan,
  CHANNEL_ORDERS,
  channelPlanOf,
  formatTitles,
  isChannelOrder,
  isRcBegun,
  listed,
  stated,
  rcOutOf,
  type ChannelPlan,
} from '@wired-falcon/core';
import { usePageLine } from '../../../session/usePageLine.tsx';
import { useGraph, useMake } from '../../../session/SessionContext.tsx';
import { ChannelMonitor } from './ChannelMonitor.tsx';
import { ChannelTable } from './ChannelTable.tsx';
import { Figure } from './FailsafeSection.tsx';
import { MeasuredImport } from './MeasuredImport.tsx';
import { RcChoiceField } from './RcChoiceField.tsx';
import { RcFindings } from './RcFindings.tsx';
import { SetupList } from './SetupList.tsx';
import { SwitchList } from './SwitchList.tsx';
import { TakeOvers } from './TakeOvers.tsx';

/** What each RC channel is for, where it comes from, and what the controller showed of it. */
export function ChannelsPage() {
  const { style } = usePageLine();
  const graph = useGraph();
  const plan = channelPlanOf(graph);
  const { rc } = graph.design.aircraft;
  const isBegun = isRcBegun(rc);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="RC channels" data-testid="channels">
      {style}
      <h2 className="text-lg font-bold">RC channels</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">{arrivalWords(plan)}</p>
      {!isBegun && <Begin />}
      {isBegun && (
        <>
          <RcFindings
            name="Findings about channels"
            checks={['rc.channel-capacity', 'rc.channel-resolution', 'rc.double-mixing', 'rc.direction', 'rc.channel-ends', 'rc.take-over']}
          />
          <ChannelTable graph={graph} plan={plan} />
          <MeasuredImport />
          <div className="mt-5 grid gap-y-5 min-[1000px]:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-x-8">
            <SwitchList rc={rc} />
            <section aria-label="The radio">
              <h3 className="text-[15px] font-bold">The radio</h3>
              <RcChoiceField choice="stickMode" />
              <RcChoiceField choice="radioMixes" />
              <RcChoiceField choice="arming" />
              <Figure figure="cruiseThrottle" />
              <Figure figure="climbThrottle" />
            </section>
          </div>
          <TakeOvers graph={graph} />
          <ChannelMonitor graph={graph} />
          <SetupList graph={graph} />
        </>
      )}
    </section>
  );
}

/** What arrives, by which way, how late. */
function arrivalWords(plan: ChannelPlan): string {
  const [feed] = plan.feeds;
  if (feed === undefined) return 'No channels arrive yet: wire a receiver to a controller, or set the port that it is on to its protocol.';
  const latency = rcOutOf(feed.source)?.latencyMs;
  const late = latency === undefined ? '' : ` They arrive up to ${stated(latency, 'ms')} late.`;
  const limit = plan.limit === undefined ? '' : ` ${plan.limit.sentence}`;
  const receivers = listed([...new Set(plan.feeds.map(({ source }) => source.entry.item.ref))]);
  return `${plan.room} channels arrive at ${feed.input.entry.item.ref} by ${listed(formatTitles(plan))} from ${receivers}.${late}${limit}`;
}

/** What this page is for, and the first thing to do. */
function Begin() {
  const graph = useGraph();
  const make = useMake();
  return (
    <div className="mt-4 max-w-prose" data-testid="begin-rc">
      <p>
        Assign each channel; ends, directions, flight modes and loss of signal are then checked. Start with the channel order of your radio:
        either works, as long as radio and controller agree.
      </p>
      <p className="mt-2 text-[13px] text-ink2">
        Either order also adds a three-position switch for flight modes on channel 5 and one for arming on channel 6. You can change all of
        it.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        {Object.keys(CHANNEL_ORDERS)
          .filter(isChannelOrder)
          .map((order, i) => (
            <button
              key={order}
              type="button"
              className={`action ${i === 0 ? 'action-main' : ''}`}
              onClick={() => {
                const edit = beginPlan(graph.design, order);
                if (edit !== undefined) make(edit);
              }}
            >
              Begin: {CHANNEL_ORDERS[order].title}
            </button>
          ))}
      </div>
    </div>
  );
}
