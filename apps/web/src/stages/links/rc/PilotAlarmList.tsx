import { quantity, type PilotAlarms } from '@wired-falcon/core';
import { NotComputed } from '../../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { useCalculated } from '../../../workers/useCalculated.ts';
import type { alarms } from '../calculators.ts';
import { Figure } from './FailsafeSection.tsx';
import { NO_RESERVE } from './reserveWords.ts';

/** The alarms to set in radio and picture, computed from the power figures. */
export function PilotAlarmList() {
  const { shown, failure } = useCalculated<typeof alarms>('links.alarms', 'alarms');
  const { read } = useReadersUnits();
  const answer = shown?.answer;
  return (
    <section aria-label="Alarms" className="mt-5 max-w-[640px] text-[13px]" data-testid="alarms" data-seq={shown?.seq ?? 0}>
      <h3 className="text-[15px] font-bold">Alarms to set</h3>
      <NotComputed what="The alarms could not be computed" failure={failure} />
      {typeof answer === 'string' && (
        <>
          <p>{NO_RESERVE[answer]}</p>
          <Figure figure="wayHomeM" />
          <Figure figure="homeSpeedMps" />
        </>
      )}
      {answer !== undefined && typeof answer !== 'string' && (
        <table className="mt-1">
          <tbody>
            {alarmRows(answer).map(([name, value, why]) => (
              <tr key={name} className="border-b border-rule">
                <th scope="row" className="pr-4 text-left font-normal">
                  {name}
                </th>
                <td className="value pr-4 text-right">{read(value)}</td>
                <td className="text-ink2">{read(why)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function alarmRows({
  volts,
  cellVolts,
  usedMah,
  minutes,
  amps,
  ampsIn,
  pack,
}: PilotAlarms): readonly (readonly [string, string, string])[] {
  return [
    ['Voltage below', quantity(volts, 'V'), `of ${pack} in cruise, ${quantity(cellVolts, 'V')} per cell: enough for the way home`],
    ['Charge used above', quantity(usedMah, 'mAh'), 'the usable share less the way home'],
    ['Flight time', quantity(minutes, 'min'), 'the endurance in cruise less the way home'],
    ['Current above', quantity(amps, 'A'), `15 % above "${ampsIn.toLowerCase()}"`],
  ];
}
