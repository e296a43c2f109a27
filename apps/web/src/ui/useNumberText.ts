import { useState, type InputHTMLAttributes } from 'react';

interface NumberTextOptions {
  /** What holds now; undefined where nothing is set. */
  readonly value: number | undefined;
  /** Whether the field may be left empty. */
  readonly mayBeEmpty: boolean;
  readonly takes: (value: number) => boolean;
  readonly onSave: (value: number | undefined) => void;
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
export function useNumberText({ value, mayBeEmpty, takes, onSave }: NumberTextOptions): NumberText {
  const shown = value === undefined ? '' : String(value);
  const [text, setText] = useState(shown);
  const [from, setFrom] = useState(shown);
  if (from !== shown) {
    setFrom(shown);
    setText(shown);
  }
  const trimmed = text.trim().replace(',', '.');
  const typed = trimmed === '' ? undefined : Number(trimmed);
  const isWrong = typed === undefined ? !mayBeEmpty : !takes(typed);
  const save = (): void => {
    if (!isWrong && typed !== value) onSave(typed);
  };
  return {
    isWrong,
    input: {
      inputMode: 'decimal',
      value: text,
      'aria-invalid': isWrong,
      onChange: (event) => setText(event.target.value),
      onBlur: save,
      onKeyDown: (event) => {
        if (event.key === 'Enter') save();
      },
    },
  };
}
