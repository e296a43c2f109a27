import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import type { LossSignal } from '../../model/endpoint.ts';
import { ACTION_NEEDS, isLossAction, LOSS_ACTIONS, lossActions, type LossAction } from '../../model/lossActions.ts';
import { isRcBegun } from '../../model/rcPlan.ts';
import { missingNeeds } from '../../rc/failsafe/actionNeeds.ts';
import { lossBasis, type LossPath } from '../../rc/failsafe/lossPath.ts';
import { lossVerdicts, type LossVerdict } from '../../rc/failsafe/lossVerdict.ts';
import { throttleMargin, THRESHOLD_MARGIN_US } from '../../rc/failsafe/throttleMargin.ts';
import { hovers } from '../../model/airframes.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import type { Check, Evidence, Remedy, Saying, Subject } from '../finding.ts';
import { rcController, rcSubjects } from '../helpers/rcSubjects.ts';
import { graphAfter } from '../helpers/tryEdit.ts';

/** The loss of the signal is not noticed, not known, not seen yet, or nothing follows from it. */
export const failsafe: Check = {
  id: 'rc.failsafe',
  stage: 'links',
  title: 'Loss of signal',
  run: ({ graph }) => {
    if (!isRcBegun(graph.design.aircraft.rc)) return [];
    const verdicts = lossVerdicts(graph);
    if (verdicts.length === 0) return [];
    return [...verdicts.flatMap((verdict) => lossSaying(graph, verdict)), ...actionSayings(graph), ...marginSaying(graph)];
  },
};

const SIGNAL_WORDS: Readonly<Record<LossSignal, string>> = {
  flag: 'a flag in its frames',
  'no-frames': 'no more frames',
  preset: 'preset channels',
  none: 'the last channels, as if the signal were there',
};

/** What is sent when the signal is lost, in words. */
export function lossWords(signal: LossSignal | undefined): string {
  return signal === undefined ? 'not known' : SIGNAL_WORDS[signal];
}

function pathEvidence({ steps }: LossPath): Evidence[] {
  return steps.map(({ name, signal }) => ({ label: name, value: lossWords(signal) }));
}

function lossSaying(graph: Graph, { path, is, presetUs, thresholdUs }: LossVerdict): Saying[] {
  const { input, source } = path.feed;
  const item = source.entry.item;
  const where: Subject[] = [
    { is: 'item', item: item.id },
    { is: 'item', item: input.entry.item.id },
  ];
  const [receiver, board] = [item.ref, input.entry.item.ref];
  const shared = { where, evidence: pathEvidence(path), discriminator: `loss ${input.signal.id}` };
  const lastStep = path.steps.find(({ signal }) => signal === path.arrives);
  switch (is) {
    case 'noticed':
      return path.seen !== undefined ? [] : [notSeen(graph, path, shared)];
    case 'not-noticed':
      return [
        {
          ...shared,
          severity: 'stop',
          what: `${board} does not detect loss of signal: ${lastStep?.name ?? receiver} keeps sending the last channels.`,
          why: 'The aircraft flies on with the last stick positions until it crashes.',
          remedies: () => otherSettings(graph, path),
        },
      ];
    case 'preset-above':
      return [
        {
          ...shared,
          severity: 'stop',
          what:
            thresholdUs === undefined
              ? `${board} does not detect loss of signal: ${receiver} sends preset channels, and the firmware does not check the throttle.`
              : `${board} does not detect loss of signal: the preset throttle of ${receiver} is ${stated(presetUs ?? 0, 'us')}, not below the threshold of ${stated(thresholdUs, 'us')}.`,
          evidence: [
            ...pathEvidence(path),
            ...(thresholdUs === undefined
              ? []
              : [{ label: 'preset throttle', value: stated(presetUs ?? 0, 'us'), limit: stated(thresholdUs, 'us') }]),
          ],
          why: "Preset channels look like a pilot's commands: the aircraft flies on with them.",
          remedies: () => [...lowerPreset(path, thresholdUs), ...otherSettings(graph, path)],
        },
      ];
    case 'unknown':
      return [
        {
          ...shared,
          severity: 'mend',
          what: `What ${receiver} does when the signal is lost is not known${presetUs === undefined && path.arrives === 'preset' ? ': its preset throttle is not set' : ''}.`,
          why: 'A receiver that holds its last channels without reporting it causes a fly-away.',
          remedies: () => lowerPreset(path, thresholdUs),
        },
      ];
  }
}

function notSeen(graph: Graph, path: LossPath, shared: Pick<Saying, 'where' | 'evidence' | 'discriminator'>): Saying {
  const { item } = path.feed.source.entry;
  const told = path.steps[0]?.signal;
  return {
    ...shared,
    severity: 'mend',
    what: `What ${item.ref} does when the signal is lost has not been tested since it was set up.`,
    why: 'A receiver that holds its last channels without reporting it causes a fly-away.',
    remedies: () =>
      told === undefined
        ? []
        : [
            {
              label: 'Tested: it reports the loss',
              sentence: `With the propellers off, the transmitter was switched off, and the controller reported loss of signal: record that ${item.ref} sends ${lossWords(told)}.`,
              edit: {
                kind: 'set-seen-loss',
                item: item.id,
                value: { signal: told, basis: lossBasis(item) },
                was: graph.design.aircraft.rc.seen[item.id] ?? null,
              },
            },
          ],
  };
}

