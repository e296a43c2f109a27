import { useState, type InputHTMLAttributes } from 'react';
import type { Unit } from '@wired-falcon/core';
import { useReadersUnits } from './readersUnits.ts';

interface NumberTextOptions {
  /** What holds now; undefined where nothing is set. */
  readonly value: number | undefined;
  /** What `value` is in; it is shown and typed in the reader's unit. */
  readonly unit?: Unit | undefined;
  /** Whether the field may be left empty. */
  readonly mayBeEmpty: boolean;
  readonly takes: (value: number) => boolean;
  readonly onSave: (value: number | undefined) => void;
  /** Told of every value that would be taken, while it is typed. */
  readonly onType?: ((value: number | undefined) => void) | undefined;
}

interface NumberText {
  readonly isWrong: boolean;
  /** For the input that it is typed into. */
  readonly input: Pick<InputHTMLAttributes<HTMLInputElement>, 'inputMode' | 'value' | 'aria-invalid' | 'onChange' | 'onBlur' | 'onKeyDown'>;
}

/**
 * A number while it is typed, with a point or a comma: saved when the field is left or Enter is pressed. What is not taken stays as it
 * was typed. A value that changes from outside takes its place.
 */
export function useNumberText({ value, unit, mayBeEmpty, takes, onSave, onType }: NumberTextOptions): NumberText {
  const units = useReadersUnits();
  const factor = unit === undefined ? 1 : units.factor(unit);
  const shown = value === undefined ? '' : units.asTyped(value, unit);
  const [text, setText] = useState(shown);
  const [from, setFrom] = useState(shown);
  if (from !== shown) {
    setFrom(shown);
    setText(shown);
  }
  // As it was shown it is the value itself: what rounding for the eye took away is not saved.
  const typed = text.trim() === shown ? value : metric(numberOf(text), factor);
  const isTaken = (one: number | undefined): boolean => (one === undefined ? mayBeEmpty : takes(one));
  const isWrong = !isTaken(typed);
  const save = (): void => {
    if (!isWrong && typed !== value) onSave(typed);
  };
  return {
    isWrong,
    input: {
      inputMode: 'decimal',
      value: text,
      'aria-invalid': isWrong,
      onChange: (event) => {
        setText(event.target.value);
        const next = metric(numberOf(event.target.value), factor);
        if (isTaken(next)) onType?.(next);
      },
      onBlur: save,
      onKeyDown: (event) => {
        if (event.key === 'Enter') save();
      },
    },
  };
}

/** To a hundredth where it was typed in another unit: finer than anybody builds, and free of what multiplying leaves behind. */
function metric(typed: number | undefined, factor: number): number | undefined {
  return typed === undefined || factor === 1 ? typed : Math.round((typed / factor) * 100) / 100;
}

/** Undefined where nothing is typed. */
function numberOf(text: string): number | undefined {
  const trimmed = text.trim().replace(',', '.');
  return trimmed === '' ? undefined : Number(trimmed);
}
