import { useEffect, useRef } from 'react';
import ApexCharts, { type ApexOptions } from 'apexcharts';

interface ChartProps {
  /** Made anew only when the figures change. */
  readonly options: ApexOptions;
  /** What the chart says, for those who do not see it; its figures stand in the table beside it. */
  readonly label: string;
}

/** A chart in the manner of the sheets: no animation, no toolbar, ink on paper. */
export function Chart({ options, label }: ChartProps) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (place.current === null) return undefined;
    const chart = new ApexCharts(place.current, {
      ...options,
      chart: {
        type: 'line',
        height: 260,
        ...options.chart,
        toolbar: { show: false },
        animations: { enabled: false },
        zoom: { enabled: false },
        fontFamily: 'inherit',
      },
      dataLabels: { enabled: false },
      grid: { borderColor: '#d5cfc2' },
    });
    void chart.render();
    return () => chart.destroy();
  }, [options]);
  return <div ref={place} role="img" aria-label={label} data-testid="chart" />;
}
