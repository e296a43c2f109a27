import { useState } from 'react';
import { withCode, type CodeTable, type Dialect } from '@wired-falcon/core';

interface CodeTableFormProps {
  readonly tables: readonly CodeTable[];
  /** The board whose indexes are among them. */
  readonly target: string | undefined;
  readonly dialect: Dialect;
  readonly isReadOnly: boolean;
  /** With the place of the code that was typed, so that typing on in it is one change. */
  readonly onCode: (place: string, dialect: Dialect) => void;
}

/** The codes of one table of a dialect; another table is chosen above. */
export function CodeTableForm({ tables, target, dialect, isReadOnly, onCode }: CodeTableFormProps) {
  const [chosen, setChosen] = useState<string>();
  const table = tables.find(({ id }) => id === chosen) ?? tables[0];
  if (table === undefined) return null;
  return (
    <section aria-label="Codes" className="mt-4 text-[13px]">
      <h3 className="text-[15px] font-bold">Codes</h3>
      <label>
        Table{' '}
        <select className="field" value={table.id} onChange={(event) => setChosen(event.target.value)}>
          {tables.map(({ id, title, rows }) => (
            <option key={id} value={id}>
              {title} ({rows.filter(({ code }) => code !== '').length} of {rows.length})
            </option>
          ))}
        </select>
      </label>
      <div className="mt-2 columns-[240px] gap-6" data-table={table.id}>
        {table.rows.map(({ key, title, code }) => (
          <label key={key} className="flex break-inside-avoid items-center justify-between gap-2 py-0.5">
            <span>{title}</span>
            <input
              className="field value w-28"
              value={code}
              readOnly={isReadOnly}
              maxLength={24}
              placeholder="not known"
              onChange={(event) =>
                onCode(`${table.id} ${key}`, withCode(dialect, table.id, key, event.target.value.replaceAll(/\s/g, ''), target))
              }
            />
          </label>
        ))}
      </div>
    </section>
  );
}
