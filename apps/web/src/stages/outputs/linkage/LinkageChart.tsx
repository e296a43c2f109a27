import { useMemo } from 'react';
import type { ApexOptions } from 'apexcharts';
import { decimals, quantity, surfaceAt, travelOfServo, type Linkage, type LinkedServo } from '@wired-falcon/core';
import { Chart } from '../../../drawing/Chart.tsx';
import { HeadRow } from '../../../ui/HeadRow.tsx';

/** Pulses between two points of the chart, and between two rows of its table. */
const CHART_US = 20;
const ROWS = 8;

/** Angle of the surface and force at its hinge over the pulse; the same as a table. */
export function LinkageChart({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { limits, entry } = linked;
  const points = useMemo(() => {
    const travel = travelOfServo(linked);
    if (travel === undefined) return [];
    const count = Math.max(1, Math.round((limits.maxUs - limits.minUs) / CHART_US));
    return Array.from({ length: count + 1 }, (_, i) => limits.minUs + ((limits.maxUs - limits.minUs) * i) / count).flatMap((us) => {
      const at = surfaceAt(linkage, travel.bar, us);
      return at === undefined ? [] : [{ us, deg: at.surfaceDeg - travel.atTrim.surfaceDeg, force: 1 / Math.abs(at.pose.ratio) }];
    });
  }, [linked, linkage, limits]);
  const options = useMemo((): ApexOptions => chartOptions(points), [points]);
  if (points.length < 2) return null;
  const shown = points.filter((_, i) => i % Math.max(1, Math.floor(points.length / ROWS)) === 0);
  return (
    <section aria-label="Chart of the travel" className="mt-3">
      <h4 className="font-semibold">Over the pulse</h4>
      <Chart
        options={options}
        label={`Angle of the surface of ${entry.item.ref} and force at its hinge, over the pulse; the table has the figures`}
      />
      <details className="text-[12.5px]">
        <summary className="cursor-pointer">As a table</summary>
        <table>
          <HeadRow heads={['Pulse', 'Surface', 'Force']} cell="pr-6" />
          <tbody>
            {shown.map(({ us, deg, force }) => (
              <tr key={us} className="value">
                <td className="pr-6">{quantity(us, 'us')}</td>
                <td className="pr-6">{quantity(deg, 'deg')}</td>
                <td>{decimals(force, 2)} times</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

function chartOptions(points: readonly { readonly us: number; readonly deg: number; readonly force: number }[]): ApexOptions {
  return {
    series: [
      { name: 'surface, down positive', data: points.map(({ us, deg }) => ({ x: Math.round(us), y: Number(decimals(deg, 2)) })) },
      { name: 'force', data: points.map(({ us, force }) => ({ x: Math.round(us), y: Number(decimals(force, 3)) })) },
    ],
    colors: ['#a8431f', '#1d2433'],
    stroke: { width: [2, 1.5], dashArray: [0, 5] },
    xaxis: { type: 'numeric', title: { text: 'us' }, decimalsInFloat: 0 },
    yaxis: [
      { title: { text: 'degrees' }, decimalsInFloat: 0 },
      { opposite: true, title: { text: 'times servo moment' }, decimalsInFloat: 1 },
    ],
    legend: { position: 'top' },
    chart: { height: 230 },
  };
}
