import {
  asId,
  BAY_ACCESS,
  bayAccesses,
  LIMITS,
  type Bay,
  type BayId,
  type FramePlan,
  type FramePoint,
  type PointId,
  type Route,
  type RouteId,
} from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { makeId } from '../../session/author.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { Section, SpotCells, TakeOut, TextCell } from './FrameTable.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** Bays, the points that cables may be led through, and the routes between them: each in numbers, each of one's own. */
export function FramePage() {
  const { unit } = useReadersUnits();
  const design = useDesign();
  const { frame } = design.aircraft.airframe;
  if (frame === undefined) return null;
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="frame-plan">
      <h2 className="text-[15px] font-bold">Bays and routes</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        All in {unit('mm')}: stations aft of the nose, butt lines to the right, water lines up. A cable enters the routes at the points in
        its own bay: a hole in a bulkhead belongs to the bays on both sides when it lies in both.
      </p>
      <Bays frame={frame} />
      <Points frame={frame} />
      <Routes frame={frame} />
    </div>
  );
}

/** A name inside the airframe that nothing else has. */
function newName(kind: 'bay' | 'point' | 'route'): string {
  return `${kind}-${makeId().toLowerCase()}`;
}

function Bays({ frame }: { readonly frame: FramePlan }) {
  const make = useMake();
  const set = (id: BayId, bay: Bay | null): void => void make({ kind: 'set-bay', id, bay, was: frame.bays[id] ?? null });
  const add = (): void => set(asId<BayId>(newName('bay')), NEW_BAY);
  return (
    <Section
      title="Bays"
      head={['Bay', 'Station', 'Butt line', 'Water line', 'Length', 'Width', 'Height', 'Access']}
      onAdd={add}
      addText="Add a bay"
    >
      {Object.entries(frame.bays).map(([key, bay]) => {
        const id = asId<BayId>(key);
        return (
          <tr key={`${key} ${bay.title}`} className="border-b border-rule">
            <TextCell label={`Name of ${bay.title}`} text={bay.title} onSave={(title) => title !== '' && set(id, { ...bay, title })} />
            <SpotCells of={bay.title} spot={bay.at} least={-LIMITS.lengthMmMax} onSave={(at) => set(id, { ...bay, at })} />
            <SpotCells
              of={bay.title}
              spot={bay.sizeMm}
              least={1}
              names={['length', 'width', 'height']}
              onSave={(sizeMm) => set(id, { ...bay, sizeMm })}
            />
            <td className="py-0.5 pr-3">
              <select
                className="field"
                aria-label={`Access to ${bay.title}`}
                value={bay.access}
                onChange={(event) => {
                  const access = bayAccesses.find((one) => one === event.target.value);
                  if (access !== undefined) set(id, { ...bay, access });
                }}
              >
                {bayAccesses.map((access) => (
                  <option key={access} value={access}>
                    {BAY_ACCESS[access]}
                  </option>
                ))}
              </select>
            </td>
            <TakeOut of={bay.title} onTake={() => set(id, null)} />
          </tr>
        );
      })}
    </Section>
  );
}

const NEW_BAY: Bay = { title: 'new bay', at: [0, 0, 0], sizeMm: [100, 80, 60], access: 'hatch-above' };
const NEW_POINT: FramePoint = { title: 'new point', at: [0, 0, 0] };

function Points({ frame }: { readonly frame: FramePlan }) {
  const make = useMake();
  const set = (id: PointId, point: FramePoint | null): void =>
    void make({ kind: 'set-frame-point', id, point, was: frame.points[id] ?? null });
  const add = (): void => set(asId<PointId>(newName('point')), NEW_POINT);
  return (
    <Section title="Points" head={['Point', 'Station', 'Butt line', 'Water line']} onAdd={add} addText="Add a point">
      {Object.entries(frame.points).map(([key, point]) => {
        const id = asId<PointId>(key);
        return (
          <tr key={`${key} ${point.title}`} className="border-b border-rule">
            <TextCell
              label={`Name of ${point.title}`}
              text={point.title}
              onSave={(title) => title !== '' && set(id, { ...point, title })}
            />
            <SpotCells of={point.title} spot={point.at} least={-LIMITS.lengthMmMax} onSave={(at) => set(id, { ...point, at })} />
            <TakeOut of={point.title} onTake={() => set(id, null)} />
          </tr>
        );
      })}
    </Section>
  );
}

function Routes({ frame }: { readonly frame: FramePlan }) {
  const make = useMake();
  const set = (id: RouteId, route: Route | null): void => void make({ kind: 'set-route', id, route, was: frame.routes[id] ?? null });
  const points = Object.entries(frame.points);
  const [first, second] = points.map(([id]) => asId<PointId>(id));
  const add = (): void => {
    if (first !== undefined && second !== undefined) {
      set(asId<RouteId>(newName('route')), { a: first, b: second, diameterMm: 12 });
    }
  };
  const titleOf = (id: PointId): string => frame.points[id]?.title ?? id;
  return (
    <Section title="Routes" head={['From', 'To', 'Hole', 'Joint']} onAdd={second === undefined ? undefined : add} addText="Add a route">
      {Object.entries(frame.routes).map(([key, route]) => {
        const id = asId<RouteId>(key);
        const name = `${titleOf(route.a)} to ${titleOf(route.b)}`;
        const end = (which: 'a' | 'b') => (
          <td className="py-0.5 pr-3">
            <select
              className="field w-52"
              aria-label={`${name}, ${which === 'a' ? 'from' : 'to'}`}
              value={route[which]}
              onChange={(event) => set(id, { ...route, [which]: asId<PointId>(event.target.value) })}
            >
              {points.map(([point, { title }]) => (
                <option key={point} value={point}>
                  {title}
                </option>
              ))}
            </select>
          </td>
        );
        return (
          <tr key={`${key} ${route.joint ?? ''}`} className="border-b border-rule">
            {end('a')}
            {end('b')}
            <td className="py-0.5 pr-3">
              <NumberField
                isLabelHidden
                label={`${name}, hole`}
                unit="mm"
                value={route.diameterMm}
                least={1}
                most={500}
                onSave={(diameterMm) => diameterMm !== undefined && set(id, { ...route, diameterMm })}
              />
            </td>
            <TextCell
              label={`${name}, joint`}
              text={route.joint ?? ''}
              placeholder="in one piece"
              onSave={(joint) => {
                const { joint: _was, ...whole } = route;
                set(id, joint === '' ? whole : { ...whole, joint });
              }}
            />
            <TakeOut of={name} onTake={() => set(id, null)} />
          </tr>
        );
      })}
    </Section>
  );
}
