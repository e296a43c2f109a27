import { isValueOf, RC_CHOICES, type RcChoice } from '@wired-falcon/core';
import { useDesign } from '../../../session/SessionContext.tsx';
import { useRcEdits } from './useRcEdits.ts';

interface RcChoiceFieldProps {
  readonly choice: RcChoice;
  /** Values that are not offered, unless one of them is chosen. */
  readonly without?: readonly string[];
}

/** One choice of the RC plan. */
export function RcChoiceField({ choice, without = [] }: RcChoiceFieldProps) {
  const { rc } = useDesign().aircraft;
  const { setChoice } = useRcEdits();
  const { title, values } = RC_CHOICES[choice];
  const chosen = rc.choices[choice] ?? '';
  return (
    <label className="mt-1 flex items-center justify-between gap-2 text-[13px]">
      {title}
      <select
        className="field w-56"
        value={chosen}
        onChange={(event) => setChoice(choice, isValueOf(choice, event.target.value) ? event.target.value : null)}
      >
        <option value="">not stated</option>
        {Object.entries(values)
          .filter(([value]) => value === chosen || !without.includes(value))
          .map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
      </select>
    </label>
  );
}
