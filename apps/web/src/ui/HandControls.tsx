import { CHANNEL_USES, isStick, naturalOrder, positionName, type Hands, type RcChannel, type RcPlan } from '@wired-falcon/core';
import { StickPad } from './StickPad.tsx';
import { stickLayout, type StickAxes } from './stickLayouts.ts';

interface HandControlsProps {
  readonly rc: RcPlan;
  /** The channels whose switches and knobs are shown. */
  readonly channels: readonly (readonly [no: string, channel: RcChannel])[];
  readonly hands: Hands;
  readonly onChange: (hands: Hands) => void;
}

/** The sticks, switches and knobs of a radio as it is planned: by pointer and by keys. */
export function HandControls({ rc, channels, hands, onChange }: HandControlsProps) {
  const layout = stickLayout(rc.choices.stickMode);
  const move = (axes: StickAxes, across: number, along: number): void =>
    onChange({ ...hands, sticks: { ...hands.sticks, [axes.across]: across, [axes.along]: along } });
  const used = new Set(channels.flatMap(([, { from }]) => (from?.is === 'switches' ? from.switches : [])));
  const switches = Object.entries(rc.switches)
    .filter(([id]) => used.has(id))
    .sort(([a], [b]) => naturalOrder(a, b));
  const knobs = channels.filter(([, { use, from }]) => !isStick(use) && from?.is !== 'switches' && CHANNEL_USES[use].sort !== 'told');
  return (
    <>
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
      {switches.length + knobs.length > 0 && (
        <div className="text-[12.5px]">
          {switches.map(([id, { title, positions }]) => (
            <fieldset key={id} className="flex items-center gap-1 py-0.5">
              <legend className="sr-only">{title}</legend>
              <span className="w-36" aria-hidden="true">
                {title} <span className="text-ink2">{usesOf(channels, id)}</span>
              </span>
              {Array.from({ length: positions }, (_, at) => (
                <button
                  key={at}
                  type="button"
                  aria-pressed={(hands.switches[id] ?? 0) === at}
                  className={`min-h-6 border border-ink px-2 ${(hands.switches[id] ?? 0) === at ? 'bg-ink text-sheet' : ''}`}
                  onClick={() => onChange({ ...hands, switches: { ...hands.switches, [id]: at } })}
                >
                  {positionName(positions, at)}
                </button>
              ))}
            </fieldset>
          ))}
          {knobs.map(([no, { use }]) => (
            <label key={no} className="flex items-center gap-2 py-0.5">
              <span className="w-36">{CHANNEL_USES[use].title}</span>
              <input
                type="range"
                className="accent-rust"
                min={-1}
                max={1}
                step={0.01}
                value={hands.knobs[no] ?? 0}
                onChange={(event) => onChange({ ...hands, knobs: { ...hands.knobs, [no]: Number(event.target.value) } })}
              />
            </label>
          ))}
        </div>
      )}
    </>
  );
}

/** What a switch is for, by the channels that it moves. */
function usesOf(channels: HandControlsProps['channels'], id: string): string {
  const own = channels.filter(([, { from }]) => from?.is === 'switches' && from.switches.includes(id));
  return own.map(([, { use }]) => CHANNEL_USES[use].title).join(', ');
}
