import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { asId, ownDialectOf, readDialectFile, sampleDialects, type Dialect, type DialectId } from '@wired-falcon/core';
import type { DialectRevision } from '@wired-falcon/contract';
import { authorName, makeId } from '../../session/author.ts';
import { dialectsApi } from '../../session/transport.ts';
import { WORKSHOP_DIALECTS } from '../../session/workshopDialects.ts';

/** How dialects come into the workshop. */
export interface Intake {
  /** Takes the text of a file in: a new dialect, or the next revision of the one that has its id. */
  readonly importText: (text: string) => void;
  /** Makes a dialect of the workshop's own from another. */
  readonly copy: (dialect: Dialect) => void;
  /** What is wrong with what was last taken in, as a sentence. */
  readonly problem: string | undefined;
  /** What was last done, as a sentence. */
  readonly done: string | undefined;
}

/** @param own the newest revision of each dialect of the workshop */
export function useDialectIntake(own: readonly DialectRevision[]): Intake {
  const queries = useQueryClient();
  const [unread, setUnread] = useState<string>();
  const saving = useMutation({
    mutationFn: (dialect: Dialect) => dialectsApi.save(dialect, revisionOf(own, dialect.id), authorName()),
    onSuccess: () => queries.invalidateQueries({ queryKey: WORKSHOP_DIALECTS }),
  });
  const save = (dialect: Dialect): void => {
    setUnread(undefined);
    saving.mutate(dialect);
  };
  return {
    importText: (text) => {
      const read = readDialectFile(text);
      if ('sentence' in read) {
        saving.reset();
        setUnread(read.sentence);
      } else save(importedDialect(read.dialect));
    },
    copy: (dialect) => save(ownDialectOf(dialect, asId<DialectId>(makeId()))),
    problem: unread ?? saving.error?.message,
    done: saving.data === undefined ? undefined : `"${saving.data.dialect.name}" is saved as revision ${saving.data.revision}.`,
  };
}

function revisionOf(own: readonly DialectRevision[], id: DialectId): number {
  return own.find(({ dialect }) => dialect.id === id)?.revision ?? 0;
}

/** The samples' ids stay theirs: an exported sample comes in as a copy. */
function importedDialect(dialect: Dialect): Dialect {
  const isSample = sampleDialects.some((sample) => sample.id === dialect.id);
  return isSample ? { ...ownDialectOf(dialect, asId<DialectId>(makeId())), source: 'import' } : { ...dialect, source: 'import' };
}
