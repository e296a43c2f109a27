import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { graphOf } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import { useRegistry } from '../addresses/RegistryContext.tsx';
import { screensOf } from '../addresses/screens.ts';
import { useSelection } from '../selection/SelectionContext.tsx';
import { useDesign, useMake, useSession } from '../session/SessionContext.tsx';
import { partsOnOffer, useWorkshopParts } from '../session/workshopParts.ts';
import { suggestionsFor } from './commands.ts';
import { ENTRY_LINE_ID, leaveEntryLine } from './focusEntryLine.ts';
import type { Suggestion } from './suggestion.ts';
import { useReadersUnits } from '../ui/readersUnits.ts';

/** Typed commands with completion. Enter takes the line that is marked, Escape empties it. */
export function EntryLine() {
  const { read } = useReadersUnits();
  const [text, setText] = useState('');
  const [done, setDone] = useState('');
  const design = useDesign();
  const session = useSession();
  const make = useMake();
  const navigate = useNavigate();
  const { select } = useSelection();
  const own = useWorkshopParts();
  const registry = useRegistry();
  const { id } = design.aircraft;
  const screens = useMemo(() => screensOf(registry, id), [registry, id]);
  const suggestions = useMemo(
    () => suggestionsFor(text, { design, graph: graphOf(design), aircraft: id, screens, parts: partsOnOffer(own) }),
    [text, design, own, id, screens],
  );
  const take = (suggestion: Suggestion | null): void => {
    if (suggestion === null) return;
    const { action } = suggestion;
    if (action === undefined) return setText(suggestion.effect === 'for example' ? suggestion.text : text);
    setText('');
    setDone('');
    switch (action.is) {
      case 'edit': {
        const made = make(action.edit);
        if (!('refused' in made)) setDone(made.title);
        const to = action.to ?? (action.edit.kind === 'add-cable' ? paths.wiring(id) : undefined);
        if (to !== undefined && !('refused' in made)) void navigate(to);
        return;
      }
      case 'go':
        leaveEntryLine();
        return void navigate(action.to);
      case 'select':
        leaveEntryLine();
        select(action.selection);
        return void navigate(action.to);
      case 'undo':
        return session.undo();
      case 'redo':
        return session.redo();
    }
  };
  return (
    <footer className="no-print relative border-t border-ink focus-within:bg-sheet">
      <Combobox value={null} onChange={take} immediate>
        <div className="flex h-9 items-center gap-2 px-4">
          <kbd className="key">/</kbd>
          <ComboboxInput
            id={ENTRY_LINE_ID}
            aria-label="Entry line"
            autoComplete="off"
            spellCheck={false}
            className="value h-full grow border-b-2 border-transparent bg-transparent outline-none! focus:border-rust"
            placeholder="gnss1 > s4    add servo 9g x4    find tx    go documents"
            displayValue={() => text}
            value={text}
            onChange={(event) => {
              setText(event.target.value.replace(/^\//, ''));
              setDone('');
            }}
            onKeyDown={(event) => {
              if (event.key !== 'Escape') return;
              setText('');
              event.currentTarget.blur();
            }}
          />
          <output aria-label="Done" className="max-w-[50%] truncate text-[13px] text-ink2" title={read(done)}>
            {read(done)}
          </output>
        </div>
        <ComboboxOptions className="absolute bottom-9 left-0 z-30 max-h-[320px] w-full overflow-y-auto border-t border-ink bg-sheet px-4 py-1 empty:hidden">
          {suggestions.map((suggestion) => (
            <ComboboxOption
              key={suggestion.text}
              value={suggestion}
              className={`grid cursor-pointer grid-cols-[340px_1fr] gap-4 px-2 py-0.5 data-focus:bg-paper data-focus:outline data-focus:outline-ink ${suggestion.action === undefined ? 'text-ink2' : ''}`}
            >
              <span className="value">{suggestion.text}</span>
              <span>{read(suggestion.effect)}</span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
    </footer>
  );
}
