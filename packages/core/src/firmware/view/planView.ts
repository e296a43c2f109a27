import { uniqBy } from 'es-toolkit';
import type { Graph } from '../../graph/graph.ts';
import { fieldOf } from '../../model/firmwareFacts.ts';
import type { ItemId } from '../../model/ids.ts';
import { configText, passTexts } from '../configText.ts';
import type { ConfigLine } from '../configLine.ts';
import { configurationOf, type Configuration } from '../configuration.ts';
import type { PressStep } from '../pressed.ts';
import { configurable, NO_SCOPE, plannedTarget, scopeOf, type NoScope } from '../scope.ts';
import { valueWords } from '../valueWords.ts';
import { leadsTo, type DecidedAt } from './decidedAt.ts';

/** One line to load, as plain values to show. */
export interface PlanLine {
  readonly name: string;
  readonly text: string;
  /** As it follows from the aircraft, where the line is kept otherwise. */
  readonly derived: string | undefined;
  /** What it is about, and what it says. */
  readonly what: string;
  readonly words: string;
  /** Why it is so: what it rests on, with where that is decided. */
  readonly reasons: readonly { readonly words: string; readonly place: DecidedAt | undefined }[];
  readonly isDelivered: boolean;
}

export interface PlanSection {
  readonly id: string;
  readonly title: string;
  readonly lines: readonly PlanLine[];
}

/** The configuration of a controller as plain values. */
export interface PlanView {
  readonly is: 'plan';
  readonly controller: { readonly id: ItemId; readonly ref: string };
  /** All controllers, to choose another one. */
  readonly controllers: readonly { readonly id: ItemId; readonly ref: string }[];
  readonly dialect: string;
  readonly target: string | undefined;
  readonly version: string | undefined;
  /** The sections of each pass that have lines. */
  readonly passes: readonly (readonly PlanSection[])[];
  readonly texts: { readonly complete: readonly string[]; readonly differences: readonly string[] };
  readonly file: string;
  readonly extra: readonly string[];
  /** What the dialect has no code for, each as a sentence. */
  readonly leftOut: readonly string[];
  readonly unmet: readonly string[];
  readonly byHand: Configuration['byHand'];
  readonly pressed: readonly PressStep[];
}

export type NoPlan = { readonly is: NoScope; readonly sentence: string };

/** What to load into a controller; where there is nothing, why. @param controller the main one where none is named */
export function planView(graph: Graph, controller?: ItemId): PlanView | NoPlan {
  const scope = scopeOf(graph, controller);
  if (typeof scope === 'string') return { is: scope, sentence: NO_SCOPE[scope] };
  const configuration = configurationOf(scope);
  const { entry, dialect } = scope;
  const named = ({ item }: { readonly item: { readonly id: ItemId; readonly ref: string } }) => ({ id: item.id, ref: item.ref });
  return {
    is: 'plan',
    controller: named(entry),
    controllers: configurable(graph).map(named),
    dialect: dialect.name,
    target: plannedTarget(graph, entry),
    version: graph.design.aircraft.firmware.facts.version,
    passes: passSections(configuration),
    texts: { complete: passTexts(configuration, 'complete'), differences: passTexts(configuration, 'differences') },
    file: configText(configuration),
    extra: configuration.extra.map(({ text }) => text),
    leftOut: configuration.leftOut.map(({ what, title, words }) => `${what}: ${dialect.name} has no code for ${title} ${words}.`),
    unmet: configuration.unmet.map(
      ({ line, prerequisite }) =>
        `"${line.text}" needs ${prerequisite.title}, and nothing turns that on.${prerequisite.byHand === undefined ? '' : ` ${prerequisite.byHand}`}`,
    ),
    byHand: configuration.byHand,
    pressed: configuration.pressed,
  };
}

function passSections({ lines, passes, scope }: Configuration): readonly (readonly PlanSection[])[] {
  return Array.from({ length: passes }, (_, i) =>
    scope.text.sections.flatMap((section): PlanSection[] => {
      const own = lines.filter((line) => line.pass === i + 1 && line.section === section);
      return own.length === 0 ? [] : [{ id: section.id, title: section.title, lines: own.map(planLine) }];
    }),
  );
}

function planLine(line: ConfigLine): PlanLine {
  const { name, text, derived, row, isDelivered } = line;
  return {
    name,
    text,
    derived: text === derived ? undefined : derived,
    what: row.what,
    words: lineWords(line),
    reasons: uniqBy(line.from, ({ words }) => words).map(({ path, words }) => ({ words, place: leadsTo(path) })),
    isDelivered,
  };
}

/** What a line says, field by field. */
export function lineWords({ family, values }: Pick<ConfigLine, 'family' | 'values'>): string {
  return values
    .map(({ field, title, value, code }) => {
      const spec = fieldOf(family, field);
      return `${title} ${value === undefined || spec === undefined ? code : valueWords(spec.coding, value)}`;
    })
    .join(', ');
}
