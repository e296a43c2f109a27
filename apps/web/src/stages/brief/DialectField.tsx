import { useState } from 'react';
import { dialectDifferences, dialectKeyOf, type Dialect, type DialectKey } from '@wired-falcon/core';
import type { DialectRevision } from '@wired-falcon/contract';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';
import { dialectsOnOffer, useWorkshopDialects } from '../../session/workshopDialects.ts';

/** So many differences are shown; the rest is counted. */
const MOST_SHOWN = 12;

/** Which dialect the aircraft uses, and what another would change before it is taken. */
export function DialectField() {
  const { aircraft, dialects } = useDesign();
  const own = useWorkshopDialects();
  const make = useMake();
  const [looked, setLooked] = useState<DialectKey>();
  const onOffer = dialectsOnOffer(own).map((dialect) => ({ key: dialectKeyOf(dialect), name: nameOf(dialect, own) }));
  const present = dialects.get(aircraft.dialect);
  const isOffered = onOffer.some(({ key }) => key === aircraft.dialect);
  const chosen = looked ?? aircraft.dialect;
  const other = looked === undefined || looked === aircraft.dialect ? undefined : dialects.get(looked);
  const use = (): void => {
    if (looked !== undefined) make({ kind: 'set-dialect', dialect: looked, was: aircraft.dialect });
    setLooked(undefined);
  };
  return (
    <>
      <label className="mt-3 block">
        <span className="text-[13px] text-ink2">Firmware dialect: how the firmware writes ports, outputs and modes</span>
        <select
          className="field mt-0.5 block w-full"
          value={chosen}
          onChange={(event) => setLooked(onOffer.find(({ key }) => key === event.target.value)?.key)}
        >
          {!isOffered && (
            <option value={aircraft.dialect}>
              {present === undefined
                ? `${idOf(aircraft.dialect)} (not known here)`
                : `${present.name} (${onOffer.some(({ key }) => idOf(key) === present.id) ? 'an older revision' : 'came with the aircraft'})`}
            </option>
          )}
          {onOffer.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {other !== undefined && <Differences other={other} onUse={use} onLeave={() => setLooked(undefined)} />}
    </>
  );
}

interface DifferencesProps {
  readonly other: Dialect;
  readonly onUse: () => void;
  readonly onLeave: () => void;
}

/** What would be written in another way, before the other dialect is taken. */
function Differences({ other, onUse, onLeave }: DifferencesProps) {
  const graph = useGraph();
  const found = dialectDifferences(graph, other);
  return (
    <section aria-label={`What changes with ${other.name}`} className="mt-2 border border-ink2 p-2 text-[12.5px]">
      {found.length === 0 ? (
        <p>Nothing in this aircraft is written differently.</p>
      ) : (
        <table className="w-full">
          <caption className="text-left font-semibold">Written differently: {found.length}</caption>
          <thead className="text-left text-ink2">
            <tr>
              <th scope="col" className="font-normal">
                What
              </th>
              <th scope="col" className="font-normal">
                Now
              </th>
              <th scope="col" className="font-normal">
                Then
              </th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, MOST_SHOWN).map(({ what, was, now }) => (
              <tr key={what}>
                <th scope="row" className="text-left font-normal">
                  {what}
                </th>
                <td className="font-mono">{was ?? 'not known'}</td>
                <td className="font-mono">{now ?? 'not known'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {found.length > MOST_SHOWN && <p>and {found.length - MOST_SHOWN} more</p>}
      <p className="mt-2 flex gap-2">
        <button type="button" className="action action-main" onClick={onUse}>
          Use {other.name}
        </button>
        <button type="button" className="action" onClick={onLeave}>
          Keep the present one
        </button>
      </p>
    </section>
  );
}

function nameOf(dialect: Dialect, own: readonly DialectRevision[]): string {
  const revision = own.find((one) => one.dialect === dialect)?.revision;
  return `${dialect.name} (${revision === undefined ? 'sample' : `revision ${revision}`})`;
}

function idOf(key: DialectKey): string {
  return key.slice(0, key.indexOf('@'));
}
