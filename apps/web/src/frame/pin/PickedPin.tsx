import { findPin, quantity, voltsAt, type Graph, type PinAddress, stated } from '@wired-falcon/core';

/** The pin that waits for its counterpart, and how to go on. */
export function PickedPin({ pin, graph }: { readonly pin: PinAddress; readonly graph: Graph }) {
  const found = findPin(graph, pin);
  if (found === undefined) return <p className="mt-2">This pin is no longer there.</p>;
  const volts = voltsAt(graph, found.node);
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {found.ref} {found.port.label} pin {found.pin.n}
      </h2>
      <dl className="mt-2 grid grid-cols-[92px_1fr] gap-y-0.5">
        <dt className="text-ink2">Label, role</dt>
        <dd className="value">
          {found.pin.label}, {found.pin.role}
        </dd>
        <dt className="text-ink2">No load</dt>
        <dd className="value">{volts === undefined ? 'nothing drives it' : quantity(volts, 'V')}</dd>
        {found.pin.logic !== undefined && (
          <>
            <dt className="text-ink2">Logic</dt>
            <dd className="value">
              {stated(found.pin.logic.highV, 'V')}, stands {stated(found.pin.logic.inputMaxV, 'V')}
            </dd>
          </>
        )}
      </dl>
      <p className="mt-2">
        Choose the pin to connect it to. Pins that do not match are dimmed; point at one to read why. Escape clears it.
      </p>
    </section>
  );
}
