import { decimals, quantity, current, percent } from '@wired-falcon/core';
import { useMemo, useState } from 'react';
import type { ApexOptions } from 'apexcharts';
import type { ScenarioReport, SupplyLine } from '@wired-falcon/core';
import { Chart } from '../../drawing/Chart.tsx';
import { usePower } from './PowerFrame.tsx';
import { figures, HeadRow } from '../../ui/HeadRow.tsx';

interface Loaded {
  readonly line: SupplyLine;
  readonly rows: readonly { readonly title: string; readonly amps: number; readonly volts: number }[];
  /** The largest share of continuous rating. */
  readonly share: number;
}

/** What every supply carries in every situation, against what it may. */
export function LoadsPage() {
  const power = usePower();
  const [chosen, setChosen] = useState<string>();
  const loads = useMemo(() => (power === undefined ? [] : loadsOf(power.answer.scenarios)), [power]);
  const shown = loads.find(({ line }) => nameOf(line) === chosen) ?? loads[0];
  const options = useMemo(() => (shown === undefined ? undefined : chartOf(shown)), [shown]);
  if (power === undefined) return <p className="p-6 text-ink2">Solving every situation ...</p>;
  if (shown === undefined || options === undefined) return <p className="p-6">There is no supply with a rating in this aircraft yet.</p>;
  return (
    <div className="px-5 py-3" data-testid="loads" data-power-seq={power.seq}>
      <h2 className="text-[15px] font-bold">Load of every supply by situation</h2>
      <div role="group" aria-label="Supply" className="mt-2 flex flex-wrap gap-1 text-[13px]">
        {loads.map((load) => (
          <button
            key={nameOf(load.line)}
            type="button"
            aria-pressed={load === shown}
            className={`min-h-6 border px-2 ${load === shown ? 'border-ink bg-ink font-semibold text-sheet' : 'border-rule'}`}
            onClick={() => setChosen(nameOf(load.line))}
          >
            {nameOf(load.line)} <span className="value">{percent(load.share)}</span>
          </button>
        ))}
      </div>
      <div className="mt-3 max-w-[860px]">
        <Chart
          options={options}
          label={`Current of ${nameOf(shown.line)} by situation against its rating; the table below has the figures`}
        />
      </div>
      <table className="mt-2 w-full max-w-[620px] text-[13px]">
        <HeadRow heads={['Situation', figures('Voltage'), figures('Current'), figures(`of ${current(shown.line.ratedA ?? 0)}`)]} />
        <tbody>
          {shown.rows.map((row) => (
            <tr key={row.title} className="border-b border-rule">
              <td>{row.title}</td>
              <td className="value text-right">{quantity(row.volts, 'V')}</td>
              <td className="value text-right">{current(row.amps)}</td>
              <td className="value text-right">{percent(row.amps / (shown.line.ratedA ?? 1))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function nameOf({ ref, element }: SupplyLine): string {
  return `${ref} ${element}`;
}

function loadsOf(scenarios: readonly ScenarioReport[]): readonly Loaded[] {
  const byName = new Map<string, { line: SupplyLine; rows: { title: string; amps: number; volts: number }[] }>();
  for (const { title, supplies, charge } of scenarios) {
    if (charge === undefined) continue;
    for (const line of supplies) {
      if (line.ratedA === undefined || line.ratedA <= 0) continue;
      const known = byName.get(nameOf(line)) ?? { line, rows: [] };
      known.rows.push({ title, amps: Math.abs(line.amps), volts: line.volts });
      byName.set(nameOf(line), known);
    }
  }
  return [...byName.values()]
    .map(({ line, rows }) => ({ line, rows, share: Math.max(...rows.map(({ amps }) => amps)) / (line.ratedA ?? 1) }))
    .sort((a, b) => b.share - a.share);
}

function chartOf({ line, rows }: Loaded): ApexOptions {
  const ratedA = line.ratedA ?? 0;
  const most = Math.max(ratedA, ...rows.map(({ amps }) => amps)) * 1.1;
  return {
    chart: { type: 'bar', height: 260 },
    series: [{ name: 'A', data: rows.map(({ amps }) => Number(decimals(amps, 3))) }],
    colors: ['#1c2530'],
    plotOptions: { bar: { columnWidth: '55%' } },
    xaxis: { categories: rows.map(({ title }) => title) },
    yaxis: { min: 0, max: most, title: { text: 'amperes' }, labels: { formatter: (value: number) => decimals(value, most < 2 ? 2 : 1) } },
    annotations: {
      yaxis: [
        {
          y: ratedA,
          borderColor: '#a8431b',
          strokeDashArray: 4,
          label: { text: `rated ${current(ratedA)}`, style: { color: '#a8431b' } },
        },
      ],
    },
    tooltip: { y: { formatter: (value: number) => current(value) } },
  };
}
