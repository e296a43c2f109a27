import { receiverOutputs, type Graph } from '@wired-falcon/core';
import { HeadRow } from '../../ui/HeadRow.tsx';

/** What a receiver moves by itself, in an aircraft without a controller. */
export function ReceiverTable({ graph }: { readonly graph: Graph }) {
  const rows = receiverOutputs(graph);
  if (rows.length === 0) return null;
  return (
    <section aria-label="Outputs of receivers" className="mt-4">
      <h3 className="text-[15px] font-bold">Driven directly by the receiver</h3>
      <table className="mt-1 text-[12.5px]">
        <HeadRow heads={['Receiver', 'Output', 'Channel use', 'Connected to']} cell="pr-4" />
        <tbody>
          {rows.map(({ receiver, output, consumer, use }) => (
            <tr key={`${receiver} ${output} ${consumer}`} className="border-b border-rule">
              <td className="value pr-4">{receiver}</td>
              <td className="value pr-4">{output}</td>
              <td className="pr-4">{use ?? 'not planned'}</td>
              <td className="value">{consumer}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
