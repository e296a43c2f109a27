import { useMemo } from 'react';
import type { ApexOptions } from 'apexcharts';
import {
  decimals,
  inSentence,
  POWER_FIGURES,
  powerFigures,
  quantity,
  scenariosOf,
  type Mission,
  type MissionLeg,
  stated,
  percent,
} from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import { Chart } from '../../drawing/Chart.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import type { FlownMission, mission as flown } from './calculators.ts';
import { figures, HeadRow } from '../../ui/HeadRow.tsx';

/** The mission leg by leg, and what it takes out of the packs. */
export function MissionPage() {
  const { shown, failure } = useCalculated<typeof flown>('power.mission', null);
  const mission = shown?.answer.mission;
  const options = useMemo(() => (mission === undefined || mission.samples.length === 0 ? undefined : chartOf(mission)), [mission]);
  return (
    <div className="px-5 py-3" data-testid="mission" data-power-seq={shown?.seq ?? 0}>
      <h2 className="text-[15px] font-bold">Mission and endurance</h2>
      <NotComputed what="The mission of this version could not be flown" failure={failure} />
      {mission === undefined && failure === undefined && <p className="mt-2 text-ink2">Flying the mission ...</p>}
      {mission !== undefined && <Outcome mission={mission} endurance={shown?.answer.endurance} />}
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,300px)] gap-8">
        <Legs />
        <Figures />
      </div>
      {options !== undefined && (
        <div className="mt-3 max-w-[860px]">
          <Chart
            options={options}
            label="Voltage and consumed charge of the packs over the minutes of the mission; the table below has the figures"
          />
        </div>
      )}
      {mission !== undefined && <Ends mission={mission} />}
    </div>
  );
}

function Outcome({ mission, endurance }: { readonly mission: Mission; readonly endurance: FlownMission['endurance'] }) {
  if (mission.packs.length === 0) return <p className="mt-2">There is no pack in the aircraft yet.</p>;
  const share = Math.round(mission.usableShare * 100);
  return (
    <p className="mt-1 max-w-prose text-[13px]" data-testid="endurance">
      {endurance?.minutes !== undefined && (
        <>
          <b className="value">{stated(Math.round(endurance.minutes), 'min')}</b> in {inSentence(endurance.situation)} on{' '}
          {stated(share, '%')} of the pack capacity.{' '}
        </>
      )}
      {mission.isExample
        ? 'The mission below is only an example for this kind of airframe; enter your own legs.'
        : mission.emptyAtMin === undefined
          ? `The mission of ${quantity(mission.totalMin, 'minutes')} ends with charge left.`
          : `${mission.emptyPack ?? '?'} runs out of usable charge after ${decimals(mission.emptyAtMin, 0)} of ${quantity(mission.totalMin, 'minutes')}.`}
    </p>
  );
}

