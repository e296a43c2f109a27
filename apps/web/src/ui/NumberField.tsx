import type { Unit } from '@wired-falcon/core';
import { useReadersUnits } from './readersUnits.ts';
import { useNumberText } from './useNumberText.ts';

interface Usual {
  readonly value?: number | undefined;
  readonly words?: string;
}

interface NumberFieldProps {
  readonly label: string;
  /** What its value and its limits are in; undefined for a bare number. The reader types in their own unit. */
  readonly unit: Unit | undefined;
  readonly value: number | undefined;
  readonly least: number;
  readonly most: number;
  /** What holds where nothing is typed, a value or words or both; then the field may be left empty. */
  readonly usual?: Usual;
  readonly onSave: (value: number | undefined) => void;
  /** Told of every value that would be taken, while it is typed. */
  readonly onType?: (value: number | undefined) => void;
  readonly isLabelHidden?: boolean;
  /** Where the head of a table says it. */
  readonly isUnitHidden?: boolean;
}

/** A number with its unit and limits. It is saved when the field is left or Enter is pressed; what is out of its limits stays and says so. */
export function NumberField(props: NumberFieldProps) {
  const { label, unit, value, least, most, usual, onSave, onType, isLabelHidden = false, isUnitHidden = false } = props;
  const units = useReadersUnits();
  const { isWrong, input } = useNumberText({
    value,
    unit,
    mayBeEmpty: usual !== undefined,
    takes: (typed) => typed >= least && typed <= most,
    onSave,
    onType,
  });
  return (
    <label className={isLabelHidden ? 'inline-flex items-center gap-1' : 'flex items-center justify-between gap-2 py-0.5'}>
      <span className={isLabelHidden ? 'sr-only' : 'text-[13px]'}>{label}</span>
      <span className="inline-flex items-center gap-1">
        <input
          className={`field value text-right ${usual === undefined ? 'w-20' : 'w-24'}`}
          placeholder={usual === undefined ? undefined : usualText(usual, (one) => units.asTyped(one, unit))}
          {...input}
        />
        {unit !== undefined && !isUnitHidden && (
          <span data-unit className="min-w-6 text-[12.5px] text-ink2">
            {units.unit(unit)}
          </span>
        )}
        {isWrong && (
          <span role="alert" className="text-[12.5px] text-rust">
            {units.asTyped(least, unit)} to {units.asTyped(most, unit)}
          </span>
        )}
      </span>
    </label>
  );
}

function usualText({ value, words }: Usual, written: (value: number) => string): string {
  return [...(value === undefined ? [] : [written(value)]), ...(words === undefined ? [] : [words])].join(', ');
}
