import { busServos, isOutputFunction, type Graph } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { FunctionOptions } from '../../ui/FunctionOptions.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';

/** Servos on a bus: each has its function at its own end, and takes no output. */
export function BusServoTable({ graph }: { readonly graph: Graph }) {
  const make = useMake();
  const servos = busServos(graph);
  if (servos.length === 0) return null;
  const { kind } = graph.design.aircraft.airframe;
  return (
    <section aria-label="Servos on a bus" className="mt-6 text-[12.5px]">
      <h3 className="text-[15px] font-bold">Servos on a bus</h3>
      <p className="text-ink2">They are addressed by identifier and need no output.</p>
      <table className="mt-1">
        <HeadRow heads={['Servo', 'Identifier', 'Function']} cell="pr-4" />
        <tbody>
          {servos.map(({ item, endpoint, function: now, node }) => {
            const servo = graph.items[item]?.item;
            return servo === undefined ? null : (
              <tr key={servo.id} className="border-b border-rule" data-bus-servo={servo.ref}>
                <th scope="row" className="value pr-4 text-left font-normal">
                  {servo.ref}
                </th>
                <td className="value pr-4">{node ?? 'from the bus'}</td>
                <td>
                  <select
                    className="field"
                    aria-label={`Function of ${servo.ref}`}
                    value={now ?? ''}
                    onChange={(event) => {
                      const next = event.target.value;
                      const use = isOutputFunction(next) ? next : null;
                      make({ kind: 'set-output-function', item: servo.id, output: endpoint, function: use, was: now ?? null });
                    }}
                  >
                    <FunctionOptions kind={kind} none="none" />
                  </select>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
