import { useId, useState, type HTMLAttributes } from 'react';
import { canonicalJson, type Json } from '@wired-falcon/core';

interface TypedFieldProps {
  readonly label: string;
  readonly value: Json | undefined;
  readonly textOf: (value: Json | undefined) => string;
  readonly parse: (text: string) => Json;
  readonly onValue: (value: Json) => void;
  readonly problem?: string | undefined;
  readonly isLong?: boolean;
  readonly isLabelHidden?: boolean;
  readonly maxLength?: number;
  /** What can be chosen from, beside typing. */
  readonly options?: readonly string[];
  readonly inputMode?: HTMLAttributes<HTMLInputElement>['inputMode'];
  readonly className?: string;
}

/**
 * A field for typing. What stands there while it does not mean a value yet ("1.", "a, ") is left as it was typed; what it means
 * so far goes into the draft at once.
 */
export function TypedField(props: TypedFieldProps) {
  const { label, value, textOf, parse, onValue, problem, options } = props;
  const [typed, setTyped] = useState(textOf(value));
  const id = useId();
  const isSame = canonicalJson(parse(typed)) === canonicalJson(value ?? null);
  const shared = {
    id,
    className: `field value w-full ${props.className ?? ''}`,
    value: isSame ? typed : textOf(value),
    'aria-invalid': problem !== undefined,
    'aria-label': props.isLabelHidden === true ? label : undefined,
    'aria-describedby': problem === undefined ? undefined : `${id}-problem`,
    maxLength: props.maxLength,
    onChange: (event: { readonly target: { readonly value: string } }) => {
      setTyped(event.target.value);
      onValue(parse(event.target.value));
    },
  };
  return (
    <div className={props.isLabelHidden === true ? '' : 'mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]'}>
      {props.isLabelHidden !== true && (
        <label htmlFor={id} className="pr-2">
          {label}
        </label>
      )}
      <span className="block min-w-0">
        {props.isLong === true ? (
          <textarea {...shared} rows={2} />
        ) : (
          <input
            {...shared}
            autoComplete="off"
            spellCheck={false}
            list={options === undefined ? undefined : `${id}-list`}
            inputMode={props.inputMode}
          />
        )}
        {options !== undefined && (
          <datalist id={`${id}-list`}>
            {options.map((option) => (
              <option key={option} value={option} />
            ))}
          </datalist>
        )}
        {problem !== undefined && (
          <span id={`${id}-problem`} className="block text-[12px] text-rust">
            {problem}
          </span>
        )}
      </span>
    </div>
  );
}

/** A number where the text is one; else the text itself, which the checks then name. */
export function numberFrom(text: string): Json {
  const trimmed = text.trim();
  const value = Number(trimmed);
  return trimmed !== '' && Number.isFinite(value) ? value : text;
}

/** The value of a setting: a number, yes or no, or a word. */
export function settingValueFrom(text: string): Json {
  if (text === 'true' || text === 'false') return text === 'true';
  return numberFrom(text);
}

export function plainText(value: Json | undefined): string {
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';
}
