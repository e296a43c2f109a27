import type { ReactNode } from 'react';
import {
  CHANNEL_USES,
  helps,
  hovers,
  HELPS,
  isWingless,
  movesByChannel,
  opens,
  rcChannelsOf,
  type ChannelCommand,
  type Graph,
  type MixerRow,
} from '@wired-falcon/core';
import { HandControls } from '../../ui/HandControls.tsx';
import { AT_REST, type Motion } from './motion.ts';

interface MotionControlsProps {
  readonly graph: Graph;
  readonly rows: readonly MixerRow[];
  readonly unplanned: readonly ChannelCommand[];
  readonly motion: Motion;
  readonly onChange: (motion: Motion) => void;
}

const TILT_DEG = 20;

/** Sticks, switches and attitude: by pointer and by keys. */
export function MotionControls({ graph, rows, unplanned, motion, onChange }: MotionControlsProps) {
  const { rc } = graph.design.aircraft;
  const { kind } = graph.design.aircraft.airframe;
  const { hands, others, attitude, help, isHovering } = motion;
  const channels = rcChannelsOf(graph.design).filter(([no, channel]) => movesByChannel(rows, no, channel));
  const tilt = (bankDeg: number, pitchDeg: number): void => onChange({ ...motion, attitude: { bankDeg, pitchDeg } });
  const isTilted = (bankDeg: number, pitchDeg: number): boolean => attitude.bankDeg === bankDeg && attitude.pitchDeg === pitchDeg;
  return (
    <div className="no-print text-[12.5px]">
      <div className="flex flex-wrap gap-4">
        <HandControls rc={rc} channels={channels} hands={hands} onChange={(next) => onChange({ ...motion, hands: next })} />
      </div>
      {unplanned.map((name) => (
        <label key={name} className="mt-1 flex items-center gap-2">
          <span className="w-36">{CHANNEL_USES[name].title}</span>
          <input
            type="range"
            className="accent-rust"
            min={opens(name) ? 0 : -1}
            max={1}
            step={0.05}
            value={others[name] ?? 0}
            onChange={(event) => onChange({ ...motion, others: { ...others, [name]: Number(event.target.value) } })}
          />
        </label>
      ))}
      <Choices label="Mode">
        {helps.map((one) => (
          <Choice key={one} isOn={help === one} onClick={() => onChange({ ...motion, help: one })}>
            {HELPS[one]}
          </Choice>
        ))}
      </Choices>
      {hovers(kind) && !isWingless(kind) && (
        <Choices label="Flight">
          <Choice isOn={!isHovering} onClick={() => onChange({ ...motion, isHovering: false })}>
            on its wings
          </Choice>
          <Choice isOn={isHovering} onClick={() => onChange({ ...motion, isHovering: true })}>
            on its lift motors
          </Choice>
        </Choices>
      )}
      <Choices label="Attitude">
        <Choice isOn={isTilted(0, 0)} onClick={() => tilt(0, 0)}>
          level
        </Choice>
        <Choice isOn={isTilted(TILT_DEG, 0)} onClick={() => tilt(TILT_DEG, 0)}>
          right wing down
        </Choice>
        <Choice isOn={isTilted(-TILT_DEG, 0)} onClick={() => tilt(-TILT_DEG, 0)}>
          left wing down
        </Choice>
        <Choice isOn={isTilted(0, TILT_DEG)} onClick={() => tilt(0, TILT_DEG)}>
          nose up
        </Choice>
        <Choice isOn={isTilted(0, -TILT_DEG)} onClick={() => tilt(0, -TILT_DEG)}>
          nose down
        </Choice>
      </Choices>
      <button type="button" className="mt-2 underline" onClick={() => onChange({ ...AT_REST, isHovering, help })}>
        Centre the sticks
      </button>
    </div>
  );
}

function Choices({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-1">
      <legend className="float-left w-24">{label}</legend>
      {children}
    </fieldset>
  );
}

interface ChoiceProps {
  readonly isOn: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function Choice({ isOn, onClick, children }: ChoiceProps) {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      className={`min-h-6 border border-ink px-2 ${isOn ? 'bg-ink text-sheet' : ''}`}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
