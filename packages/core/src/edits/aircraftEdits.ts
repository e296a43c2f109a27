import { Type } from '@sinclair/typebox';
import { LIMITS } from '../model/limits.ts';
import { editKind, refuse } from './family.ts';

const closed = { additionalProperties: false } as const;

const setName = editKind({
  kind: 'set-aircraft-name',
  schema: Type.Object(
    {
      kind: Type.Literal('set-aircraft-name'),
      name: Type.String({ minLength: 1, maxLength: LIMITS.nameChars }),
      was: Type.String(),
    },
    closed,
  ),
  title: (edit) => `Rename the aircraft to ${edit.name}`,
  apply: ({ aircraft }, edit) => {
    if (aircraft.name !== edit.was) {
      return refuse('changed-since', `The aircraft was renamed to "${aircraft.name}" meanwhile. Check the new name, then decide.`);
    }
    return { aircraft: { ...aircraft, name: edit.name } };
  },
});

const setNote = editKind({
  kind: 'set-aircraft-note',
  schema: Type.Object(
    {
      kind: Type.Literal('set-aircraft-note'),
      note: Type.String({ maxLength: LIMITS.noteChars }),
      was: Type.String({ maxLength: LIMITS.noteChars }),
    },
    closed,
  ),
  title: () => 'Change the note of the aircraft',
  apply: ({ aircraft }, edit) => {
    if ((aircraft.note ?? '') !== edit.was) {
      return refuse('changed-since', 'The note was changed meanwhile. Check what it says now, then decide.');
    }
    const { note: _old, ...rest } = aircraft;
    return { aircraft: edit.note === '' ? rest : { ...rest, note: edit.note } };
  },
});

export const aircraftEdits = [setName, setNote] as const;
