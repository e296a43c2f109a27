import { listed } from '../text/lists.ts';
import { textProblems } from './textProblems.ts';
import { LIMITED, type Dialect } from '../model/dialect.ts';

/**
 * Everything in which a dialect of the right shape does not hold together, as sentences with the place: a board that is like one
 * that is not there or like itself, one index for two ports, banks or outputs, one code for two
 * functions, orientations or modes, lines that cannot be written or read.
 */
export function dialectProblems(dialect: Dialect): readonly string[] {
  return [
    ...boardProblems(dialect),
    ...tableProblems(dialect),
    ...ruleProblems(dialect),
    ...textProblems(dialect).map(({ sentence }) => sentence),
  ];
}

function boardProblems({ boards }: Dialect): string[] {
  return Object.entries(boards).flatMap(([target, board]) => [
    ...likeProblems(boards, target),
    ...twice(board.serial ?? {}, (code, ids) => `Board ${target}: ${ids} have the same port index, ${code}.`),
    ...twice(board.banks ?? {}, (code, ids) => `Board ${target}: ${ids} have the same bank index, ${code}.`),
    ...twice(board.outputs ?? {}, (code, ids) => `Board ${target}: ${ids} have the same output index, ${code}.`),
  ]);
}

function likeProblems(boards: Dialect['boards'], target: string): string[] {
  const way = [target];
  for (let next = boards[target]?.like; next !== undefined; next = boards[next]?.like) {
    if (!Object.hasOwn(boards, next)) return way.length === 1 ? [`Board ${target} is like ${next}, which the dialect does not have.`] : [];
    // Said once, of the first board of the loop in natural order.
    if (way.includes(next))
      return next === target && way.every((one) => target <= one)
        ? [`Boards go round in a loop: ${[...way, next].join(' is like ')}.`]
        : [];
    way.push(next);
  }
  return [];
}

function tableProblems({ functions, orientations, modes, bauds, rcScaleUs, frameScale, modeSlotsUs = [], failsafe }: Dialect): string[] {
  const codes = (table: Readonly<Record<string, { readonly code: string } | undefined>>): Record<string, string> =>
    Object.fromEntries(Object.entries(table).flatMap(([key, entry]) => (entry === undefined ? [] : [[key, entry.code]])));
  const { least, middle, most } = rcScaleUs;
  return [
    ...twice(codes(functions), (code, ids) => `Functions ${ids} have the same code, ${code}.`),
    ...twice(codes(orientations), (code, ids) => `Orientations ${ids} have the same code, ${code}.`),
    ...twice(codes(modes), (code, ids) => `Modes ${ids} have the same code, ${code}.`),
    ...twice(bauds, (code, ids) => `Baud rates ${ids} have the same code, ${code}.`),
    ...(least < middle && middle < most ? [] : [`The RC scale does not rise: ${least}, ${middle}, ${most} us.`]),
    ...(frameScale === undefined || (frameScale.low.value < frameScale.high.value && frameScale.low.us < frameScale.high.us)
      ? []
      : ['The scale of channel frames does not rise.']),
    ...(modeSlotsUs.every((us, i) => i === 0 || us > (modeSlotsUs[i - 1] ?? 0))
      ? []
      : [`The mode slots do not rise: ${listed(modeSlotsUs.map(String))} us.`]),
    ...twice(codes(failsafe?.actions ?? {}), (code, ids) => `Actions ${ids} have the same code, ${code}.`),
  ];
}

function ruleProblems({ limits, refusals, roles }: Dialect): string[] {
  const once = new Map(limits.map(({ of }) => [of, limits.filter((limit) => limit.of === of).length]));
  return [
    ...[...once].flatMap(([of, count]) => (count > 1 ? [`There are ${count} limits of ${LIMITED[of].title}; there must be one.`] : [])),
    ...refusals.flatMap((refusal) => {
      if (refusal.is === 'only-on') return [];
      const named = refusal.is === 'not-together' ? [refusal.role, refusal.with] : [refusal.role];
      return named
        .filter((role) => roles[role] === undefined)
        .map((role) => `"${refusal.sentence}" is about ${role}, which has no role code.`);
    }),
  ];
}

function twice(table: Readonly<Record<string, string>>, say: (code: string, ids: string) => string): string[] {
  const byCode = new Map<string, string[]>();
  for (const [id, code] of Object.entries(table)) byCode.set(code, [...(byCode.get(code) ?? []), id]);
  return [...byCode].flatMap(([code, ids]) => (ids.length < 2 ? [] : [say(code, listed(ids))]));
}
