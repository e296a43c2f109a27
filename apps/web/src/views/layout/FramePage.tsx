import { useState, type ReactNode } from 'react';
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
  type Spot,
} from '@wired-falcon/core';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { makeId } from '../../session/author.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';

/** Bays, the points that cables may be led through, and the routes between them: each in numbers, each of one's own. */
export function FramePage() {
  const { design } = useSessionState();
  const { frame } = design.aircraft.airframe;
  usePageTitle(`${design.aircraft.name}, bays and routes`);
  if (frame === undefined) return null;
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="frame-plan">
      <h2 className="text-[15px] font-bold">Bays and routes</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        All in mm: stations aft of the nose, butt lines to the right, water lines up. A cable enters the routes at the points in its own
        bay: a hole in a bulkhead belongs to the bays on both sides when it lies in both.
      </p>
      <Bays frame={frame} />
      <Points frame={frame} />
      <Routes frame={frame} />
    </div>
  );
}

interface SectionProps {
  readonly title: string;
  readonly head: readonly string[];
  readonly children: ReactNode;
  readonly onAdd: (() => void) | undefined;
  readonly addText: string;
}

function Section({ title, head, children, onAdd, addText }: SectionProps) {
  return (
    <section className="mt-4" aria-label={title}>
      <h3 className="text-[13px] font-semibold text-ink2">{title}</h3>
      <table className="mt-1 text-[13px]">
        <thead>
          <tr className="border-b border-ink text-left text-ink2">
            {head.map((name) => (
              <th key={name} className="py-1 pr-3 font-semibold">
                {name}
              </th>
            ))}
            <th>
              <span className="sr-only">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
      {onAdd !== undefined && (
        <button type="button" className="action mt-2" onClick={onAdd}>
          {addText}
        </button>
      )}
    </section>
  );
}

const AXES = [
  { axis: 0, name: 'station' },
  { axis: 1, name: 'butt line' },
  { axis: 2, name: 'water line' },
] as const;

function withAxis(spot: Spot, axis: 0 | 1 | 2, value: number): Spot {
  return [axis === 0 ? value : spot[0], axis === 1 ? value : spot[1], axis === 2 ? value : spot[2]];
}

interface SpotCellsProps {
  readonly of: string;
  readonly spot: Spot;
  readonly least: number;
  readonly names?: readonly [string, string, string];
  readonly onSave: (spot: Spot) => void;
}

/** Three numbers, each in a cell of its own. */
function SpotCells({ of, spot, least, names = ['station', 'butt line', 'water line'], onSave }: SpotCellsProps) {
  return AXES.map(({ axis }) => (
    <td key={axis} className="py-0.5 pr-1.5">
      <NumberField
        isLabelHidden
        label={`${of}, ${names[axis]}`}
        unit=""
        value={spot[axis]}
        least={least}
        most={LIMITS.lengthMmMax}
        onSave={(value) => value !== undefined && onSave(withAxis(spot, axis, value))}
      />
    </td>
  ));
}

function TitleCell({ of, title, onSave }: { readonly of: string; readonly title: string; readonly onSave: (title: string) => void }) {
  const [text, setText] = useState(title);
  const save = (): void => {
    const trimmed = text.trim();
    if (trimmed !== '' && trimmed !== title) onSave(trimmed);
  };
  return (
    <td className="py-0.5 pr-3">
      <input
        className="field w-40"
        aria-label={`Name of ${of}`}
        maxLength={LIMITS.labelChars}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
    </td>
  );
}

function TakeOut({ of, onTake }: { readonly of: string; readonly onTake: () => void }) {
  return (
    <td>
      <button type="button" className="text-[12.5px] text-ink2 underline" aria-label={`Take out ${of}`} onClick={onTake}>
        take out
      </button>
    </td>
  );
}

function Bays({ frame }: { readonly frame: FramePlan }) {
  const make = useMake();
  const set = (id: BayId, bay: Bay | null): void => void make({ kind: 'set-bay', id, bay, was: frame.bays[id] ?? null });
  const add = (): void => set(asId<BayId>(`bay-${makeId()}`.toLowerCase().replaceAll('_', '-')), NEW_BAY);
  return (
    <Section
      title="Bays"
      head={['Bay', 'Station', 'Butt line', 'Water line', 'Length', 'Width', 'Height', 'Way in']}
      onAdd={add}
      addText="Add a bay"
    >
      {Object.entries(frame.bays).map(([key, bay]) => {
        const id = asId<BayId>(key);
        return (
          <tr key={`${key} ${bay.title}`} className="border-b border-rule">
            <TitleCell of={bay.title} title={bay.title} onSave={(title) => set(id, { ...bay, title })} />
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
                aria-label={`Way into ${bay.title}`}
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
  const add = (): void => set(asId<PointId>(`point-${makeId()}`.toLowerCase().replaceAll('_', '-')), NEW_POINT);
  return (
    <Section title="Points" head={['Point', 'Station', 'Butt line', 'Water line']} onAdd={add} addText="Add a point">
      {Object.entries(frame.points).map(([key, point]) => {
        const id = asId<PointId>(key);
        return (
          <tr key={`${key} ${point.title}`} className="border-b border-rule">
            <TitleCell of={point.title} title={point.title} onSave={(title) => set(id, { ...point, title })} />
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
      set(asId<RouteId>(`route-${makeId()}`.toLowerCase().replaceAll('_', '-')), { a: first, b: second, diameterMm: 12 });
    }
  };
  const titleOf = (id: PointId): string => frame.points[id]?.title ?? id;
  return (
    <Section
      title="Routes"
      head={['From', 'To', 'Hole', 'Comes apart at']}
      onAdd={second === undefined ? undefined : add}
      addText="Add a route"
    >
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
            <JointCell
              of={name}
              joint={route.joint ?? ''}
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

/** The name of the joint where the airframe comes apart on a route; empty where it does not. */
function JointCell({ of, joint, onSave }: { readonly of: string; readonly joint: string; readonly onSave: (joint: string) => void }) {
  const [text, setText] = useState(joint);
  const save = (): void => {
    if (text.trim() !== joint) onSave(text.trim());
  };
  return (
    <td className="py-0.5 pr-3">
      <input
        className="field w-40"
        aria-label={`${of}, joint`}
        maxLength={LIMITS.labelChars}
        placeholder="in one piece"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
    </td>
  );
}
