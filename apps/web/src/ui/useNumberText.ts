import { useState, type InputHTMLAttributes } from 'react';

interface NumberTextOptions {
  /** What holds now; undefined where nothing is set. */
  readonly value: number | undefined;
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
export function useNumberText({ value, mayBeEmpty, takes, onSave, onType }: NumberTextOptions): NumberText {
  const shown = value === undefined ? '' : String(value);
  const [text, setText] = useState(shown);
  const [from, setFrom] = useState(shown);
  if (from !== shown) {
    setFrom(shown);
    setText(shown);
  }
  const typed = numberOf(text);
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
        const next = numberOf(event.target.value);
        if (isTaken(next)) onType?.(next);
      },
      onBlur: save,
      onKeyDown: (event) => {
        if (event.key === 'Enter') save();
      },
    },
  };
}

/** Undefined where nothing is typed. */
function numberOf(text: string): number | undefined {
  const trimmed = text.trim().replace(',', '.');
  return trimmed === '' ? undefined : Number(trimmed);
}
