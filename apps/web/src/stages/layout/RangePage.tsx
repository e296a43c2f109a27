import { useMemo, useState } from 'react';
import type { ApexOptions } from 'apexcharts';
import {
  antennaOptions,
  ANTENNAS,
  decimals,
  linkBudget,
  linkWishes,
  marginDb,
  pairName,
  radiosOf,
  type AntennaOption,
  type Edit,
  type Heights,
  type RadioAt,
  quantity,
  stated,
  percent,
} from '@wired-falcon/core';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';
import { Chart } from '../../drawing/Chart.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** So many pairs of antennas stand side by side. */
const SHOWN = 8;

/** How far each link reaches, and what another pair of antennas would change. */
export function RangePage() {
  const { read } = useReadersUnits();
  const design = useDesign();
  const graph = useGraph();
  const radios = useMemo(() => radiosOf(graph).filter((radio) => linkBudget(radio) !== undefined), [graph]);
  const [chosen, setChosen] = useState('');
  const radio = radios.find(({ name }) => name === chosen) ?? radios[0];
  const { heights, wantedDb } = useMemo(() => linkWishes(graph), [graph]);
  const missionM = (design.aircraft.airframe.frame?.numbers.missionKm ?? 0) * 1000;
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="range">
      <h2 className="text-[15px] font-bold">Range of the links</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        On a clear path, {read(stated(heights.flightM, 'm'))} above the ground, the antenna on the ground at{' '}
        {read(stated(heights.groundM, 'm'))}; {stated(wantedDb, 'dB')} of margin are required. Estimates: fly no further than your rules
        allow, and test the range on the ground first.
      </p>
      {radio === undefined ? (
        <p className="mt-3">No radio with a ground end is in the aircraft.</p>
      ) : (
        <>
          <label className="mt-3 flex items-center gap-2 text-[13px]">
            Link of
            <select className="field" value={radio.name} onChange={(event) => setChosen(event.target.value)}>
              {radios.map(({ name, radio: { title, mhz } }) => (
                <option key={name} value={name}>
                  {name}, {title}, {quantity(mhz[0], 'MHz')}
                </option>
              ))}
            </select>
          </label>
          <Link key={radio.name} radio={radio} heights={heights} wantedDb={wantedDb} missionM={missionM} />
        </>
      )}
    </div>
  );
}

interface LinkProps {
  readonly radio: RadioAt;
  readonly heights: Heights;
  readonly wantedDb: number;
  readonly missionM: number;
}

