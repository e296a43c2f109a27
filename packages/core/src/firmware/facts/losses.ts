import type { FactFamilyId } from '../../model/firmwareFacts.ts';
import { isValueOf, RC_CHOICES, RC_FIGURES, rcChoices, rcFigures, type RcChoice, type RcFigure } from '../../model/rcWords.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, type Fact, type FactSource, type Source } from './factRow.ts';

/** Facts of which each is a figure or a choice of the RC plan, by the field. */
function saidInPlan(family: FactFamilyId, what: string, fields: Readonly<Record<string, RcChoice | RcFigure>>): FactSource {
  return {
    family,
    rows: (scope) => [
      {
        keys: {},
        what,
        from: [],
        tags: ['used'],
        facts: Object.fromEntries(Object.entries(fields).map(([field, word]) => [field, saidOf(scope, word)])),
      },
    ],
    take: ({ graph }, { field, value }) => {
      const { choices, figures } = graph.design.aircraft.rc;
      const word = Object.hasOwn(fields, field) ? fields[field] : undefined;
      if (word === undefined) return undefined;
      if (isChoice(word))
        return typeof value === 'string' && isValueOf(word, value)
          ? { kind: 'set-rc-choice', choice: word, value, was: choices[word] ?? null }
          : undefined;
      return typeof value === 'number' ? { kind: 'set-rc-figure', figure: word, value, was: figures[word] ?? null } : undefined;
    },
  };
}

function saidOf({ graph }: FirmwareScope, word: RcChoice | RcFigure): Fact | undefined {
  const { choices, figures } = graph.design.aircraft.rc;
  if (isChoice(word)) return fact(choices[word], source('choices', word, RC_CHOICES[word].title));
  return fact(figures[word], source('figures', word, RC_FIGURES[word].title));
}

function source(record: 'choices' | 'figures', word: string, words: string): Source {
  return { path: ['rc', record, word], words };
}

function isChoice(word: RcChoice | RcFigure): word is RcChoice {
  return rcChoices.some((one) => one === word) && !rcFigures.some((one) => one === word);
}

export const lossFacts = saidInPlan('loss', 'action on loss of signal', {
  action: 'onLoss',
  delayS: 'lossDelayS',
  thresholdUs: 'throttleThresholdUs',
  returnHeightM: 'returnHeightM',
  back: 'back',
});

export const groundLossFacts = saidInPlan('ground-loss', 'action on loss of the ground link', {
  action: 'onGroundLoss',
  delayS: 'groundDelayS',
});

export const lowPackFacts = saidInPlan('low-pack', 'action on a low pack', {
  action: 'onLowBattery',
  volts: 'batteryVolts',
  mah: 'batteryMah',
});