function Legs() {
  const design = useDesign();
  const { aircraft } = design;
  const make = useMake();
  const was = [...(aircraft.power?.mission ?? [])];
  const scenarios = scenariosOf(aircraft).filter(({ charge }) => charge !== undefined);
  const set = (mission: readonly MissionLeg[]): void => {
    make({ kind: 'set-mission', mission: [...mission], was });
  };
  return (
    <section aria-label="Legs of the mission">
      {was.length > 0 && (
        <table className="w-full text-[13px]">
          <HeadRow heads={['Leg', 'Situation', 'Minutes', { text: 'Change', isHidden: true }]} />
          <tbody>
            {was.map((leg, i) => (
              <tr key={i} className="border-b border-rule">
                <td className="value">{i + 1}</td>
                <td>
                  <select
                    className="field"
                    aria-label={`Situation of leg ${i + 1}`}
                    value={leg.situation}
                    onChange={(event) => set(was.map((one, k) => (k === i ? { ...one, situation: event.target.value } : one)))}
                  >
                    {scenarios.map(({ id, title }) => (
                      <option key={id} value={id}>
                        {title}
                      </option>
                    ))}
                  </select>
                </td>
                <td>
                  <NumberField
                    isLabelHidden
                    label={`Minutes of leg ${i + 1}`}
                    unit="min"
                    value={leg.minutes}
                    least={0.1}
                    most={1440}
                    onSave={(minutes) => minutes !== undefined && set(was.map((one, k) => (k === i ? { ...one, minutes } : one)))}
                  />
                </td>
                <td>
                  <button type="button" className="underline" onClick={() => set(was.filter((_, k) => k !== i))}>
                    remove leg {i + 1}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" className="action mt-2" onClick={() => set([...was, { situation: 'cruise', minutes: 10 }])}>
        Add a leg
      </button>
    </section>
  );
}

function Figures() {
  const design = useDesign();
  const { power } = design.aircraft;
  const make = useMake();
  return (
    <section aria-label="Figures">
      {powerFigures.map((figure) => {
        const { title, unit, least, most, usual } = POWER_FIGURES[figure];
        const was = power?.[figure];
        return (
          <NumberField
            key={figure}
            label={title}
            unit={unit}
            value={was}
            least={least}
            most={most}
            usual={usual === undefined ? { words: 'estimate' } : { value: usual }}
            onSave={(value) => make({ kind: 'set-power-figure', figure, value: value ?? null, was: was ?? null })}
          />
        );
      })}
    </section>
  );
}

/** What every pack has left at the end. */
function Ends({ mission: { packs, samples } }: { readonly mission: Mission }) {
  const last = samples.at(-1);
  if (last === undefined) return null;
  return (
    <table className="mt-2 w-full max-w-[620px] text-[13px]">
      <HeadRow heads={['Pack, at the end', figures('Voltage'), figures('Consumed'), figures('Left')]} />
      <tbody>
        {packs.map(({ ref, capacityMah }, k) => {
          const pack = last.packs[k];
          return (
            <tr key={ref} className="border-b border-rule">
              <td className="font-semibold">{ref}</td>
              <td className="value text-right">{quantity(pack?.volts ?? 0, 'V')}</td>
              <td className="value text-right">
                {Math.round(pack?.consumedMah ?? 0)} of {stated(capacityMah, 'mAh')}
              </td>
              <td className="value text-right">{percent(pack?.charge ?? 0)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const INKS = ['#1c2530', '#5b6470', '#8a7f6a'];

function chartOf({ packs, samples }: Mission): ApexOptions {
  const points = (value: (k: number, at: Mission['samples'][number]) => number, k: number) =>
    samples.map((at) => ({ x: Number(decimals(at.minute, 2)), y: Number(decimals(value(k, at), 3)) }));
  const volts = packs.map(({ ref }, k) => ({ name: `${ref} volts`, data: points((i, at) => at.packs[i]?.volts ?? 0, k) }));
  const charge = packs.map(({ ref }, k) => ({ name: `${ref} consumed`, data: points((i, at) => at.packs[i]?.consumedMah ?? 0, k) }));
  const highestV = Math.max(...volts.flatMap(({ data }) => data.map(({ y }) => y)));
  return {
    chart: { type: 'line', height: 300 },
    series: [...volts, ...charge],
    colors: [...packs.map((_, k) => INKS[k % INKS.length] ?? '#1c2530'), ...packs.map(() => '#a8431b')],
    stroke: { width: 2, dashArray: [...packs.map((_, k) => 3 * k), ...packs.map((_, k) => 2 + 3 * k)], curve: 'straight' },
    xaxis: { type: 'numeric', title: { text: 'minutes' }, decimalsInFloat: 0 },
    yaxis: [
      ...volts.map(({ name }, k) => ({
        seriesName: volts[0]?.name ?? name,
        show: k === 0,
        min: 0,
        max: Math.ceil(highestV),
        title: { text: 'volts' },
        labels: { formatter: (value: number) => decimals(value, 1) },
      })),
      ...charge.map(({ name }, k) => ({
        seriesName: charge[0]?.name ?? name,
        show: k === 0,
        opposite: true,
        min: 0,
        title: { text: 'mAh consumed' },
        labels: { formatter: (value: number) => decimals(value, 0) },
      })),
    ],
    legend: { position: 'top' },
  };
}
