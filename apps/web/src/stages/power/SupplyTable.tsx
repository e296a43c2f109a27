import { quantity, current, percent } from '@wired-falcon/core';
import type { ScenarioReport, SupplyLine } from '@wired-falcon/core';
import { stateText } from './powerWords.ts';
import { figures, HeadRow } from '../../ui/HeadRow.tsx';

const WARN_SHARE = 0.8;

/** Every supply and what it carries against what it may carry for ever. */
export function SupplyTable({ report }: { readonly report: ScenarioReport }) {
  const shown = report.supplies.filter(({ is }) => is !== 'sense' && is !== 'usb');
  if (shown.length === 0) return null;
  return (
    <table className="mt-2 w-full text-[13px]" data-testid="supplies">
      <HeadRow heads={['Supply', figures('Voltage'), figures('Current'), { text: 'of continuous rating', className: 'pl-3' }]} />
      <tbody>
        {shown.map((line) => (
          <tr key={line.device} className="border-b border-rule">
            <td className="py-0.5">
              <span className="font-semibold">{line.ref}</span> {line.element}
              {line.state !== 'on' && <span className="text-[12px] text-rust"> {stateText(line)}</span>}
            </td>
            <td className="value text-right">{quantity(line.volts, 'V')}</td>
            <td className="value text-right">{current(line.amps)}</td>
            <td className="pl-3">
              <Share line={line} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Share({ line: { amps, ratedA } }: { readonly line: SupplyLine }) {
  if (ratedA === undefined || ratedA <= 0) return <span className="text-ink2">no limit</span>;
  const share = Math.max(0, amps) / ratedA;
  return (
    <span className="flex items-center gap-2">
      <span aria-hidden className="relative h-2.5 w-[90px] border border-ink bg-sheet">
        <span
          className={`absolute inset-y-0 left-0 ${share > WARN_SHARE ? 'bg-rust' : 'bg-ink2'}`}
          style={{ width: `${Math.min(share, 1) * 100}%` }}
        />
      </span>
      <span className={`value ${share > 1 ? 'font-medium text-rust' : ''}`}>
        {percent(share)} of {current(ratedA)}
      </span>
    </span>
  );
}
