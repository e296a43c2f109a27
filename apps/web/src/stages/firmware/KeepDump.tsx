import { useState } from 'react';
import { LIMITS, type DriftView, type ItemId } from '@wired-falcon/core';
import { authorName } from '../../session/author.ts';
import type { DumpShelf } from '../../session/dumps.ts';
import { useSession } from '../../session/SessionContext.tsx';

interface KeepDumpProps {
  readonly shelf: DumpShelf;
  readonly controller: ItemId;
  /** Under which it is kept: sent again after a lost answer, it is kept once. */
  readonly id: string;
  readonly dump: string;
  readonly found: DriftView['found'];
  readonly onKept: () => void;
}

/** Keeps the dump that is compared, with a note, and notes in the aircraft what was found in it. */
export function KeepDump({ shelf, controller, id, dump, found, onKept }: KeepDumpProps) {
  const session = useSession();
  const [note, setNote] = useState('');
  const [isBusy, setBusy] = useState(false);
  const keep = async (): Promise<void> => {
    setBusy(true);
    try {
      const entry = await shelf.keep({ id, controller, by: authorName(), note: note.trim(), text: dump });
      const { copiedFrom, at } = entry;
      const value = { ...found, at, ...(copiedFrom === undefined ? {} : { copiedFrom }) };
      // As the document is now: others may have read a dump while this one was on its way.
      const was = session.getState().design.aircraft.firmware.read[controller] ?? null;
      const made = session.make({ kind: 'set-read-back', item: controller, value, was });
      if ('refused' in made) session.say(made.refused.sentence);
      onKept();
    } catch {
      // What went wrong stands below; the note stays.
    } finally {
      setBusy(false);
    }
  };
  if (dump.length > LIMITS.dumpChars)
    return (
      <p className="text-[13px]">
        The dump has {dump.length} characters; up to {LIMITS.dumpChars} can be kept. It is still compared.
      </p>
    );
  return (
    <form
      aria-label="Keep this dump"
      className="no-print mt-2 flex flex-wrap items-center gap-2 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label>
        Note{' '}
        <input
          className="field w-72"
          maxLength={LIMITS.reasonChars}
          placeholder="such as: after the first flight"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <button type="submit" className="action" disabled={isBusy}>
        Keep this dump
      </button>
    </form>
  );
}
