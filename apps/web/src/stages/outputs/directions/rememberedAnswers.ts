import { useState } from 'react';
import type { AircraftId, DirectionAnswers } from '@wired-falcon/core';

/** What was answered in this tab, by aircraft: kept while one looks at other pages, and over a reload. */
export function useRememberedAnswers(aircraft: AircraftId): readonly [DirectionAnswers, (answers: DirectionAnswers) => void] {
  const place = `directions ${aircraft}`;
  const [answers, setAnswers] = useState<DirectionAnswers>(() => answersIn(sessionStorage.getItem(place)));
  const save = (next: DirectionAnswers): void => {
    sessionStorage.setItem(place, JSON.stringify(next));
    setAnswers(next);
  };
  return [answers, save];
}

/** Whatever is not an answer is left out. */
function answersIn(text: string | null): DirectionAnswers {
  if (text === null) return {};
  try {
    const parsed: unknown = JSON.parse(text);
    if (typeof parsed !== 'object' || parsed === null) return {};
    return Object.fromEntries(
      Object.entries(parsed).flatMap(([key, value]: [string, unknown]) => (typeof value === 'string' ? [[key, value]] : [])),
    );
  } catch {
    return {};
  }
}
