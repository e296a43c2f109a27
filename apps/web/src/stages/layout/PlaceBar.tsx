import { LIMITS, type FramePlan, type Item, type Place } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { placeEdit, turnedOnce } from './moving.ts';
import { bayNamed } from '../../drawing/viewBoxes.ts';

interface PlaceBarProps {
  readonly item: Item;
  readonly frame: FramePlan;
  readonly massG: number | undefined;
}

const AXES = [
  { axis: 0, label: 'Station' },
  { axis: 1, label: 'Butt line' },
  { axis: 2, label: 'Water line' },
] as const;

/** Place, bay, turn and mass of the selected item, to be typed. */
export function PlaceBar({ item, frame, massG }: PlaceBarProps) {
  const make = useMake();
  const { place } = item;
  const bays = Object.entries(frame.bays);
  const first = bays[0]?.[1];
  const put = (next: Place | null): void => void make(placeEdit(item, next));
  const inBay = (id: string): void => {
    const bay = bayNamed(frame, id);
    const middle = bay === undefined ? undefined : frame.bays[bay]?.at;
    const { bay: _old, ...rest }: Place = place ?? { at: first?.at ?? [0, 0, 0], turn: [0, 0, 0], yawDeg: 0, below: false };
    put(bay === undefined || middle === undefined ? rest : { ...rest, bay, at: middle });
  };
  return (
    <section
      aria-label={`Place of ${item.ref}`}
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule pt-2 text-[13px]"
    >
      <h3 className="font-semibold">{item.ref}</h3>
      {place !== undefined &&
        AXES.map(({ axis, label }) => (
          <NumberField
            key={axis}
            label={label}
            unit="mm"
            value={place.at[axis]}
            least={-LIMITS.lengthMmMax}
            most={LIMITS.lengthMmMax}
            onSave={(value) => {
              if (value !== undefined)
                put({
                  ...place,
                  at: [axis === 0 ? value : place.at[0], axis === 1 ? value : place.at[1], axis === 2 ? value : place.at[2]],
                });
            }}
          />
        ))}
      <label className="flex items-center gap-1">
        Bay
        <select className="field" value={place?.bay ?? ''} onChange={(event) => inBay(event.target.value)}>
          <option value="">{place === undefined ? 'not placed yet' : 'none: in a wing or outside'}</option>
          {bays.map(([id, { title }]) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      {place !== undefined && (
        <>
          <button type="button" className="action" onClick={() => put(turnedOnce(place))}>
            Turn, now {place.turn[2]}° <kbd className="key">r</kbd>
          </button>
          <NumberField
            label="Fine turn"
            unit="deg"
            value={place.yawDeg}
            least={-45}
            most={45}
            onSave={(value) => {
              if (value !== undefined) put({ ...place, yawDeg: value });
            }}
          />
          <Quarter
            label="Rolled"
            value={place.turn[0]}
            onChange={(roll) => put({ ...place, turn: [roll, place.turn[1], place.turn[2]] })}
          />
          <Quarter
            label="Nose up"
            value={place.turn[1]}
            onChange={(pitch) => put({ ...place, turn: [place.turn[0], pitch, place.turn[2]] })}
          />
          <label className="flex items-center gap-1">
            <input type="checkbox" checked={place.below} onChange={(event) => put({ ...place, below: event.target.checked })} />
            from below
          </label>
          <button type="button" className="action" onClick={() => put(null)}>
            Remove from layout
          </button>
        </>
      )}
      <NumberField
        label="As weighed"
        unit="g"
        value={item.weighedG}
        least={0.1}
        most={100_000}
        usual={{ value: massG }}
        onSave={(value) => void make({ kind: 'weigh-item', item: item.id, massG: value ?? null, was: item.weighedG ?? null })}
      />
    </section>
  );
}

type QuarterTurn = Place['turn'][number];
const QUARTERS: readonly QuarterTurn[] = [0, 90, 180, 270];

interface QuarterProps {
  readonly label: string;
  readonly value: QuarterTurn;
  readonly onChange: (value: QuarterTurn) => void;
}

function Quarter({ label, value, onChange }: QuarterProps) {
  return (
    <label className="flex items-center gap-1">
      {label}
      <select
        className="field"
        value={value}
        onChange={(event) => onChange(QUARTERS.find((quarter) => String(quarter) === event.target.value) ?? value)}
      >
        {QUARTERS.map((quarter) => (
          <option key={quarter} value={quarter}>
            {quarter}°
          </option>
        ))}
      </select>
    </label>
  );
}
