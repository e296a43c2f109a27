import { AIRFRAME_KINDS, lossWords, placeTitle, rotorsLeft, type Graph, type RotorRow } from '@wired-falcon/core';
import { useMemo } from 'react';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';

/** The lift motors as the firmware numbers them: where each sits, which way it turns, and what is left without it. */
export function RotorTable({ graph, rotors }: { readonly graph: Graph; readonly rotors: readonly RotorRow[] }) {
  const { kind } = graph.design.aircraft.airframe;
  const losses = useMemo(() => {
    const isTilting = AIRFRAME_KINDS[kind].surfaces.includes('tail-tilt');
    const all = rotors.map(({ rotor }) => rotor);
    return all.map((_, i) => lossWords(rotorsLeft(all, [i], isTilting)));
  }, [kind, rotors]);
  if (rotors.length === 0) return null;
  return (
    <section aria-label="Lift motors" className="mt-6">
      <h3 className="text-[15px] font-bold">Lift motors</h3>
      <p className="text-[12.5px]">Remove the propellers before testing a motor. A propeller of the wrong direction pushes down.</p>
      <WideRegion label="Lift motors, table">
        <table className="mt-1 text-[12.5px]">
          <HeadRow heads={['Motor', 'Position', 'Turns, from above', 'Output', 'Item', 'Sits', 'If it fails']} cell="pr-4" />
          <tbody>
            {rotors.map(({ number, rotor, slot, motor, sitsAt, turns }, i) => {
              const isElsewhere = sitsAt !== undefined && sitsAt.place !== rotor.place;
              return (
                <tr key={number} className="border-b border-rule" data-motor={number}>
                  <th scope="row" className="value pr-4 text-left font-normal">
                    {number}
                  </th>
                  <td className="pr-4">{placeTitle(rotor.place)}</td>
                  <td className={`pr-4 ${turns !== undefined && turns !== rotor.turns ? 'font-semibold text-rust' : ''}`}>
                    {rotor.turns}
                    {turns !== undefined && turns !== rotor.turns && `; ${motor?.entry.item.ref ?? ''} turns ${turns}`}
                  </td>
                  <td className="value pr-4">{slot?.label ?? 'none'}</td>
                  <td className="value pr-4">{motor?.entry.item.ref ?? 'none'}</td>
                  <td className={`pr-4 ${isElsewhere ? 'font-semibold text-rust' : ''}`}>
                    {sitsAt === undefined ? 'not placed' : placeTitle(sitsAt.place)}
                  </td>
                  <td>{losses[i]}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </WideRegion>
    </section>
  );
}
