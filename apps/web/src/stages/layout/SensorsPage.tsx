import {
  BAY_ACCESS,
  decimals,
  hoverOf,
  inertialSensors,
  pitotsOf,
  quantity,
  reachOf,
  speedAtPa,
  stepMs,
  TUBE_BORE_MM,
  tubeLagMs,
  type Graph,
  type Pitot,
  stated,
  percent,
} from '@wired-falcon/core';
import { useGraph } from '../../session/SessionContext.tsx';
import { FactTable, ItemLink } from './FactTable.tsx';

/** How sensors sit in the aircraft, what hovering takes, and what one gets at when it is together. */
export function SensorsPage() {
  const graph = useGraph();
  const hover = hoverOf(graph);
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="sensors">
      <h2 className="text-[15px] font-bold">Sensors and reach</h2>
      <Inertial graph={graph} />
      <Airspeed graph={graph} />
      {hover !== undefined && (
        <p className="mt-4 text-[13px]" data-testid="hover">
          Hovering takes about <b className="value">{quantity(hover.wattsEach, 'W')}</b> of each of {hover.motors} motors:{' '}
          <b className="value">{percent(hover.throttle)}</b> of the throttle{hover.isEnough ? '' : ', and that is not enough'}. An estimate
          from the weight and the size of the propellers.
        </p>
      )}
      <Reach graph={graph} />
    </div>
  );
}

interface OfGraph {
  readonly graph: Graph;
}

function Inertial({ graph }: OfGraph) {
  return (
    <FactTable
      title="Inertial sensors: orientation, and distance from the centre of gravity"
      head={['Controller', 'Its nose points', 'Its right side', 'Its top', 'Off square', 'From the CG']}
      empty="No controller is placed yet."
      rows={inertialSensors(graph).map(({ controller, turning, offSquareDeg, fromBalanceMm }) => ({
        key: controller.item.id,
        isOver: false,
        cells: [
          <ItemLink key="ref" graph={graph} itemRef={controller.item.ref} />,
          axisText(turning, 0, -1),
          axisText(turning, 1, 1),
          axisText(turning, 2, 1),
          quantity(offSquareDeg, 'deg'),
          fromBalanceMm === undefined ? '' : quantity(fromBalanceMm, 'mm'),
        ],
      }))}
    />
  );
}

/** Where an axis of a part points in the aircraft, as the share of forward, right and up. */
function axisText(turning: ReturnType<typeof inertialSensors>[number]['turning'], axis: 0 | 1 | 2, sign: 1 | -1): string {
  const [forward, right, up] = [-sign * turning[0][axis], sign * turning[1][axis], sign * turning[2][axis]];
  const words: readonly (readonly [number, string])[] = [
    [forward, 'forward'],
    [-forward, 'aft'],
    [right, 'right'],
    [-right, 'left'],
    [up, 'up'],
    [-up, 'down'],
  ];
  const square = words.find(([share]) => share > 0.9999);
  return square?.[1] ?? [forward, right, up].map((share) => decimals(share, 3)).join(', ');
}

function Airspeed({ graph }: OfGraph) {
  const { stallMs, neverExceedMs } = graph.design.aircraft.airframe.frame?.numbers ?? {};
  return (
    <FactTable
      title={`Airspeed: probe and tube; the lag is an estimate for a bore of ${stated(TUBE_BORE_MM, 'mm')}`}
      head={['Sensor', 'Probe at station', 'Tube', 'Lag', 'Range', 'Never exceed', 'A step at stall speed']}
      empty="No airspeed sensor is placed yet."
      rows={pitotsOf(graph).map(({ sensor, head, tubeMm }) => {
        const range = sensor.part.airspeed;
        const mostMs = range === undefined ? undefined : speedAtPa(range.fullScalePa);
        return {
          key: sensor.item.id,
          isOver: mostMs !== undefined && neverExceedMs !== undefined && mostMs < neverExceedMs,
          cells: [
            <ItemLink key="ref" graph={graph} itemRef={sensor.item.ref} />,
            quantity(head[0], 'mm'),
            quantity(tubeMm, 'mm'),
            quantity(tubeLagMs(tubeMm), 'ms'),
            mostMs === undefined ? '' : quantity(mostMs, 'm/s'),
            neverExceedMs === undefined ? '' : quantity(neverExceedMs, 'm/s'),
            stepText(range, stallMs),
          ],
        };
      })}
    />
  );
}

function stepText(range: Pitot['sensor']['part']['airspeed'], stallMs: number | undefined): string {
  return range === undefined || stallMs === undefined ? '' : quantity(stepMs(range.stepPa, stallMs), 'm/s');
}

function Reach({ graph }: OfGraph) {
  return (
    <FactTable
      title="Parts reachable after assembly, with cards, buttons and lights"
      head={['Part', 'Feature', 'Bay', 'Access']}
      empty="Nothing that needs access is placed yet."
      rows={reachOf(graph).map(({ placed, what, by }) => ({
        key: `${placed.item.id} ${what}`,
        isOver: by === 'closed',
        cells: [
          <ItemLink key="ref" graph={graph} itemRef={placed.item.ref} />,
          what,
          placed.place.bay === undefined ? 'none' : (graph.design.aircraft.airframe.frame?.bays[placed.place.bay]?.title ?? ''),
          by === 'closed' ? 'configure before it is closed' : by === 'open' ? 'always' : `by its ${BAY_ACCESS[by]}`,
        ],
      }))}
    />
  );
}
