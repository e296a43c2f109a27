import type { GraphItem } from '../../graph/graph.ts';
import { mountingOf, turnedBack, turningOfMounting } from '../../layout/mountingTurns.ts';
import { turned, type Turning } from '../../layout/turning.ts';
import type { Spot } from '../../model/frame.ts';
import { IMU_TURN, isMounting, MOUNTINGS, mountings, type Mounting } from '../../model/mounting.ts';
import { answered, type DirectionAnswers, type Question, type StepVerdict } from './question.ts';

/** How an attitude is shown while the aircraft stands level, by where up is then: axes are aft, right, up. */
const RESTS = {
  level: { words: 'level', up: [0, 0, 1] },
  'upside-down': { words: 'upside down', up: [0, 0, -1] },
  'nose-up': { words: 'nose up', up: [-1, 0, 0] },
  'nose-down': { words: 'nose down', up: [1, 0, 0] },
  'right-down': { words: 'on its right side', up: [0, -1, 0] },
  'left-down': { words: 'on its left side', up: [0, 1, 0] },
} as const satisfies Readonly<Record<string, { readonly words: string; readonly up: Spot }>>;

/** Turns of the aircraft by their axis, right-handed: about right for nose up, about forward for right wing down. */
const MOTIONS = {
  'nose-up': { words: 'nose up', axis: [0, 1, 0] },
  'nose-down': { words: 'nose down', axis: [0, -1, 0] },
  'right-down': { words: 'right wing down', axis: [-1, 0, 0] },
  'left-down': { words: 'left wing down', axis: [1, 0, 0] },
} as const satisfies Readonly<Record<string, { readonly words: string; readonly axis: Spot }>>;

const NOTHING = { value: 'nothing', words: 'nothing' } as const;
const motionOptions = (first: keyof typeof MOTIONS) => {
  const all = Object.entries(MOTIONS).map(([value, { words }]) => ({ value, words }));
  return [...all.filter(({ value }) => value === first), ...all.filter(({ value }) => value !== first), NOTHING];
};

/** What the attitude of the controller does at rest and as the aircraft is moved by hand. */
export function attitudeQuestions(): readonly Question[] {
  const ask = (
    id: string,
    text: string,
    motion: 'level' | 'nose-up' | 'right-down' | 'nose-right',
    options: Question['parts'][number]['options'],
  ): Question => ({
    id: `attitude.${id}`,
    step: 'attitude',
    ask: text,
    caution: 'Propellers off, and hold the aircraft so that it cannot fall.',
    parts: [{ id: 'shows', about: 'the controller shows', options }],
    picture: { is: 'airframe', motion, moves: [] },
  });
  return [
    ask('rest', 'Hold the aircraft level. What does the controller show?', 'level', [
      ...Object.entries(RESTS).map(([value, { words }]) => ({ value, words })),
      NOTHING,
    ]),
    ask('nose', 'Raise the nose. Which way does the attitude move?', 'nose-up', motionOptions('nose-up')),
    ask('wing', 'Lower the right wing. Which way does the attitude move?', 'right-down', motionOptions('right-down')),
    ask('turn', 'Turn the nose to the right, the aircraft level. What does the heading do?', 'nose-right', [
      { value: 'rises', words: 'rises' },
      { value: 'falls', words: 'falls' },
      NOTHING,
    ]),
  ];
}

/** How the board lies for all that the firmware is told: by its setting, else as the layout has it. */
export function toldMounting({ item }: Pick<GraphItem, 'item'>): Mounting {
  const planned = item.settings[IMU_TURN];
  if (isMounting(planned)) return planned;
  return (item.place === undefined ? undefined : mountingOf(item.place)) ?? 'level';
}

/**
 * Which mounting explains what was seen. With `T` what the firmware is told and `A` how the board lies, it takes a direction `d` of the
 * aircraft for `T A^T d`; so the board has its up where `T^T` of the up that is shown is, and its turns likewise.
 */
