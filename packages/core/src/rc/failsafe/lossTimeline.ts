import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import { ACTION_NEEDS, isLossAction, LOSS_ACTIONS, type LossAction } from '../../model/lossActions.ts';
import { RC_CHOICES } from '../../model/rcWords.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import { rcOutOf } from '../rcFeeds.ts';
import { lossVerdicts, type LossVerdict } from './lossVerdict.ts';

/** What somebody or something does for a while. Times in seconds from the loss of the signal. */
export interface TimelineSpan {
  readonly fromS: number;
  readonly toS: number;
  readonly words: string;
  /** `waits`: nothing has changed yet; `acts`: it does something; `control`: the pilot flies; `wrong`: the loss is not noticed. */
  readonly is: 'waits' | 'acts' | 'control' | 'wrong';
}

export interface TimelineLane {
  readonly who: string;
  readonly spans: readonly TimelineSpan[];
}

/** What happens after the signal is lost, lane by lane; times are to scale. */
export interface LossTimeline {
  readonly lanes: readonly TimelineLane[];
  readonly endS: number;
  /** The times at which something changes, rising. */
  readonly marksS: readonly number[];
}

/** Where a part does not say how long it takes. */
const USUAL_SAYS_AFTER_S = 0.5;
/** For a picture: the signal comes back so long after the first action, and the pilot takes over so much later. */
const BACK_AFTER_S = 4;
const HAND_AFTER_S = 1;
const SHOWN_AFTER_S = 3;

/** When a controller acts on a lost signal, in seconds from the loss; undefined where it does not notice. */
export function actsAfterS(graph: Graph, verdict: LossVerdict): number | undefined {
  return verdict.is === 'noticed' ? saysAfterS(verdict) + delayS(graph) : undefined;
}

function saysAfterS({ path }: LossVerdict): number {
  const out = rcOutOf(path.feed.source);
  const row = out?.lossSignal?.find(({ signal }) => signal === path.steps[0]?.signal);
  return row?.afterMs === undefined ? USUAL_SAYS_AFTER_S : row.afterMs / 1000;
}

/** Until a controller that knows of the loss acts: as a person sets it, or as the firmware has it. */
export function delayS(graph: Graph): number {
  return graph.design.aircraft.rc.figures.lossDelayS ?? dialectOf(graph.design)?.failsafe?.delayS ?? 1;
}

