import { fieldOf } from '../model/firmwareFacts.ts';
import { stated } from '../text/numbers.ts';
import type { FactValue, RowsOf, Source } from './facts/factRow.ts';
import type { FirmwareScope } from './scope.ts';
import { encode } from './text/coding.ts';

/** One thing to press on a board that takes no text. */
export interface PressStep {
  readonly what: string;
  readonly title: string;
  readonly value: FactValue;
  /** What to do, as a sentence. */
  readonly text: string;
  /** What confirms it. */
  readonly light: string;
  readonly from: readonly Source[];
}

const PLAIN = { name: '', times: 1, plus: 0, digits: 0, signed: false, otherwise: undefined } as const;

/** What is pressed, how long and how often, for each fact that the dialect has a button for. */
export function pressSteps(scope: FirmwareScope, rows: RowsOf): readonly PressStep[] {
  return (scope.text.pressed?.steps ?? []).flatMap(({ of, field, button, seconds, presses, light }) =>
    rows(of).flatMap((row): PressStep[] => {
      const fact = row.facts[field];
      const spec = fieldOf(of, field);
      const code = fact === undefined || spec === undefined ? undefined : encode(scope, spec.coding, { ...PLAIN, name: field }, fact.value);
      if (fact === undefined || spec === undefined || code === undefined) return [];
      const times = presses !== undefined && Object.hasOwn(presses, code) ? presses[code] : undefined;
      if (presses !== undefined && times === undefined) return [];
      const held = seconds === undefined ? '' : ` for ${stated(seconds, 's')}`;
      const often = times === undefined ? '' : times === 1 ? ' once' : ` ${times} times`;
      return [
        {
          what: row.what,
          title: spec.title,
          value: fact.value,
          text: `${seconds === undefined ? 'Press' : 'Hold'} ${button}${held}${often}.`,
          light,
          from: [...row.from, ...fact.from],
        },
      ];
    }),
  );
}
