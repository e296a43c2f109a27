import type { ChannelSource, Graph, RcChannel } from '@wired-falcon/core';
import { useRcEdits } from './useRcEdits.ts';

interface SourceFieldProps {
  readonly graph: Graph;
  readonly no: string;
  readonly channel: RcChannel;
}

/** Where a channel comes from: a switch, two that the radio mixes, a knob, a head tracker. */
export function SourceField({ graph, no, channel }: SourceFieldProps) {
  const { setChannel } = useRcEdits();
  const { switches } = graph.design.aircraft.rc;
  const { from, ...rest } = channel;
  const trackers = graph.items.filter(({ part }) => part?.kind === 'stick-unit' && (part.radios ?? []).length === 0);
  const set = (next: ChannelSource | undefined): void => {
    setChannel(no, next === undefined ? rest : { ...rest, from: next });
  };
  const choose = (value: string): void => {
    const tracker = trackers.find(({ item }) => value === `tracker ${item.id}`);
    if (value === 'knob') set({ is: 'knob' });
    else if (tracker !== undefined) set({ is: 'tracker', item: tracker.item.id });
    else if (switches[value] !== undefined) set({ is: 'switches', switches: [value] });
    else set(undefined);
  };
  const first = from?.is === 'switches' ? from.switches[0] : undefined;
  const value = from === undefined ? '' : from.is === 'tracker' ? `tracker ${from.item}` : from.is === 'knob' ? 'knob' : (first ?? '');
  return (
    <span className="flex gap-1">
      <select className="field w-28" aria-label={`Channel ${no} source`} value={value} onChange={(event) => choose(event.target.value)}>
        <option value="">not stated</option>
        {Object.entries(switches).map(([id, { title }]) => (
          <option key={id} value={id}>
            {title}
          </option>
        ))}
        <option value="knob">a knob</option>
        {trackers.map(({ item }) => (
          <option key={item.id} value={`tracker ${item.id}`}>
            {item.ref}
          </option>
        ))}
      </select>
      {first !== undefined && from?.is === 'switches' && (
        <select
          className="field w-28"
          aria-label={`Channel ${no}, mixed with`}
          value={from.switches[1] ?? ''}
          onChange={(event) => set({ is: 'switches', switches: event.target.value === '' ? [first] : [first, event.target.value] })}
        >
          <option value="">alone</option>
          {Object.entries(switches)
            .filter(([id]) => id !== first)
            .map(([id, { title }]) => (
              <option key={id} value={id}>
                and {title}
              </option>
            ))}
        </select>
      )}
    </span>
  );
}
