import type { KeyboardEvent, PointerEvent } from 'react';
import { stated } from '@wired-falcon/core';

const SIZE = 120;
const KEY_STEP = 0.1;

interface StickPadProps {
  readonly label: string;
  /** From -1 (left) to 1 (right). */
  readonly across: number;
  /** From -1 (back) to 1 (forward). */
  readonly along: number;
  readonly onMove: (across: number, along: number) => void;
  /** What the two axes are for. */
  readonly words: readonly [string, string];
}

/** A stick: it follows the pointer as long as it is pressed, and the arrow keys in tenths; Home lets it go to the middle. */
export function StickPad({ label, across, along, onMove, words }: StickPadProps) {
  const place = (event: PointerEvent<HTMLDivElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    onMove(clamp(((event.clientX - box.left) / box.width) * 2 - 1), clamp(1 - ((event.clientY - box.top) / box.height) * 2));
  };
  const keys = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    if (event.key === 'Home') onMove(0, 0);
    else onMove(clamp(across + step[0]), clamp(along + step[1]));
  };
  return (
    <div>
      <div
        role="application"
        tabIndex={0}
        aria-label={`${label}; now ${stated(Math.round(across * 100), '%')} and ${stated(Math.round(along * 100), '%')}`}
        className="relative touch-none border border-ink bg-white"
        style={{ width: SIZE, height: SIZE }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          place(event);
        }}
        onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && place(event)}
        onKeyDown={keys}
      >
        <span className="absolute inset-x-0 top-1/2 border-t border-rule" />
        <span className="absolute inset-y-0 left-1/2 border-l border-rule" />
        <span className="absolute size-3 bg-rust" style={{ left: ((across + 1) / 2) * SIZE - 6, top: ((1 - along) / 2) * SIZE - 6 }} />
      </div>
      <p className="mt-0.5 text-center text-[11.5px] text-ink2" aria-hidden="true">
        {words[0]} across, {words[1]} along
      </p>
    </div>
  );
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-KEY_STEP, 0],
  ArrowRight: [KEY_STEP, 0],
  ArrowUp: [0, KEY_STEP],
  ArrowDown: [0, -KEY_STEP],
  Home: [0, 0],
};

function clamp(share: number): number {
  return Math.round(Math.min(Math.max(share, -1), 1) * 100) / 100;
}
