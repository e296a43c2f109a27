import type { CodeTable } from '@wired-falcon/core';

interface FactValueFieldProps {
  readonly label: string;
  /** What can be chosen; a number is typed where there is none. */
  readonly rows: CodeTable['rows'];
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** A value of a fact: chosen where there is a table of them, else typed. */
export function FactValueField({ label, rows, value, onChange }: FactValueFieldProps) {
  return (
    <label>
      {label}
      {rows.length === 0 ? (
        <input
          className="field value mt-0.5 block w-24"
          inputMode="decimal"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      ) : (
        <select className="field mt-0.5 block max-w-56" value={value} onChange={(event) => onChange(event.target.value)}>
          <option value="">choose</option>
          <option value="none">nothing</option>
          {rows.map(({ key, title }) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
      )}
    </label>
  );
}
