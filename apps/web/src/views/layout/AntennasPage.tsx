import type { ReactNode } from 'react';
import {
  ANTENNAS,
  baselinesOf,
  compassFields,
  neighboursOf,
  noisyNeighbours,
  placedAntennas,
  productsOf,
  type Graph,
} from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useGraph, useSessionState } from '../../session/SessionContext.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';

/** Distances, isolations and what arrives, antenna by antenna; compasses and what turns them. Estimates, named so. */
export function AntennasPage() {
  const { design } = useSessionState();
  const graph = useGraph();
  usePageTitle(`${design.aircraft.name}, antennas and compass`);
  return (
    <div className="min-h-0 overflow-y-auto px-5 py-3" data-testid="antennas">
      <h2 className="text-[15px] font-bold">Antennas and compass</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Isolations are estimates in free air: the airframe is not in them. Nearer than a wavelength a low figure is stated. Fit every
        antenna before its transmitter gets power, and keep to the radio rules where you fly.
      </p>
      <Compasses graph={graph} />
      <Neighbours graph={graph} />
      <Noise graph={graph} />
      <Products graph={graph} />
      <Baselines graph={graph} />
    </div>
  );
}

interface TableProps {
  readonly title: string;
  readonly head: readonly string[];
  readonly empty: string;
  readonly rows: readonly { readonly key: string; readonly isOver: boolean; readonly cells: readonly ReactNode[] }[];
}

function Table({ title, head, empty, rows }: TableProps) {
  return (
    <section className="mt-4" aria-label={title}>
      <h3 className="text-[13px] font-semibold text-ink2">{title}</h3>
      {rows.length === 0 ? (
        <p className="mt-1 text-[13px]">{empty}</p>
      ) : (
        <table className="mt-1 text-[13px]">
          <thead>
            <tr className="border-b border-ink text-left text-ink2">
              {head.map((name) => (
                <th key={name} className="py-1 pr-6 font-semibold">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ key, isOver, cells }) => (
              <tr key={key} className={`border-b border-rule ${isOver ? 'text-rust' : ''}`}>
                {cells.map((cell, i) => (
                  <td key={head[i]} className="value py-1 pr-6">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Ref({ graph, itemRef }: { readonly graph: Graph; readonly itemRef: string }) {
  const { select } = useSelection();
  const item = graph.items.find((entry) => itemRef.startsWith(entry.item.ref))?.item;
  if (item === undefined) return itemRef;
  return (
    <button type="button" className="underline" onClick={() => select({ is: 'item', item: item.id })}>
      {itemRef}
    </button>
  );
}

function Compasses({ graph }: { readonly graph: Graph }) {
  return (
    <Table
      title="Compasses in use: what the currents do to their heading"
      head={['Compass', 'Worst', 'Varying, level', 'Heading error', 'Constant', 'Most of it from']}
      empty="No compass that is wired has a place yet."
      rows={compassFields(graph).map(({ compass, worst, constantUt, legs }) => ({
        key: compass.item.id,
        isOver: worst.errorDeg > 5,
        cells: [
          <Ref key="ref" graph={graph} itemRef={compass.item.ref} />,
          worst.title.toLowerCase(),
          `${worst.levelUt.toFixed(2)} uT`,
          `${worst.errorDeg.toFixed(1)} deg`,
          `${Math.hypot(...constantUt).toFixed(1)} uT`,
          legs
            .slice(0, 3)
            .map(({ of, ut }) => `${of.cable.tag} ${ut.toFixed(1)}`)
            .join(', '),
        ],
      }))}
    />
  );
}

function Neighbours({ graph }: { readonly graph: Graph }) {
  return (
    <Table
      title="Distances and isolations: what one antenna gets of another"
      head={['Sender', 'Receiver', 'Apart', 'Isolation', 'Arrives', 'Bears']}
      empty={
        placedAntennas(graph).length === 0
          ? 'Nothing with an antenna has a place yet.'
          : 'No transmitter is beside a receiver of another part.'
      }
      rows={neighboursOf(graph).map(({ sender, receiver, isolation, arrivesDbm, bearsDbm }) => ({
        key: `${sender.name} ${receiver.name}`,
        isOver: arrivesDbm > bearsDbm,
        cells: [
          <Ref key="s" graph={graph} itemRef={sender.name} />,
          <Ref key="r" graph={graph} itemRef={receiver.name} />,
          `${isolation.distanceMm.toFixed(0)} mm`,
          `${isolation.db.toFixed(0)} dB${isolation.isNear ? ', stated' : ''}`,
          `${arrivesDbm.toFixed(0)} dBm`,
          `${bearsDbm.toFixed(0)} dBm`,
        ],
      }))}
    />
  );
}

function Noise({ graph }: { readonly graph: Graph }) {
  return (
    <Table
      title="Computers and switching regulators beside satellite antennas"
      head={['Source', 'Antenna', 'Apart', 'Arrives', 'Bears']}
      empty="None."
      rows={noisyNeighbours(graph).map(({ source, receiver, distanceMm, arrivesDbm, bearsDbm }) => ({
        key: `${source.item.ref} ${receiver.name}`,
        isOver: arrivesDbm > bearsDbm,
        cells: [
          <Ref key="s" graph={graph} itemRef={source.item.ref} />,
          receiver.name,
          `${distanceMm.toFixed(0)} mm`,
          `${arrivesDbm.toFixed(0)} dBm`,
          `${bearsDbm.toFixed(0)} dBm`,
        ],
      }))}
    />
  );
}

function Products({ graph }: { readonly graph: Graph }) {
  return (
    <Table
      title="Harmonics and products that fall on a receiver"
      head={['Product', 'On', 'Heard by', 'Level', 'Limit']}
      empty="None that would be heard."
      rows={productsOf(placedAntennas(graph)).map(({ name, mhz, receiver, levelDbm, limitDbm }) => ({
        key: `${name} ${receiver.name}`,
        isOver: true,
        cells: [
          name,
          `${mhz[0].toFixed(0)} to ${mhz[1].toFixed(0)} MHz`,
          <Ref key="r" graph={graph} itemRef={receiver.name} />,
          `${levelDbm.toFixed(0)} dBm`,
          `${limitDbm.toFixed(0)} dBm`,
        ],
      }))}
    />
  );
}

function Baselines({ graph }: { readonly graph: Graph }) {
  const baselines = baselinesOf(graph);
  if (baselines.length === 0) return null;
  return (
    <Table
      title="Heading from two antennas"
      head={['Receiver', 'Baseline', 'From the first to the second', 'Heading, one sigma', 'Antenna']}
      empty=""
      rows={baselines.map(({ ref, lengthMm, bearingDeg, errorDeg, second }) => ({
        key: ref,
        isOver: false,
        cells: [
          <Ref key="r" graph={graph} itemRef={ref} />,
          `${lengthMm.toFixed(0)} mm`,
          `${bearingDeg.toFixed(0)} deg from forward, to the right`,
          `${errorDeg.toFixed(1)} deg`,
          ANTENNAS[second.antenna].title,
        ],
      }))}
    />
  );
}
