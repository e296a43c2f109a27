import { useState } from 'react';
import { blankOf, isJsonList, jsonAt, type FormField, type Json } from '@wired-falcon/core';
import { entriesOf, textOf, useDraft } from './DraftContext.tsx';
import { FieldFor } from './FieldFor.tsx';

interface EntriesTabProps {
  /** The list of the part that is worked on. */
  readonly name: string;
  readonly form: FormField;
  /** What one entry is called, in the singular. */
  readonly noun: string;
  /** What this list is for, and the first thing to do. */
  readonly lead: string;
  readonly titleOf: (entry: Json) => string;
}

/** One of the lists of a part: its entries on the left, the chosen one as a form on the right. */
export function EntriesTab({ name, form, noun, lead, titleOf }: EntriesTabProps) {
  const { draft, set } = useDraft();
  const [chosen, setChosen] = useState(0);
  const entries = entriesOf(draft, name);
  const at = Math.min(chosen, entries.length - 1);
  const add = (): void => {
    set([name], [...entries, withFreeId(form.is === 'kinds' ? { is: '' } : blankOf(form), entries, noun)]);
    setChosen(entries.length);
  };
  return (
    <div className="grid grid-cols-[190px_minmax(0,1fr)] gap-x-5">
      <div>
        <ul aria-label={`${noun} list`}>
          {entries.map((entry, i) => (
            <li key={i}>
              <button
                type="button"
                aria-current={i === at}
                className={`value w-full border-b border-rule px-1.5 py-1 text-left ${i === at ? 'bg-grid font-medium' : ''}`}
                onClick={() => setChosen(i)}
              >
                {titleOf(entry)}
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="action mt-2" onClick={add}>
          Add {noun}
        </button>
      </div>
      <div>
        <p className="text-[13px] text-ink2">{lead}</p>
        {at >= 0 && (
          <>
            <FieldFor key={at} field={form} path={[name, at]} label={noun} />
            <button type="button" className="action mt-3" onClick={() => set([name, at], undefined)}>
              Remove this {noun}
            </button>
          </>
        )}
      </div>
    </div>
  );
}

function withFreeId(blank: Json, entries: readonly Json[], noun: string): Json {
  const taken = new Set(entries.map((entry) => textOf(entry, 'id')));
  const stem = noun.replaceAll(' ', '-');
  let n = entries.length + 1;
  while (taken.has(`${stem}${n}`)) n += 1;
  return typeof blank === 'object' && blank !== null && !isJsonList(blank) && ('id' in blank || jsonAt(blank, ['is']) === '')
    ? { ...blank, id: `${stem}${n}` }
    : blank;
}
