import { useMemo } from 'react';
import { decimals, forceOfServo, inSentence, quantity, type Graph, type LinkedServo } from '@wired-falcon/core';
import { useReadersUnits } from '../../../ui/readersUnits.ts';

/** What the servo gives at the voltage it gets, against what the air takes. */
export function ForceTable({ graph, linked }: { readonly graph: Graph; readonly linked: LinkedServo }) {
  const { read } = useReadersUnits();
  const force = useMemo(() => forceOfServo(graph, linked), [graph, linked]);
  return (
    <section aria-label="Force and speed" className="mt-3 text-[13px]" data-testid="servo-force">
      <h4 className="font-semibold">Force and speed</h4>
      {force === undefined ? (
        <p className="text-ink2">This servo is unpowered, so its torque is unknown.</p>
      ) : (
        <>
          <p>
            {quantity(force.torqueNcm, 'Ncm')} at {quantity(force.volts, 'V')}, the lowest in flight ({inSentence(force.situation)}); end to
            end in {quantity(force.travelS, 's')}.
          </p>
          {force.margins.map(({ of, neededNcm, givenNcm, margin, deflectionDeg }) => (
            <p key={of.name} className={margin < 1 ? 'text-rust' : ''}>
              {read(
                `${decimals(margin, 1)} times the hinge moment with ${of.name} (${quantity(of.speedMs, 'm/s')}, ${quantity(deflectionDeg, 'deg')}): ${quantity(givenNcm, 'Ncm')} against ${quantity(neededNcm, 'Ncm')}.`,
              )}
            </p>
          ))}
          {force.margins.length === 0 && (
            <p className="text-ink2">
              It is compared with the hinge moment as soon as the surface and the speeds of the airframe are known (Brief).
            </p>
          )}
          <p className="text-ink2">The hinge moment is an estimate from the area behind the hinge.</p>
        </>
      )}
    </section>
  );
}
