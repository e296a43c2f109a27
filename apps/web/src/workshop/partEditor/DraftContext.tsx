import { createContext, useContext, type ReactNode } from 'react';
import { isJsonList, jsonAt, type Json, type JsonPath } from '@wired-falcon/core';

/** What the fields of the part editor share. */
export interface DraftAccess {
  readonly draft: Json;
  /** Puts something at a place; undefined takes out what is there. */
  readonly set: (path: JsonPath, now: Json | undefined) => void;
  /** Makes a whole new draft of it; `place` names the field, so that typing on is one step back. */
  readonly change: (now: Json, place: string) => void;
  /** What is wrong with a place, by its path in the form `/circuit/0/idleA`. */
  readonly problems: ReadonlyMap<string, string>;
}

const DraftContext = createContext<DraftAccess | undefined>(undefined);

export function DraftProvider({ access, children }: { readonly access: DraftAccess; readonly children: ReactNode }) {
  return <DraftContext value={access}>{children}</DraftContext>;
}

export function useDraft(): DraftAccess {
  const access = useContext(DraftContext);
  if (access === undefined) throw new Error('This needs a draft around it.');
  return access;
}

export function pathText(path: JsonPath): string {
  return path.map((step) => `/${step}`).join('');
}

/** The entries of one of the draft's lists; empty where it has none. */
export function entriesOf(draft: Json, name: string): readonly Json[] {
  const list = jsonAt(draft, [name]);
  return isJsonList(list) ? list : [];
}

/** A member of an entry as a text. */
export function textOf(value: Json | undefined, name: string): string {
  const member = jsonAt(value, [name]);
  return typeof member === 'string' || typeof member === 'number' ? String(member) : '';
}
