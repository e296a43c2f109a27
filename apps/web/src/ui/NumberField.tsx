import { useNumberText } from './useNumberText.ts';

interface NumberFieldProps {
  readonly label: string;
  /** Empty where the head of a table says it. */
  readonly unit: string;
  readonly value: number | undefined;
  readonly least: number;
  readonly most: number;
  /** What holds where nothing is typed; then the field may be left empty. */
  readonly usual?: string;
  readonly onSave: (value: number | undefined) => void;
  /** Told of every value that would be taken, while it is typed. */
  readonly onType?: (value: number | undefined) => void;
  readonly isLabelHidden?: boolean;
}

/** A number with its unit and limits. It is saved when the field is left or Enter is pressed; what is out of its limits stays and says so. */
export function NumberField({ label, unit, value, least, most, usual, onSave, onType, isLabelHidden = false }: NumberFieldProps) {
  const { isWrong, input } = useNumberText({
    value,
    mayBeEmpty: usual !== undefined,
    takes: (typed) => typed >= least && typed <= most,
    onSave,
    onType,
  });
  return (
    <label className={isLabelHidden ? 'inline-flex items-center gap-1' : 'flex items-center justify-between gap-2 py-0.5'}>
      <span className={isLabelHidden ? 'sr-only' : 'text-[13px]'}>{label}</span>
      <span className="inline-flex items-center gap-1">
        <input className={`field value text-right ${usual === undefined ? 'w-20' : 'w-24'}`} placeholder={usual} {...input} />
        {unit !== '' && <span className="w-6 text-[12.5px] text-ink2">{unit}</span>}
        {isWrong && (
          <span role="alert" className="text-[12.5px] text-rust">
            {least} to {most}
          </span>
        )}
      </span>
    </label>
  );
}
