import { describe, expect, it } from '@jest/globals';
import { clockText, dayText, momentText } from './dates.ts';
import { listed } from './lists.ts';

describe('lists and days in words', () => {
  it('have commas, and a word before the last', () => {
    expect([[], ['A'], ['A', 'B'], ['A', 'B', 'C']].map((words) => listed(words))).toEqual(['', 'A', 'A and B', 'A, B and C']);
    expect(listed(['A', 'B', 'C'], 'or')).toBe('A, B or C');
  });

  it('have the day before the month by name', () => {
    const at = new Date(2026, 10, 28, 14, 5);
    expect(dayText(at.toISOString())).toBe('28 Nov 2026');
    expect(momentText(at.getTime())).toBe('28 Nov 2026, 14:05');
    expect(clockText(at.getTime())).toBe('14:05');
  });
});
