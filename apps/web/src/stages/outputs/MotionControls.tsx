import type { ReactNode } from 'react';
import { helps, hovers, HELPS, isWingless, type AirframeKind, type Command, type MixerRow } from '@wired-falcon/core';
import { StickPad } from '../../ui/StickPad.tsx';
import { stickLayout, type StickAxes } from '../../ui/stickLayouts.ts';
import { AT_REST, OTHER_COMMANDS, type Motion } from './motion.ts';

interface MotionControlsProps {
  readonly kind: AirframeKind;
  readonly rows: readonly MixerRow[];
  readonly stickMode: string | undefined;
  readonly motion: Motion;
  readonly onChange: (motion: Motion) => void;
}

const TITLES: Partial<Readonly<Record<Command, string>>> = { flap: 'flaps', brake: 'brakes', 'camera-trigger': 'camera trigger' };
const TILT_DEG = 20;

/** Sticks, sliders, and how the airframe lies: by pointer and by keys. */
export function MotionControls({ kind, rows, stickMode, motion, onChange }: MotionControlsProps) {
  const layout = stickLayout(stickMode);
  const { sticks, others, attitude, help, isHovering } = motion;
  const move = ({ across, along }: StickAxes, x: number, y: number): void =>
    onChange({ ...motion, sticks: { ...sticks, [across]: x, [along]: y } });
  const sliders = OTHER_COMMANDS.filter((name) => rows.some(({ weights }) => (weights[name] ?? 0) !== 0));
  const tilt = (bankDeg: number, pitchDeg: number): void => onChange({ ...motion, attitude: { bankDeg, pitchDeg } });
  const isTilted = (bankDeg: number, pitchDeg: number): boolean => attitude.bankDeg === bankDeg && attitude.pitchDeg === pitchDeg;
  return (
    <div className="no-print text-[12.5px]">
      <div className="flex flex-wrap gap-4">
        {[layout.left, layout.right].map((axes, i) => (
          <StickPad
            key={i}
            label={`${i === 0 ? 'Left' : 'Right'} stick: ${axes.across} across, ${axes.along} along`}
            across={sticks[axes.across]}
            along={sticks[axes.along]}
            onMove={(x, y) => move(axes, x, y)}
            words={[axes.across, axes.along]}
          />
        ))}
      </div>
      {sliders.map((name) => (
        <label key={name} className="mt-1 flex items-center gap-2">
          <span className="w-24">{TITLES[name] ?? name}</span>
          <input
            type="range"
            className="accent-rust"
            min={name === 'flap' || name === 'brake' ? 0 : -1}
            max={1}
            step={0.05}
            value={others[name] ?? 0}
            onChange={(event) => onChange({ ...motion, others: { ...others, [name]: Number(event.target.value) } })}
          />
        </label>
      ))}
      <Choices label="Controller">
        {helps.map((one) => (
          <Choice key={one} isOn={help === one} onClick={() => onChange({ ...motion, help: one })}>
            {HELPS[one]}
          </Choice>
        ))}
      </Choices>
      {hovers(kind) && !isWingless(kind) && (
        <Choices label="It flies">
          <Choice isOn={!isHovering} onClick={() => onChange({ ...motion, isHovering: false })}>
            on its wings
          </Choice>
          <Choice isOn={isHovering} onClick={() => onChange({ ...motion, isHovering: true })}>
            on its lift motors
          </Choice>
        </Choices>
      )}
      <Choices label="It lies">
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
        Let go
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
