import { useMemo } from 'react';
import { commandThrows, quantity, type Graph, type LinkedServo } from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';

/** Where the surface goes for each command in full: through mixer, limits, trim and reversal. */
export function CommandThrows({ graph, linked }: { readonly graph: Graph; readonly linked: LinkedServo }) {
  const { read } = useReadersUnits();
  const all = useMemo(() => commandThrows(graph, linked), [graph, linked]);
  if (all.length === 0) return null;
  const way = (deg: number | undefined): string =>
    deg === undefined ? 'does not follow' : `${quantity(Math.abs(deg), 'deg')}${deg > 0.05 ? ' down' : deg < -0.05 ? ' up' : ''}`;
  return (
    <section aria-label="At full command" className="mt-3 text-[13px]" data-testid="command-throws">
      <h4 className="font-semibold">At full command</h4>
      <table className="text-[12.5px]">
        <HeadRow heads={['Command', 'Right, nose up, out', 'Left, nose down, in']} cell="pr-4" />
        <tbody>
          {all.map(({ command, forwardDeg, backDeg }) => (
            <tr key={command} className="border-b border-rule" data-command={command}>
              <th scope="row" className="pr-4 text-left font-normal">
                {command}
              </th>
              <td className="value pr-4">{read(way(forwardDeg))}</td>
              <td className="value pr-4">{read(way(backDeg))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
