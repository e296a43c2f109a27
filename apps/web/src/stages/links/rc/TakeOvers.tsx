import { CHANNEL_USES, rcChannelsOf, type Graph } from '@wired-falcon/core';
import { useMake } from '../../../session/SessionContext.tsx';

/** Channels that a companion sends in place of the radio, and the switch that takes them back. */
export function TakeOvers({ graph }: { readonly graph: Graph }) {
  const make = useMake();
  const { design } = graph;
  const { takeOvers } = design.aircraft.rc;
  const companions = graph.items.filter(({ part, item }) => part?.kind === 'companion' && item.where === 'aircraft');
  if (companions.length === 0) return null;
  const channels = rcChannelsOf(design).filter(([, { use }]) => CHANNEL_USES[use].sort !== 'told' && use !== 'take-back');
  const back = rcChannelsOf(design).find(([, { use }]) => use === 'take-back');
  return (
    <section aria-label="Channels that a companion overrides" className="mt-5 text-[13px]">
      <h3 className="text-[15px] font-bold">Companion override</h3>
      {companions.map(({ item }) => {
        const was = takeOvers[item.id];
        const taken = was?.channels ?? [];
        return (
          <fieldset key={item.id} className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
            <legend className="float-left mr-4">{item.ref} sends instead of the radio:</legend>
            {channels.map(([no, { use }]) => (
              <label key={no} className="flex items-center gap-1">
                <input
                  type="checkbox"
                  checked={taken.includes(no)}
                  onChange={(event) => {
                    const next = event.target.checked ? [...taken, no] : taken.filter((one) => one !== no);
                    const value = next.length === 0 ? null : { channels: next };
                    make({ kind: 'set-take-over', item: item.id, value, was: was ?? null });
                  }}
                />
                {no} {CHANNEL_USES[use].title}
              </label>
            ))}
          </fieldset>
        );
      })}
      <p className="mt-1 text-ink2">
        {back === undefined
          ? 'No channel takes them back yet: give one the use "takes channels back from the companion", and a switch.'
          : `Channel ${back[0]} takes them back.`}
      </p>
    </section>
  );
}
