import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS, isLiftFunction } from '../../model/outputFunctions.ts';
import { isPulseKind, PULSE_KINDS, pulseWords, type BankUse } from '../../model/outputPlan.ts';
import { consumerName, type Consumer } from '../../outputs/plan/consumers.ts';
import { LIFT_LEAST_HZ } from '../../outputs/plan/functionSeekers.ts';
import { racksOf, sharedWords, type Bank, type Rack, type Slot } from '../../outputs/plan/racks.ts';
import { stated } from '../../text/numbers.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Evidence, Remedy, Saying } from '../finding.ts';
import { planRemedies, slotName, slotSubject } from './outputSubjects.ts';

/** What hangs on a bank, slot by slot. */
interface Listener {
  readonly slot: Slot;
  readonly consumer: Consumer;
}

interface PlannedBank {
  readonly rack: Rack;
  readonly bank: Bank;
  readonly use: BankUse;
  readonly listeners: readonly Listener[];
}

function plannedBanks(graph: Graph): readonly PlannedBank[] {
  return racksOf(graph).flatMap((rack) =>
    rack.banks.flatMap((bank): PlannedBank[] => {
      if (bank.use === undefined) return [];
      // What has no function gets no pulses.
      const listeners = bank.slots.flatMap((slot) => (slot.use === undefined ? [] : slot.on.map((consumer) => ({ slot, consumer }))));
      return [{ rack, bank, use: bank.use, listeners }];
    }),
  );
}

/** Faster than a servo bears: analog ones burn. */
export const rateTooFast: Check = {
  id: 'output.rate-too-fast',
  stage: 'outputs',
  title: 'Pulse rate too high for a servo',
  run: ({ graph }) =>
    plannedBanks(graph).flatMap(({ rack, bank, use, listeners }): Saying[] => {
      const { rateHz } = use;
      if (rateHz === undefined) return [];
      const over = listeners.filter(
        ({ consumer: { input } }) => input.use !== 'motor' && input.kinds.includes(use.kind) && rateHz > input.rateHz[1],
      );
      return over.map(({ slot, consumer }) => ({
        severity: 'stop',
        where: [slotSubject(graph, slot)],
        what: `${consumerName(consumer)} on ${slotName(graph, slot)} gets ${stated(rateHz, 'Hz')}, above its limit of ${stated(consumer.input.rateHz[1], 'Hz')}.`,
        evidence: [{ label: `bank ${bank.id}`, value: stated(rateHz, 'Hz'), limit: stated(consumer.input.rateHz[1], 'Hz') }],
        why: 'An analog servo overheats and burns within minutes.',
        remedies: () => [...slower(rack, bank, use, listeners), ...planRemedies(graph, rack)],
      }));
    }),
};

/** Outputs of one bank that need other pulses. */
export const bankRate: Check = {
  id: 'output.bank-rate',
  stage: 'outputs',
  title: 'Output bank does not suit its parts',
  run: ({ graph }) =>
    plannedBanks(graph).flatMap(({ rack, bank, use, listeners }): Saying[] => {
      const deaf = listeners.filter(({ consumer: { input } }) => !input.kinds.includes(use.kind));
      const { rateHz } = use;
      // A servo that gets too much is a matter of its own, and worse.
      const off = listeners.filter(
        ({ slot, consumer: { input } }) =>
          rateHz !== undefined &&
          input.kinds.includes(use.kind) &&
          (rateHz < leastOf(slot, input) || (input.use === 'motor' && rateHz > input.rateHz[1])),
      );
      const all = [...deaf, ...off];
      if (all.length === 0) return [];
      const isSlowLift = off.some(
        ({ slot }) => slot.use !== undefined && isLiftFunction(slot.use.function) && (rateHz ?? 0) < LIFT_LEAST_HZ,
      );
      return [
        {
          severity: isSlowLift ? 'stop' : 'mend',
          where: all.map(({ slot }) => slotSubject(graph, slot)),
          what: `Bank ${bank.id} of ${rack.entry.item.ref} gives ${pulseWords(use)}, which ${listed(all.map(({ consumer }) => consumerName(consumer)))} ${all.length === 1 ? 'does' : 'do'} not accept.`,
          evidence: all.map((listener) => evidenceOf(use, listener)),
          why: isSlowLift
            ? 'Lift motors respond too late to hold the frame level.'
            : 'The parts on it do not move, or not correctly. All outputs of a bank give the same pulses.',
          discriminator: bank.id,
          remedies: () => [...slower(rack, bank, use, listeners), ...planRemedies(graph, rack)],
        },
      ];
    }),
};