export function attitudeVerdict(board: GraphItem | undefined, answers: DirectionAnswers): StepVerdict {
  const [rest, nose, wing, turn] = ['rest', 'nose', 'wing', 'turn'].map((id) => answered(answers, `attitude.${id}`, 'shows'));
  if ([rest, nose, wing].includes('nothing'))
    return {
      is: 'mend',
      mends: [
        {
          is: 'no-attitude',
          sentence:
            'No attitude arrives: wait until the controller has started and calibrated its gyros, and check the link to the screen.',
        },
      ],
    };
  const told = turningOfMounting(board === undefined ? 'level' : toldMounting(board));
  const shown = Object.entries(RESTS).find(([value]) => value === rest)?.[1].up;
  if (shown === undefined) return { is: 'open' };
  // 1. Which face of the board is up.
  const upOfBoard = turnedBack(shown, told);
  const onFace = mountings.filter((one) => isSame(turnedBack([0, 0, 1], turningOfMounting(one)), upOfBoard));
  if (rest !== 'level') {
    const laid = board?.item.place === undefined ? undefined : mountingOf(board.item.place);
    const next = onFace.find((one) => one === laid) ?? onFace[0];
    return next === undefined
      ? { is: 'open' }
      : retold(board, next, `Level, the controller shows ${restWords(rest)}: its board is mounted on another face than set.`);
  }
  // 2. Level it can be turned about the vertical only: nose and wing name the quarter.
  const seen = [motionAxis(nose), motionAxis(wing)];
  const found = onFace.find((one) => {
    const shows = (axis: Spot): Spot => turned(turnedBack(axis, turningOfMounting(one)), told);
    return isSame(shows(MOTIONS['nose-up'].axis), seen[0]) && isSame(shows(MOTIONS['right-down'].axis), seen[1]);
  });
  if (found === undefined)
    return {
      is: 'impossible',
      sentence: 'No board orientation gives both results. Raise the nose and lower the wing again, one at a time.',
      again: ['attitude.nose', 'attitude.wing'],
    };
  if (!isSameTurning(turningOfMounting(found), told))
    return retold(board, found, 'The board orientation does not match its setting. Never correct this by reversing outputs.');
  if (turn === 'nothing')
    return {
      is: 'mend',
      mends: [{ is: 'compass', sentence: 'The heading does not follow: the compass is missing, or not calibrated yet.' }],
    };
  if (turn === 'falls')
    return {
      is: 'mend',
      mends: [
        {
          is: 'compass',
          sentence:
            'Nose and wing are correct and the heading is reversed: no board orientation does that. The compass orientation does not match its setting; correct it, then test again.',
        },
      ],
    };
  return { is: 'right' };
}

function restWords(value: string | undefined): string {
  return Object.entries(RESTS).find(([id]) => id === value)?.[1].words ?? '';
}

/** Tells the firmware another mounting. */
function retold(board: GraphItem | undefined, mounting: Mounting, why: string): StepVerdict {
  const { title } = MOUNTINGS[mounting];
  const sentence = `${why} Set its orientation to "${title}".`;
  if (board === undefined) return { is: 'mend', mends: [{ is: 'orientation', sentence }] };
  const { item } = board;
  const was = item.settings[IMU_TURN] ?? null;
  return {
    is: 'mend',
    mends: [{ is: 'orientation', sentence, edit: { kind: 'set-item-setting', item: item.id, setting: IMU_TURN, value: mounting, was } }],
  };
}

function motionAxis(value: string | undefined): Spot {
  return Object.entries(MOTIONS).find(([id]) => id === value)?.[1].axis ?? [0, 0, 0];
}

function isSame(a: Spot, b: Spot | undefined): boolean {
  return b !== undefined && a.every((value, i) => Math.abs(value - (b[i] ?? NaN)) < 1e-9);
}

function isSameTurning(a: Turning, b: Turning): boolean {
  return a.every((row, i) => isSame(row, b[i]));
}
