import { requiredFunctions } from '../../model/airframes.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { RC_CHOICES } from '../../model/rcWords.ts';
import type { Check } from '../finding.ts';
import { rcController, rcSubjects } from '../helpers/rcSubjects.ts';

/** Surfaces that the controller mixes for. */
const MIXED: readonly OutputFunction[] = ['elevon-left', 'elevon-right', 'v-tail-left', 'v-tail-right'];

/** The radio mixes, and the controller does too. */
export const doubleMixing: Check = {
  id: 'rc.double-mixing',
  stage: 'links',
  title: 'Mixed twice',
  run: ({ graph }) => {
    const { rc, airframe, outputs } = graph.design.aircraft;
    const { radioMixes = 'plain' } = rc.choices;
    if (radioMixes === 'plain') return [];
    const used = Object.values(outputs).map((use) => use.function);
    const mixes = [...requiredFunctions(airframe.kind), ...used].some((name) => MIXED.includes(name));
    const where = rcSubjects(graph);
    if (where.length === 0) return [];
    const mix = RC_CHOICES.radioMixes.values[radioMixes] ?? radioMixes;
    return [
      {
        severity: 'mend',
        where,
        what: mixes
          ? `The radio mixes ${mix}, and ${rcController(graph)} mixes the same surfaces again.`
          : `The radio mixes ${mix}, and ${rcController(graph)} reads its channels as roll, pitch and yaw.`,
        evidence: [{ label: 'radio', value: mix, limit: 'plain channels' }],
        why: 'Each surface follows one stick only, or moves twice as far, and stabilisation does not know which axis it moves.',
        remedies: () => [
          {
            label: 'Plain channels',
            sentence: 'Set up the model in the radio again with plain channels: the controller mixes.',
            edit: { kind: 'set-rc-choice', choice: 'radioMixes', value: 'plain', was: radioMixes },
          },
        ],
      },
    ];
  },
};