function Link({ radio, heights, wantedDb, missionM }: LinkProps) {
  const make = useMake();
  const { quantity, factor, unit } = useReadersUnits();
  const [axisUnit, perKm] = [unit('km'), factor('km')];
  const { shown, present, chart } = useMemo(() => {
    const options = antennaOptions(radio, heights, wantedDb);
    const there = options.find(({ isPresent }) => isPresent);
    const best = options.filter((option, i) => i < SHOWN - 1 || option.isPresent);
    const furthestM = 1.5 * Math.max(missionM, there?.reachM ?? 1000);
    return { shown: best, present: there, chart: chartOf(best, heights, furthestM, wantedDb, missionM, { unit: axisUnit, perKm }) };
  }, [radio, heights, wantedDb, missionM, axisUnit, perKm]);
  return (
    <>
      {present !== undefined && (
        <p className="mt-2 text-[13px]" data-testid="reach">
          {pairName(present)} reaches <b className="value">{quantity(present.reachM / 1000, 'km')}</b> with {stated(wantedDb, 'dB')} of
          margin; the {present.budget.weaker.is}link is the weaker one.{' '}
          {missionM > 0 && (
            <>
              At the {quantity(missionM / 1000, 'km')} of the mission it has{' '}
              <b className="value">{quantity(marginDb(present.budget, missionM, heights), 'dB')}</b> of margin.
            </>
          )}
        </p>
      )}
      <div className="mt-3 max-w-[860px]">
        <Chart options={chart} label="Margin of each pair of antennas over the distance; the table below has the figures" />
      </div>
      <table className="mt-2 text-[13px]">
        <HeadRow
          cell="py-1 pr-6"
          heads={['On the aircraft', 'On the ground', 'Range', 'Compared with now', { text: 'Use', isHidden: true }]}
        />
        <tbody>
          {shown.map((option) => (
            <tr key={pairName(option)} className={`border-b border-rule ${option.isPresent ? 'font-semibold' : ''}`}>
              <td className="py-1 pr-6">{ANTENNAS[option.air].title}</td>
              <td className="py-1 pr-6">{ANTENNAS[option.ground].title}</td>
              <td className="value py-1 pr-6">{quantity(option.reachM / 1000, 'km')}</td>
              <td className="value py-1 pr-6">{option.isPresent ? 'in use' : shareText(option.share)}</td>
              <td className="py-1">
                {!option.isPresent && (
                  <button type="button" className="action" onClick={() => make(takeEdit(radio, option))}>
                    Use
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function shareText(share: number): string {
  return Math.abs(share - 1) < 0.005 ? 'the same' : `${percent(Math.abs(share - 1))} ${share > 1 ? 'further' : 'shorter'}`;
}

function takeEdit({ item, radio }: RadioAt, { air, ground }: AntennaOption): Edit {
  const setting = (name: string, value: string) => ({
    kind: 'set-item-setting' as const,
    item: item.id,
    setting: `${radio.id}.${name}`,
    value,
    was: item.settings[`${radio.id}.${name}`] ?? null,
  });
  return { kind: 'batch', title: `${item.ref}: ${pairName({ air, ground })}`, edits: [setting('antenna', air), setting('ground', ground)] };
}

const POINTS = 60;
const INKS = ['#1c2530', '#a4502a', '#2f6b5e', '#5a4b8a', '#8a7a2f', '#6b6b6b', '#2b5f8a', '#8a2b55'];

/** About so many ticks stand on the axis of distance. */
const TICKS = 6;

/** The least of 1, 2 and 5 times a power of ten that is no less. */
function roundStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return power * ([1, 2, 5].find((factor) => factor * power >= least) ?? 10);
}

/** What the axis of distance is in. */
interface Axis {
  readonly unit: string;
  readonly perKm: number;
}

function chartOf(
  options: readonly AntennaOption[],
  heights: Heights,
  furthestM: number,
  wantedDb: number,
  missionM: number,
  { unit, perKm }: Axis,
): ApexOptions {
  const furthest = (furthestM / 1000) * perKm;
  const step = roundStep(furthest / TICKS);
  const ticks = Math.ceil(furthest / step);
  const distances = Array.from({ length: POINTS }, (_, i) => (step * ticks * (i + 1)) / POINTS);
  return {
    series: options.map((option) => ({
      name: pairName(option),
      data: distances.map((x) => ({ x, y: Number(decimals(marginDb(option.budget, (x / perKm) * 1000, heights), 1)) })),
    })),
    colors: INKS,
    stroke: { width: options.map(({ isPresent }) => (isPresent ? 3 : 1.5)), curve: 'straight' },
    // Whole steps with their number: the chart scales data wrongly where it has to round the end of the axis itself.
    xaxis: { type: 'numeric', title: { text: unit }, min: 0, max: step * ticks, tickAmount: ticks, decimalsInFloat: step < 1 ? 1 : 0 },
    yaxis: { title: { text: 'margin, dB' }, decimalsInFloat: 0 },
    annotations: {
      yaxis: [{ y: wantedDb, borderColor: '#a4502a', label: { text: `${stated(wantedDb, 'dB')} required` } }],
      xaxis: missionM > 0 ? [{ x: (missionM / 1000) * perKm, borderColor: '#1c2530', label: { text: 'mission' } }] : [],
    },
    legend: { position: 'right' },
  };
}
