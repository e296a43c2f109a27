import {
  ANTENNAS,
  baselinesOf,
  compassFields,
  neighboursOf,
  noisyNeighbours,
  placedAntennas,
  productsOf,
  quantity,
  shadowName,
  shadowsOf,
  shadowWords,
  type Graph,
  figure,
  inSentence,
  range,
} from '@wired-falcon/core';
import { useGraph } from '../../session/SessionContext.tsx';
import { FactTable, ItemLink } from './FactTable.tsx';

/** Distances, isolations and what arrives, antenna by antenna; compasses and what turns them. Estimates, named so. */
export function AntennasPage() {
  const graph = useGraph();
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="antennas">
      <h2 className="text-[15px] font-bold">Antennas and compass</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Isolations are estimates in free air: the airframe is not in them. Below one wavelength the figure is low on purpose. Fit every
        antenna before its transmitter gets power, and keep to the radio rules where you fly.
      </p>
      <Compasses graph={graph} />
      <Neighbours graph={graph} />
      <Shadows graph={graph} />
      <Noise graph={graph} />
      <Products graph={graph} />
      <Baselines graph={graph} />
    </div>
  );
}

function Compasses({ graph }: { readonly graph: Graph }) {
  return (
    <FactTable
      title="Compasses in use: heading error from currents"
      head={['Compass', 'Worst', 'Varying, level', 'vertical', 'Heading error', 'Constant', 'Mainly from']}
      empty={hasCompass(graph) ? 'No wired compass is placed yet.' : 'No part of the aircraft has a compass.'}
      rows={compassFields(graph).map(({ compass, worst, constantUt, legs }) => ({
        key: compass.item.id,
        isOver: worst.errorDeg > 5,
        cells: [
          <ItemLink key="ref" graph={graph} itemRef={compass.item.ref} />,
          inSentence(worst.title),
          quantity(worst.levelUt, 'uT'),
          quantity(worst.verticalUt, 'uT'),
          quantity(worst.errorDeg, 'deg'),
          quantity(Math.hypot(...constantUt), 'uT'),
          legs
            .slice(0, 3)
            .map(({ of, ut }) => `${of.cable.tag} ${figure(ut, 'uT')}`)
            .join(', '),
        ],
      }))}
    />
  );
}

function hasCompass({ items }: Graph): boolean {
  return items.some(({ item, part }) => item.where === 'aircraft' && part?.compass !== undefined);
}

function Neighbours({ graph }: { readonly graph: Graph }) {
  return (
    <FactTable
      title="Distances and isolations between antennas"
      head={['Transmitter', 'Receiver', 'Distance', 'Isolation', 'Signal', 'Limit']}
      empty={
        placedAntennas(graph).length === 0 ? 'Nothing with an antenna is placed yet.' : 'No transmitter is near a receiver of another part.'
      }
      rows={neighboursOf(graph).map(({ sender, receiver, isolation, arrivesDbm, bearsDbm }) => ({
        key: `${sender.name} ${receiver.name}`,
        isOver: arrivesDbm > bearsDbm,
        cells: [
          <ItemLink key="s" graph={graph} itemRef={sender.name} />,
          <ItemLink key="r" graph={graph} itemRef={receiver.name} />,
          quantity(isolation.distanceMm, 'mm'),
          `${quantity(isolation.db, 'dB')}${isolation.isNear ? ', stated' : ''}`,
          quantity(arrivesDbm, 'dBm'),
          quantity(bearsDbm, 'dBm'),
        ],
      }))}
    />
  );
}

function Shadows({ graph }: { readonly graph: Graph }) {
  return (
    <FactTable
      title="Obstructions between an antenna and the horizon, at its height: packs, motors, and carbon parts as in the Brief"
      head={['Antenna', 'Shadowed by', 'Distance', 'Hides', 'Where']}
      empty="Nothing."
      rows={shadowsOf(graph).map((shadow, i) => ({
        key: String(i),
        isOver: false,
        cells: [
          <ItemLink key="a" graph={graph} itemRef={shadow.antenna.name} />,
          <ItemLink key="b" graph={graph} itemRef={shadowName(shadow.body)} />,
          quantity(shadow.distanceMm, 'mm'),
          quantity(shadow.spanDeg, 'deg'),
          shadowWords(shadow),
        ],
      }))}
    />
  );
}

function Noise({ graph }: { readonly graph: Graph }) {
  return (
    <FactTable
      title="Computers and switching regulators near GNSS antennas"
      head={['Source', 'Antenna', 'Distance', 'Signal', 'Limit']}
      empty="None."
      rows={noisyNeighbours(graph).map(({ source, receiver, distanceMm, arrivesDbm, bearsDbm }) => ({
        key: `${source.item.ref} ${receiver.name}`,
        isOver: arrivesDbm > bearsDbm,
        cells: [
          <ItemLink key="s" graph={graph} itemRef={source.item.ref} />,
          receiver.name,
          quantity(distanceMm, 'mm'),
          quantity(arrivesDbm, 'dBm'),
          quantity(bearsDbm, 'dBm'),
        ],
      }))}
    />
  );
}

function Products({ graph }: { readonly graph: Graph }) {
  return (
    <FactTable
      title="Harmonics and intermodulation products on a receiver"
      head={['Product', 'On', 'Receiver', 'Level', 'Limit']}
      empty="None above a limit."
      rows={productsOf(placedAntennas(graph)).map(({ name, mhz, receiver, levelDbm, limitDbm }) => ({
        key: `${name} ${receiver.name}`,
        isOver: true,
        cells: [
          name,
          range(mhz[0], mhz[1], 'MHz'),
          <ItemLink key="r" graph={graph} itemRef={receiver.name} />,
          quantity(levelDbm, 'dBm'),
          quantity(limitDbm, 'dBm'),
        ],
      }))}
    />
  );
}

function Baselines({ graph }: { readonly graph: Graph }) {
  const baselines = baselinesOf(graph);
  if (baselines.length === 0) return null;
  return (
    <FactTable
      title="Heading from two antennas"
      head={['Receiver', 'Baseline', 'From first to second', 'Heading, one sigma', 'Antenna']}
      empty=""
      rows={baselines.map(({ ref, lengthMm, bearingDeg, errorDeg, second }) => ({
        key: ref,
        isOver: false,
        cells: [
          <ItemLink key="r" graph={graph} itemRef={ref} />,
          quantity(lengthMm, 'mm'),
          `${quantity(bearingDeg, 'deg')} from forward, to the right`,
          quantity(errorDeg, 'deg'),
          ANTENNAS[second.antenna].title,
        ],
      }))}
    />
  );
}
