import {
  mixFigures,
  MIX_FIGURES,
  isMixFigure,
  isPulseKind,
  PULSE_KINDS,
  travelOf,
  USUAL_TRAVEL,
  type OutputTravel,
} from '../../model/outputPlan.ts';
import { OUTPUT_FUNCTIONS, isOutputFunction } from '../../model/outputFunctions.ts';
import { mixerOf } from '../../outputs/mixing/mixerOf.ts';
import { racksOf, slotsIn, type Rack } from '../../outputs/plan/racks.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, yesOrNo, type FactRow, type FactSource, type Source } from './factRow.ts';

function rackOf({ graph, index }: FirmwareScope): Rack | undefined {
  return racksOf(graph).find(({ item }) => item === index);
}

/** What the outputs of each bank make. */
export const bankFacts: FactSource = {
  family: 'bank',
  rows: (scope) =>
    (rackOf(scope)?.banks ?? []).map((bank): FactRow => {
      const from: Source = { path: ['banks', bank.key], words: `pulses of bank ${bank.id}` };
      return {
        keys: { bank: bank.id },
        what: `${scope.entry.item.ref} bank ${bank.id}`,
        from: [],
        tags: [bank.use === undefined ? 'unused' : 'used'],
        facts: {
          kind: fact(bank.use?.kind, from),
          rateHz: fact(bank.use !== undefined && PULSE_KINDS[bank.use.kind].hasRate ? bank.use.rateHz : undefined, from),
        },
      };
    }),
  take: (scope, { keys, field, value }) => {
    const bank = rackOf(scope)?.banks.find(({ id }) => id === keys['bank']);
    if (bank === undefined) return undefined;
    const { kind, rateHz } = bank.use ?? {};
    const was = kind === undefined ? null : { kind, ...(rateHz === undefined ? {} : { rateHz }) };
    const edit = { kind: 'set-bank', item: scope.entry.item.id, bank: bank.id, was } as const;
    if (field === 'kind' && typeof value === 'string' && isPulseKind(value))
      return { ...edit, value: { kind: value, ...(PULSE_KINDS[value].hasRate ? { rateHz: rateHz ?? 50 } : {}) } };
    // What has a rate and no kind yet is PWM, as delivered.
    if (field === 'rateHz' && typeof value === 'number') return { ...edit, value: { kind: kind ?? 'pwm', rateHz: value } };
    return undefined;
  },
};

/** What each output is for, and how far its pulses go. */
export const outputFacts: FactSource = {
  family: 'output',
  rows: (scope) =>
    slotsOf(scope).map(({ key, label, output, use }): FactRow => {
      const from: Source = { path: ['outputs', key, 'function'], words: `function of ${label}` };
      const travel = (end: keyof OutputTravel): Source => ({ path: ['outputs', key, end], words: `travel of ${label}` });
      const us = (end: 'minUs' | 'trimUs' | 'maxUs') => (use === undefined ? undefined : fact(use[end] ?? USUAL_TRAVEL[end], travel(end)));
      return {
        keys: { output: output.id },
        what: `${scope.entry.item.ref} ${label}${use === undefined ? '' : `, ${OUTPUT_FUNCTIONS[use.function].title}`}`,
        from: [],
        tags: [use === undefined ? 'unused' : 'used'],
        facts: {
          function: fact(use?.function ?? 'none', from),
          minUs: us('minUs'),
          trimUs: us('trimUs'),
          maxUs: us('maxUs'),
          reversed: use === undefined ? undefined : fact(yesOrNo(use.reversed === true), travel('reversed')),
        },
      };
    }),
  take: (scope, { keys, field, value }) => {
    const slot = slotsOf(scope).find(({ output }) => output.id === keys['output']);
    if (slot === undefined) return undefined;
    const place = { item: scope.entry.item.id, output: slot.output.id };
    if (field === 'function') {
      if (value !== 'none' && !(typeof value === 'string' && isOutputFunction(value))) return undefined;
      return { kind: 'set-output-function', ...place, function: value === 'none' ? null : value, was: slot.use?.function ?? null };
    }
    if (slot.use === undefined) return undefined;
    const was = travelOf(slot.use);
    const now = travelWith(was, field, value);
    return now === undefined ? undefined : { kind: 'set-output-travel', ...place, value: now, was };
  },
};

/** The travel with one end changed; what is usual is left unsaid. */
function travelWith(was: OutputTravel, field: string, value: string | number): OutputTravel | undefined {
  if (field === 'reversed') {
    const { reversed: _was, ...rest } = was;
    return value === 'yes' ? { ...rest, reversed: true } : rest;
  }
  if ((field !== 'minUs' && field !== 'trimUs' && field !== 'maxUs') || typeof value !== 'number') return undefined;
  const { [field]: _end, ...rest } = was;
  return value === USUAL_TRAVEL[field] ? rest : { ...rest, [field]: value };
}

function slotsOf(scope: FirmwareScope) {
  const rack = rackOf(scope);
  return rack === undefined ? [] : slotsIn(rack);
}

/** How each output that is used follows the commands. */
export const mixerFacts: FactSource = {
  family: 'mixer',
  rows: (scope) => {
    const rows = new Map(mixerOf(scope.graph.design).map((row) => [row.function, row]));
    return slotsOf(scope).flatMap(({ key, label, output, use }): FactRow[] => {
      const row = use === undefined ? undefined : rows.get(use.function);
      if (use === undefined || row === undefined) return [];
      const from: readonly Source[] = [
        { path: ['outputs', key, 'function'], words: `function of ${label}` },
        { path: ['mixing'], words: 'the mixer' },
        { path: ['airframe'], words: 'the airframe' },
      ];
      const share = (command: 'roll' | 'pitch' | 'yaw' | 'throttle' | 'lift' | 'flap') => fact(row.weights[command] ?? 0, ...from);
      return [
        {
          keys: { output: output.id },
          what: `${scope.entry.item.ref} ${label}, ${OUTPUT_FUNCTIONS[use.function].title}`,
          from,
          tags: ['used'],
          facts: {
            roll: share('roll'),
            pitch: share('pitch'),
            yaw: share('yaw'),
            throttle: share('throttle'),
            lift: share('lift'),
            flap: share('flap'),
          },
        },
      ];
    });
  },
};

/** The figures of the mixer that a person has set. */
export const mixFacts: FactSource = {
  family: 'mix',
  rows: ({ graph }) =>
    mixFigures.flatMap((figure): FactRow[] => {
      const share = graph.design.aircraft.mixing[figure];
      if (share === undefined) return [];
      const from: Source = { path: ['mixing', figure], words: MIX_FIGURES[figure].title };
      return [{ keys: { figure }, what: MIX_FIGURES[figure].title, from: [from], tags: ['used'], facts: { share: fact(share, from) } }];
    }),
  take: ({ graph }, { keys, value }) => {
    const figure = String(keys['figure']);
    if (!isMixFigure(figure) || typeof value !== 'number') return undefined;
    return { kind: 'set-mix-figure', figure, value, was: graph.design.aircraft.mixing[figure] ?? null };
  },
};