/** Other values of the settings of what is on the way, by which the loss is noticed. */
function otherSettings(graph: Graph, path: LossPath): Remedy[] {
  const items = [...new Set(path.steps.map(({ item }) => item))];
  return items.flatMap((ix) => {
    const entry = graph.items[ix];
    const part = entry === undefined ? undefined : graph.design.parts.get(entry.item.part);
    return (part?.settings ?? []).flatMap((spec): Remedy[] => {
      if (entry === undefined || spec.is !== 'choice') return [];
      const { item } = entry;
      return spec.choices.flatMap(({ value, label }): Remedy[] => {
        const edit: Edit = { kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: item.settings[spec.id] ?? null };
        const after = graphAfter(graph, edit);
        const isNoticed = after !== undefined && lossVerdicts(after).length > 0 && lossVerdicts(after).every((one) => one.is === 'noticed');
        return isNoticed
          ? [
              {
                label: `Set ${item.ref} to "${label}"`,
                sentence: `Set "${spec.label}" of ${item.ref} to "${label}", then test it.`,
                edit,
              },
            ]
          : [];
      });
    });
  });
}

/** So far below the threshold a preset throttle is safe from rounding. */
const PRESET_BELOW_US = 45;

function lowerPreset({ feed, arrives }: LossPath, thresholdUs: number | undefined): Remedy[] {
  if (arrives !== 'preset' || thresholdUs === undefined) return [];
  const { item } = feed.source.entry;
  const setting = 'preset-throttle';
  const value = Math.max(800, thresholdUs - PRESET_BELOW_US);
  return [
    {
      label: `Preset throttle ${value} us`,
      sentence: `Set the failsafe of ${item.ref} again with throttle and trim down, so that it sends ${value} us, and check the value at the controller.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null },
    },
  ];
}

function actionSayings(graph: Graph): Saying[] {
  const { rc, airframe } = graph.design.aircraft;
  const chosen = rc.choices.onLoss;
  const board = rcController(graph);
  const known = dialectOf(graph.design)?.failsafe?.actions;
  const remedies = (): Remedy[] => actionRemedies(graph, chosen ?? null);
  const shared = { severity: 'mend', where: rcSubjects(graph), discriminator: 'action', remedies } as const;
  if (chosen === undefined || !isLossAction(chosen))
    return [
      {
        ...shared,
        what: `No action of ${board} is planned for loss of signal.`,
        why: 'It does what its firmware does by default.',
      },
    ];
  const { title } = LOSS_ACTIONS[chosen];
  if (known !== undefined && known[chosen] === undefined)
    return [
      {
        ...shared,
        what: `On loss of signal, ${board} is planned to do what its firmware cannot: it ${title}.`,
        why: 'This setting cannot be loaded.',
      },
    ];
  if (chosen === 'nothing' || (chosen === 'motor-stop' && hovers(airframe.kind)))
    return [{ ...shared, what: `On loss of signal, ${board} ${title}.`, why: 'Nothing flies the aircraft then.' }];
  const missing = missingNeeds(graph, chosen);
  if (missing.length === 0) return [];
  return [
    {
      ...shared,
      what: `On loss of signal, ${board} ${title}, and nothing gives it a ${listed(missing.map((need) => ACTION_NEEDS[need]))}.`,
      why: 'Without it the firmware does something else, or nothing.',
    },
  ];
}

/** Actions that the firmware has, that need nothing which is not there, and under which the aircraft is flown; the way home first. */
function actionRemedies(graph: Graph, was: string | null): Remedy[] {
  const known = dialectOf(graph.design)?.failsafe?.actions;
  const hover = hovers(graph.design.aircraft.airframe.kind);
  const order: readonly LossAction[] = ['return', hover ? 'land' : 'descend', ...lossActions];
  const fitting = [...new Set(order)].filter(
    (action) =>
      action !== was &&
      LOSS_ACTIONS[action].flies &&
      (known === undefined || known[action] !== undefined) &&
      (action !== 'land' || hover) &&
      (action !== 'descend' || !hover) &&
      missingNeeds(graph, action).length === 0,
  );
  return fitting.slice(0, 2).map((action) => ({
    label: `It ${LOSS_ACTIONS[action].title}`,
    sentence: `On loss of signal, the controller ${LOSS_ACTIONS[action].title}.`,
    edit: { kind: 'set-rc-choice', choice: 'onLoss', value: action, was },
  }));
}

/** A throttle at rest that is taken for a lost signal. */
function marginSaying(graph: Graph): Saying[] {
  const { thresholdUs, lowestUs, isMeasured } = throttleMargin(graph.design);
  if (thresholdUs === undefined || lowestUs === undefined || lowestUs - thresholdUs >= THRESHOLD_MARGIN_US) return [];
  const value = Math.max(800, Math.floor(lowestUs - PRESET_BELOW_US));
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `The lowest throttle, ${stated(Math.round(lowestUs), 'us')}, is ${lowestUs <= thresholdUs ? 'not above' : `only ${stated(Math.round(lowestUs - thresholdUs), 'us')} above`} the threshold for loss of signal.`,
      evidence: [
        {
          label: isMeasured ? 'lowest throttle, measured' : 'lowest throttle, planned',
          value: stated(Math.round(lowestUs), 'us'),
          limit: stated(thresholdUs + THRESHOLD_MARGIN_US, 'us'),
        },
      ],
      why: 'With the throttle closed the controller reports loss of signal.',
      discriminator: 'threshold',
      remedies: () => [
        {
          label: `Threshold ${value} us`,
          sentence: `Set the throttle threshold to ${value} us.`,
          edit: {
            kind: 'set-rc-figure',
            figure: 'throttleThresholdUs',
            value,
            was: graph.design.aircraft.rc.figures.throttleThresholdUs ?? null,
          },
        },
      ],
    },
  ];
}
