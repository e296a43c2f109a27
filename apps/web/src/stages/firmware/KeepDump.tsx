import { useState } from 'react';
import { LIMITS, type DriftView, type ItemId } from '@wired-falcon/core';
import { authorName, makeId } from '../../session/author.ts';
import type { DumpShelf } from '../../session/dumps.ts';
import { useDesign, useMake } from '../../session/SessionContext.tsx';

interface KeepDumpProps {
  readonly shelf: DumpShelf;
  readonly controller: ItemId;
  readonly dump: string;
  readonly found: DriftView['found'];
  readonly onKept: (id: string) => void;
}

/** Keeps the dump that is compared, with a note, and notes in the aircraft what was found in it. */
export function KeepDump({ shelf, controller, dump, found, onKept }: KeepDumpProps) {
  const { aircraft } = useDesign();
  const make = useMake();
  const [note, setNote] = useState('');
  const [id] = useState(() => makeId());
  const [isBusy, setBusy] = useState(false);
  const keep = async (): Promise<void> => {
    setBusy(true);
    try {
      const entry = await shelf.keep({ id, controller, by: authorName(), note: note.trim(), text: dump });
      const { copiedFrom, at } = entry;
      const value = { ...found, at, ...(copiedFrom === undefined ? {} : { copiedFrom }) };
      make({ kind: 'set-read-back', item: controller, value, was: aircraft.firmware.read[controller] ?? null });
      onKept(entry.id);
    } catch {
      // What went wrong stands below; the note stays.
    } finally {
      setBusy(false);
    }
  };
  if (dump.length > LIMITS.dumpChars)
    return (
      <p className="text-[13px]">
        The dump has {dump.length} characters; up to {LIMITS.dumpChars} are kept. It is compared all the same.
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
      {shelf.failure !== undefined && (
        <span role="alert" className="text-rust">
          {shelf.failure}
        </span>
      )}
    </form>
  );
}
