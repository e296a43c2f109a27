import { isToSettle, type AircraftId, type DriftRow } from '@wired-falcon/core';
import { PlaceLink } from './PlaceLink.tsx';

interface DriftLineRowProps {
  readonly aircraft: AircraftId;
  readonly row: DriftRow;
  /** That a person took the plan's side. */
  readonly isToLoad: boolean;
  readonly onPlan: () => void;
  readonly onAircraft: () => void;
}

const KIND_WORDS: Readonly<Record<DriftRow['is'], string>> = {
  same: 'as planned',
  differs: 'differs',
  missing: 'missing',
  extra: 'not in the plan',
  lost: 'lost',
  'at-delivered': 'default',
  unknown: 'not understood',
  calibration: 'calibration',
  identity: 'identity',
  counter: 'counter',
  bad: 'unreadable',
  repeated: 'repeated',
};

/** One line of a drift, with the two sides to choose from where they differ. */
export function DriftLineRow({ aircraft, row, isToLoad, onPlan, onAircraft }: DriftLineRowProps) {
  const { is, name, number, plan, there, words, places } = row;
  const isOpen = isToSettle(row);
  const canTake = isOpen || is === 'unknown';
  return (
    <div
      data-drift={is}
      data-name={name}
      className={`grid grid-cols-[44px_150px_90px_90px_minmax(0,1fr)_150px] gap-x-2 border-b border-grid py-0.5 text-[12.5px] ${is === 'lost' ? 'bg-grid' : ''}`}
    >
      <span className="value text-ink2">{number ?? ''}</span>
      <span className="value break-words">{name}</span>
      <span className={`value break-words ${isOpen ? 'font-semibold' : 'text-ink2'}`}>{plan}</span>
      <span className={`value break-words ${isOpen ? 'font-semibold text-rust' : 'text-ink2'}`}>{there}</span>
      <span className={isOpen ? '' : 'text-ink2'}>
        {words}{' '}
        {isOpen && places.length > 0 && (
          <span className="text-ink2">
            Decided in:{' '}
            {places.slice(0, 3).map((place, i) => (
              <span key={`${place.words} ${i}`}>
                {i === 0 ? '' : ', '}
                <PlaceLink {...place} aircraft={aircraft} />
              </span>
            ))}
          </span>
        )}
      </span>
      <span className="flex items-start justify-end gap-1">
        {isOpen && (
          <button
            type="button"
            aria-pressed={isToLoad}
            aria-label={`Take the plan for ${name}`}
            className={`border px-2 ${isToLoad ? 'border-ink bg-ink text-white' : 'border-ink'}`}
            onClick={onPlan}
          >
            plan
          </button>
        )}
        {canTake ? (
          <button type="button" aria-label={`Take the aircraft for ${name}`} className="border border-ink px-2" onClick={onAircraft}>
            aircraft
          </button>
        ) : (
          <span className="text-ink2">{KIND_WORDS[is]}</span>
        )}
      </span>
    </div>
  );
}
