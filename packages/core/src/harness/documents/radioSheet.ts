import { figure, quantity, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { ANTENNA_AXES, ANTENNAS } from '../../model/radio.ts';
import { placedAntennas, radiosOf, type RadioAt } from '../../radio/antennasOf.ts';
import { linkBudget, marginDb, reachM } from '../../radio/linkBudget.ts';
import { linkWishes } from '../../radio/linkWishes.ts';
import { neighboursOf } from '../../radio/nearby.ts';
import { productsOf } from '../../radio/products.ts';
import { shadowName, shadowsOf, shadowWords } from '../../radio/shadows.ts';
import type { Sheet } from './sheet.ts';

/** Every radio with its antenna, its reach, and what arrives at it of the others. */
export function radioSheet(graph: Graph): Sheet {
  const { heights, wantedDb } = linkWishes(graph);
  const missionM = (graph.design.aircraft.airframe.frame?.numbers.missionKm ?? 0) * 1000;
  const places = new Map(placedAntennas(graph).map((antenna) => [antenna.name, antenna.at] as const));
  const neighbours = neighboursOf(graph);
  return {
    title: `Radios ${graph.design.aircraft.name}`,
    subtitle: `${stated(heights.flightM, 'm')} flight height, ground antenna at ${stated(heights.groundM, 'm')}, ${stated(wantedDb, 'dB')} of margin required`,
    columns: [
      { title: 'Radio', kind: 'value' },
      { title: 'MHz', kind: 'value' },
      { title: 'Transmits', kind: 'value' },
      { title: 'Antenna', kind: 'words' },
      { title: 'Station', kind: 'value' },
      { title: 'Ground antenna', kind: 'words' },
      { title: 'Range', kind: 'value' },
      { title: 'Margin at mission distance', kind: 'value' },
      { title: 'Worst interferer', kind: 'words' },
    ],
    rows: radiosOf(graph).map((radio) => {
      const budget = linkBudget(radio);
      const [low, high] = radio.radio.mhz;
      const at = places.get(radio.name);
      return [
        radio.name,
        `${figure(low, 'MHz')} to ${figure(high, 'MHz')}`,
        radio.radio.sendsDbm === undefined ? 'listens' : quantity(radio.radio.sendsDbm, 'dBm'),
        `${ANTENNAS[radio.antenna].title}, ${ANTENNA_AXES[radio.axis]}`,
        at === undefined ? 'not placed' : quantity(at[0], 'mm'),
        budget === undefined ? '' : ANTENNAS[radio.groundAntenna].title,
        budget === undefined ? '' : quantity(reachM(budget.lossDb - wantedDb, budget.mhz, heights) / 1000, 'km'),
        budget === undefined || missionM === 0 ? '' : quantity(marginDb(budget, missionM, heights), 'dB'),
        worstOf(radio, neighbours),
      ];
    }),
    notes: [
      'Ranges are for a clear path; isolations are estimates in free space.',
      ...productsOf(placedAntennas(graph)).map(
        ({ name, mhz, receiver }) => `${name} falls on ${quantity(mhz[0], 'MHz')}, where ${receiver.name} receives.`,
      ),
      ...shadowsOf(graph).map(
        (shadow) =>
          `${capital(shadowName(shadow.body))} hides ${quantity(shadow.spanDeg, 'degrees')} of the horizon ${shadowWords(shadow)} from the antenna of ${shadow.antenna.name}.`,
      ),
    ],
    cautions: [
      'Fit the antenna before powering the radio.',
      'Bands and power are limited by local radio rules; follow them and your licence. Test the range on the ground first.',
    ],
  };
}

function worstOf(radio: RadioAt, neighbours: ReturnType<typeof neighboursOf>): string {
  const own = neighbours.filter(({ receiver }) => receiver.name === radio.name);
  const worst = own.reduce<(typeof own)[number] | undefined>(
    (most, next) => (most === undefined || next.arrivesDbm - next.bearsDbm > most.arrivesDbm - most.bearsDbm ? next : most),
    undefined,
  );
  if (worst === undefined) return '';
  const { sender, isolation, arrivesDbm, bearsDbm } = worst;
  return `${sender.name}, ${quantity(isolation.distanceMm, 'mm')}, ${quantity(Math.abs(bearsDbm - arrivesDbm), 'dB')} ${arrivesDbm > bearsDbm ? 'too much' : 'clear'}`;
}

function capital(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
}