function leastOf({ use }: Slot, { rateHz }: Consumer['input']): number {
  return use !== undefined && isLiftFunction(use.function) ? Math.max(rateHz[0], LIFT_LEAST_HZ) : rateHz[0];
}

function evidenceOf(use: BankUse, { slot, consumer: { input, entry } }: Listener): Evidence {
  const label = `${entry.item.ref} on ${slot.label}`;
  if (!input.kinds.includes(use.kind)) {
    const kinds = input.kinds.flatMap((kind) => (isPulseKind(kind) ? [PULSE_KINDS[kind].title] : []));
    return { label, value: PULSE_KINDS[use.kind].title, limit: listed(kinds) };
  }
  const [, most] = input.rateHz;
  const least = leastOf(slot, input);
  const rate = use.rateHz ?? 0;
  return { label, value: stated(rate, 'Hz'), limit: rate < least ? `${stated(least, 'Hz')} at least` : `${stated(most, 'Hz')} at most` };
}

/** PWM at the rate of the slowest, where all on the bank bear that. */
function slower({ entry }: Rack, bank: Bank, use: BankUse, listeners: readonly Listener[]): Remedy[] {
  const most = Math.min(...listeners.map(({ consumer }) => consumer.input.rateHz[1]));
  const least = Math.max(...listeners.map(({ slot, consumer }) => leastOf(slot, consumer.input)));
  const canAll =
    listeners.every(({ consumer }) => consumer.input.kinds.includes('pwm')) && bank.slots.every(({ kinds }) => kinds.includes('pwm'));
  if (!canAll || most < least || (use.kind === 'pwm' && use.rateHz === most)) return [];
  const was = { kind: use.kind, ...(use.rateHz === undefined ? {} : { rateHz: use.rateHz }) };
  return [
    {
      label: `Bank ${bank.id} at ${stated(most, 'Hz')}`,
      sentence: `Set bank ${bank.id} to PWM at ${stated(most, 'Hz')}, which everything on it accepts.`,
      edit: { kind: 'set-bank', item: entry.item.id, bank: bank.id, value: { kind: 'pwm', rateHz: most }, was },
    },
  ];
}

/** Pulses that an output cannot make, or a pin that is something else. */
export const kindUnsupported: Check = {
  id: 'output.kind-unsupported',
  stage: 'outputs',
  title: 'Output cannot give its pulses',
  run: ({ graph }) =>
    racksOf(graph).flatMap((rack) =>
      rack.banks.flatMap((bank): Saying[] => {
        const { use } = bank;
        return bank.slots.flatMap((slot): Saying[] => {
          if (slot.use === undefined) return [];
          const { title } = OUTPUT_FUNCTIONS[slot.use.function];
          const isUnable = use !== undefined && !slot.kinds.includes(use.kind);
          if (!isUnable && slot.sharedWith === undefined) return [];
          const made = listed(slot.kinds.map((kind) => PULSE_KINDS[kind].title));
          return [
            {
              severity: 'mend',
              where: [slotSubject(graph, slot)],
              what: isUnable
                ? `${slotName(graph, slot)} cannot give ${PULSE_KINDS[use.kind].title}, which bank ${bank.id} is planned for.`
                : `${slotName(graph, slot)} has the function "${title}" and cannot have it. ${slot.sharedWith === undefined ? '' : sharedWords(slot.sharedWith)}`,
              evidence: [{ label: slotName(graph, slot), value: isUnable ? PULSE_KINDS[use.kind].title : title, limit: made }],
              why: 'No pulses come out there.',
              remedies: () => planRemedies(graph, rack),
            },
          ];
        });
      }),
    ),
};
