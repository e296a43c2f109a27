import {
  armingOf,
  givesName,
  combinationsOf,
  flightCombinations,
  flightSwitches,
  positionName,
  positionWords,
  type Combination,
  type Design,
  type ModeReach,
  type RcPlan,
} from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';

/** So many combinations are shown; the rest is counted. */
const MOST_SHOWN = 36;

interface CombinationTableProps {
  readonly design: Design;
  readonly reach: ModeReach | undefined;
}

/** What every position of the switches gives: of two switches as a square, of others line by line. */
export function CombinationTable({ design, reach }: CombinationTableProps) {
  const combinations = combinationsOf(design);
  if (combinations === undefined || reach === undefined)
    return <p>The switches have too many combinations to check. Use fewer switches for modes.</p>;
  if (combinations.length === 0)
    return (
      <p className="text-[13px] text-ink2">
        No switch selects a mode yet: assign a switch to the channel of a range on the page RC channels.
      </p>
    );
  const switches = flightSwitches(design);
  const [first, second, third] = switches;
  return (
    <section aria-label="Modes by switch position">
      <h3 className="text-[15px] font-bold">Modes by switch position</h3>
      {first !== undefined && second !== undefined && third === undefined ? (
        <Square design={design} reach={reach} first={first} second={second} />
      ) : (
        <Lines design={design} reach={reach} switches={switches} />
      )}
      <p className="mt-2 text-[12.5px]">{armingWords(design.aircraft.rc, combinations)}</p>
    </section>
  );
}

interface SquareProps {
  readonly design: Design;
  readonly reach: ModeReach;
  readonly first: string;
  readonly second: string;
}

function Square({ design, reach, first, second }: SquareProps) {
  const { switches } = design.aircraft.rc;
  const all = flightCombinations(design);
  const positions = (id: string): readonly number[] => Array.from({ length: switches[id]?.positions ?? 0 }, (_, at) => at);
  const name = (id: string, at: number): string => positionName(switches[id]?.positions ?? 0, at);
  const columnHeads = positions(second).map((at) => `${switches[second]?.title ?? second} ${name(second, at)}`);
  return (
    <table className="mt-1 text-[12.5px]">
      <HeadRow heads={[switches[first]?.title ?? first, ...columnHeads]} cell="pr-4" />
      <tbody>
        {positions(first).map((row) => (
          <tr key={row} className="border-b border-rule">
            <th scope="row" className="pr-4 text-left font-normal">
              {name(first, row)}
            </th>
            {positions(second).map((column) => {
              const one = all.find(({ positions: at }) => at.every(({ id, at: n }) => n === (id === first ? row : column)));
              return one === undefined ? <td key={column} /> : <ModeCell key={column} design={design} reach={reach} one={one} />;
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface LinesProps extends CombinationTableProps {
  readonly reach: ModeReach;
  readonly switches: readonly string[];
}

function Lines({ design, reach, switches }: LinesProps) {
  const { rc } = design.aircraft;
  const all = flightCombinations(design);
  return (
    <>
      <table className="mt-1 text-[12.5px]">
        <HeadRow heads={[...switches.map((id) => rc.switches[id]?.title ?? id), 'Mode']} cell="pr-4" />
        <tbody>
          {all.slice(0, MOST_SHOWN).map((one) => (
            <tr key={one.positions.map(({ at }) => at).join(' ')} className="border-b border-rule">
              {one.positions.map(({ id, at }) => (
                <td key={id} className="pr-4">
                  {positionName(rc.switches[id]?.positions ?? 0, at)}
                </td>
              ))}
              <ModeCell design={design} reach={reach} one={one} />
            </tr>
          ))}
        </tbody>
      </table>
      {all.length > MOST_SHOWN && <p className="text-[12px] text-ink2">and {all.length - MOST_SHOWN} more</p>}
    </>
  );
}

interface ModeCellProps {
  readonly design: Design;
  readonly reach: ModeReach;
  readonly one: Combination;
}

function ModeCell({ design, reach, one }: ModeCellProps) {
  const isFar = reach.farFromSafe.some(({ positions }) =>
    one.positions.every(({ id, at }) => positions.some((p) => p.id === id && p.at === at)),
  );
  const isWrong = one.mode === undefined || one.isOverlap;
  return (
    <td className={`pr-4 ${isWrong ? 'font-semibold text-rust' : ''}`} data-gives={one.isOverlap ? 'overlap' : (one.mode ?? 'none')}>
      {modeWords(design, one)}
      {isFar && <span className="text-rust">, more than one movement from safe</span>}
    </td>
  );
}

function modeWords({ aircraft }: Design, { mode, isOverlap, ranges }: Combination): string {
  if (mode === undefined) return 'no mode';
  if (!isOverlap) return givesName(mode);
  const names = ranges.flatMap((id) => {
    const range = aircraft.rc.ranges[id];
    return range === undefined ? [] : [givesName(range.gives)];
  });
  return `${[...new Set(names)].join(' or ')}: two at once`;
}

/** In which positions the motors may run. */
function armingWords(rc: RcPlan, combinations: readonly Combination[]): string {
  const arming = armingOf(combinations);
  switch (arming.is) {
    case 'never':
      return rc.choices.arming === 'stick' || rc.choices.arming === 'power'
        ? 'No switch arms.'
        : 'No position of a switch arms the motors.';
    case 'always':
      return 'Every position arms the motors.';
    case 'some':
      return arming.common.length === 0
        ? `${arming.count} of ${combinations.length} combinations arm the motors.`
        : `The motors may run with ${positionWords(rc, arming.common)}.`;
  }
}