/** The picture of the loss of the signal; undefined where no channels arrive. */
export function lossTimeline(graph: Graph): LossTimeline | undefined {
  const verdicts = lossVerdicts(graph);
  const [verdict] = verdicts;
  if (verdict === undefined) return undefined;
  const { rc } = graph.design.aircraft;
  const { path } = verdict;
  const says = saysAfterS(verdict);
  const acts = actsAfterS(graph, verdict);
  const chosen = rc.choices.onLoss;
  const action = chosen !== undefined && isLossAction(chosen) ? chosen : undefined;
  const back = rc.choices.back ?? dialectOf(graph.design)?.failsafe?.backBy ?? 'signal';
  const from = acts ?? says;
  const [signalS, handS] = [from + BACK_AFTER_S, from + BACK_AFTER_S + (back === 'signal' ? 0 : HAND_AFTER_S)];
  const endS = handS + SHOWN_AFTER_S;
  const receiver = path.feed.source.entry.item.ref;
  const board = path.feed.input.entry.item.ref;
  /** What goes by the controller: something until it acts, or for good where it does not notice. */
  const boardLane = (who: string, before: string, unnoticed: string, then: string): TimelineLane => ({
    who,
    spans:
      acts === undefined
        ? [{ fromS: 0, toS: signalS, words: unnoticed, is: 'wrong' }]
        : [
            { fromS: 0, toS: acts, words: before, is: 'waits' },
            { fromS: acts, toS: handS, words: then, is: action === undefined ? 'wrong' : 'acts' },
          ],
  });
  const lanes: TimelineLane[] = [
    {
      who: receiver,
      spans: [
        { fromS: 0, toS: says, words: 'waits', is: 'waits' },
        { fromS: says, toS: signalS, words: sourceWords(path.steps[0]?.signal), is: path.steps[0]?.signal === 'none' ? 'wrong' : 'acts' },
        { fromS: signalS, toS: endS, words: 'signal back', is: 'acts' },
      ],
    },
    ...path.steps.slice(1).map(({ name, signal }): TimelineLane => ({
      who: name,
      spans: [
        { fromS: 0, toS: says, words: 'passes it on', is: 'waits' },
        { fromS: says, toS: signalS, words: sourceWords(signal), is: signal === 'none' ? 'wrong' : 'acts' },
        { fromS: signalS, toS: endS, words: 'passes it on', is: 'acts' },
      ],
    })),
    boardLane(board, 'keeps the last channels', 'does not detect it: flies on with the last channels', actionWords(graph, action)),
    boardLane('throttle', 'as before', 'as before', throttleWords(graph, action)),
    {
      who: 'pilot',
      spans: [
        ...(handS > signalS ? [{ fromS: signalS, toS: handS, words: 'signal back', is: 'waits' as const }] : []),
        { fromS: handS, toS: endS, words: `control, ${RC_CHOICES.back.values[back] ?? back}`, is: 'control' },
      ],
    },
    ...groundLane(graph, endS),
  ];
  const marks = new Set([0, ...lanes.flatMap(({ spans }) => spans.map(({ fromS }) => fromS))].map((s) => Math.round(s * 100) / 100));
  return { lanes, endS, marksS: [...marks].filter((s) => s < endS).sort((a, b) => a - b) };
}

function sourceWords(signal: string | undefined): string {
  switch (signal) {
    case 'flag':
      return 'keeps sending, with the flag "lost"';
    case 'no-frames':
      return 'stops sending';
    case 'preset':
      return 'sends preset channels';
    case 'none':
      return 'repeats the last channels';
    default:
      return 'not known';
  }
}

function actionWords(graph: Graph, action: LossAction | undefined): string {
  if (action === undefined) return "the firmware's default";
  const { title, needs } = LOSS_ACTIONS[action];
  const height = graph.design.aircraft.rc.figures.returnHeightM;
  const at = action === 'return' && height !== undefined ? ` at ${stated(height, 'm')}` : '';
  return `${title}${at}${needs.length === 0 ? '' : ` (needs ${listed(needs.map((need) => ACTION_NEEDS[need]))})`}`;
}

function throttleWords(graph: Graph, action: LossAction | undefined): string {
  if (action === undefined) return 'not known';
  const { throttle } = LOSS_ACTIONS[action];
  const { cruiseThrottle } = graph.design.aircraft.rc.figures;
  return throttle === 'cruise' && cruiseThrottle !== undefined ? `cruise, ${stated(cruiseThrottle, '%')}` : throttle;
}

/** The ground link has a delay and an action of its own. */
function groundLane(graph: Graph, endS: number): TimelineLane[] {
  const { choices, figures } = graph.design.aircraft.rc;
  const { onGroundLoss } = choices;
  const { groundDelayS } = figures;
  if (onGroundLoss === undefined || groundDelayS === undefined) return [];
  const words = RC_CHOICES.onGroundLoss.values[onGroundLoss] ?? onGroundLoss;
  if (groundDelayS >= endS)
    return [
      {
        who: 'ground link',
        spans: [{ fromS: 0, toS: endS, words: `lost as well: ${words} after ${stated(groundDelayS, 's')}`, is: 'waits' }],
      },
    ];
  return [
    {
      who: 'ground link',
      spans: [
        { fromS: 0, toS: groundDelayS, words: 'lost as well', is: 'waits' },
        { fromS: groundDelayS, toS: endS, words, is: 'acts' },
      ],
    },
  ];
}
