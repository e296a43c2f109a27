import { useState } from 'react';
import { listed, measuredEdit, measuredFromCsv } from '@wired-falcon/core';
import { useDesign, useMake } from '../../../session/SessionContext.tsx';
import { FileButton } from '../../../ui/FileButton.tsx';

const EXAMPLE = 'channel,first,centre,last\n1,1002,1500,1998';

/** Measured channels pasted or opened as CSV; what was not understood is said line by line, and the text stays. */
export function MeasuredImport() {
  const design = useDesign();
  const make = useMake();
  const [text, setText] = useState('');
  const [said, setSaid] = useState<readonly string[]>([]);
  const take = (csv: string): void => {
    const table = measuredFromCsv(csv);
    const { edit, leftOut } = measuredEdit(design, table);
    const made = edit === undefined ? undefined : make(edit);
    const refused = made !== undefined && 'refused' in made ? [made.refused.sentence] : [];
    setSaid([
      ...table.problems,
      ...(leftOut.length === 0 ? [] : [`Channel ${listed(leftOut)} is not assigned: its values were left out.`]),
      ...refused,
      ...(edit === undefined
        ? ['Nothing was imported.']
        : refused.length > 0
          ? []
          : [`${edit.kind === 'batch' ? edit.title : 'Measured'}.`]),
    ]);
  };
  return (
    <details className="no-print mt-3 text-[13px]">
      <summary className="cursor-pointer text-ink2">Import measured channels from CSV</summary>
      <form
        aria-label="Measured channels from CSV"
        className="mt-2 flex max-w-[640px] flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          take(text);
        }}
      >
        <label>
          Channel, first (stick left or back), centre, last (right or forward), in microseconds, one channel per line
          <textarea
            className="field value mt-0.5 block h-24 w-full"
            placeholder={EXAMPLE}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <span className="flex gap-2">
          <button type="submit" className="action" disabled={text.trim() === ''}>
            Use these values
          </button>
          <FileButton
            label="Open a CSV file"
            fileLabel="CSV file with measured channels"
            accept=".csv,.txt,text/csv"
            onText={(content) => {
              setText(content.slice(0, 20_000));
              take(content);
            }}
          />
        </span>
        {said.length > 0 && (
          <div role="status" data-testid="import-said">
            {said.map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
          </div>
        )}
      </form>
    </details>
  );
}
