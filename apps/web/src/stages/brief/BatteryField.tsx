import { batteryWords, LIMITS, type Aircraft, type PlannedBattery } from '@wired-falcon/core';
import { useGraph, useMake } from '../../session/SessionContext.tsx';

const CELLS = Array.from({ length: LIMITS.batteryCells }, (_, i) => i + 1);

/** The pack that is planned, beside those that are in the aircraft. */
export function BatteryField({ aircraft }: { readonly aircraft: Aircraft }) {
  const make = useMake();
  const now = aircraft.plannedBattery;
  const set = (battery: PlannedBattery | null): void => {
    make({ kind: 'set-planned-battery', battery, was: now ?? null });
  };
  return (
    <fieldset className="mt-3">
      <legend className="text-[13px] text-ink2">Battery</legend>
      <div className="mt-0.5 flex gap-2">
        <select
          className="field"
          aria-label="Battery chemistry"
          value={now?.chemistry ?? ''}
          onChange={(event) => {
            const next = event.target.value;
            if (next === 'lipo' || next === 'li-ion') set({ chemistry: next, cells: now?.cells ?? 4 });
            else set(null);
          }}
        >
          <option value="">open</option>
          <option value="lipo">LiPo</option>
          <option value="li-ion">Li-ion</option>
        </select>
        <select
          className="field value"
          aria-label="Cells in series"
          disabled={now === undefined}
          value={now?.cells ?? ''}
          onChange={(event) => now !== undefined && set({ ...now, cells: Number(event.target.value) })}
        >
          {now === undefined && <option value="">cells</option>}
          {CELLS.map((cells) => (
            <option key={cells} value={cells}>
              {cells}S
            </option>
          ))}
        </select>
        <span className="self-center text-[12.5px] text-ink2">{now === undefined ? '' : <Comparison battery={now} />}</span>
      </div>
    </fieldset>
  );
}

/** Whether the packs in the aircraft are what is planned. */
function Comparison({ battery }: { readonly battery: PlannedBattery }) {
  const graph = useGraph();
  const packs = graph.items.flatMap(({ item, part }) =>
    (part?.circuit ?? []).flatMap((element) => (element.is === 'battery' ? [{ ref: item.ref, element }] : [])),
  );
  if (packs.length === 0) return <>no pack in the aircraft yet</>;
  const others = packs.filter(({ element }) => element.cells !== battery.cells || element.chemistry !== battery.chemistry);
  if (others.length === 0) return <>{packs.map(({ ref }) => ref).join(', ')} as planned</>;
  return (
    <span className="text-rust">
      {others.map(({ ref, element }) => `${ref} is ${batteryWords({ chemistry: element.chemistry, cells: element.cells })}`).join(', ')}
    </span>
  );
}
