import { LINK_REPORTS, type LinkReport, type LossSignal } from '../model/endpoint.ts';
import type { ResolvedPart, Turns } from '../model/part.ts';
import { effectiveSettings } from '../model/resolvePart.ts';
import type { Item } from '../model/aircraft.ts';
import type { Part } from '../model/part.ts';
import { listed } from '../text/lists.ts';
import { stated } from '../text/numbers.ts';
import { protocols } from './protocols.ts';
import type { RcOut } from './rcFormats.ts';

/** A fact that a part states, for a person to read. */
export interface FactLine {
  readonly label: string;
  readonly text: string;
}

const LOSS_WORDS: Readonly<Record<LossSignal, string>> = {
  flag: 'reported by a flag in its frames',
  'no-frames': 'reported by silence: it stops sending',
  preset: 'it sends preset channels, which look like real ones',
  none: 'not reported: it repeats the last channels',
};

/**
 * What the part of an item states beyond its ports, mass and size: how a lost link is told, what its antennas are for, what its radios speak, which way it turns,
 * what its USB is, the clocks of its serial ports, its scales, its cells, what
 * it draws while its motor stands, its thrust. As the item is set.
 * @param raw the part as it is written, @param part the same as the item is set
 */
export function factLines(item: Item, raw: Part, part: ResolvedPart): readonly FactLine[] {
  return [
    ...lossLines(part),
    ...reportLines(part),
    ...airLines(part),
    ...antennaLines(part),
    ...turnLines(item, raw),
    ...usbLines(part),
    ...clockLines(part),
    ...monitorLines(part),
    ...cellLines(part),
    ...driveLines(part),
  ];
}

function cellLines({ circuit }: ResolvedPart): FactLine[] {
  const texts = circuit.flatMap((element) =>
    element.is === 'drive' && element.cells !== undefined ? [`${element.cells.least} to ${element.cells.most}`] : [],
  );
  return [...new Set(texts)].map((text) => ({ label: 'Cells in series', text }));
}

/** What a motor controller draws when idle, and what a motor pushes at full throttle. */
function driveLines({ circuit }: ResolvedPart): FactLine[] {
  const idle = circuit.flatMap((element) => (element.is === 'drive' && element.idleA !== undefined ? [stated(element.idleA, 'A')] : []));
  const thrust = circuit.flatMap((element) => {
    const full = element.is === 'motor' ? element.table.at(-1)?.thrustG : undefined;
    return full === undefined ? [] : [stated(full, 'g')];
  });
  return [
    ...[...new Set(idle)].map((text) => ({ label: 'Current with its motor stopped', text })),
    ...[...new Set(thrust)].map((text) => ({ label: 'Thrust at full throttle, standing still', text })),
  ];
}

function monitorLines({ monitor }: ResolvedPart): FactLine[] {
  const { voltsPerV, ampsPerV } = monitor ?? {};
  return [
    ...(voltsPerV === undefined ? [] : [{ label: 'Pack voltage per volt of signal', text: stated(voltsPerV, 'V') }]),
    ...(ampsPerV === undefined ? [] : [{ label: 'Pack current per volt of signal', text: stated(ampsPerV, 'A') }]),
  ];
}

function lossLines({ endpoints }: ResolvedPart): FactLine[] {
  const signals = new Map<string, string>();
  for (const endpoint of endpoints) {
    if (endpoint.is !== 'rc-out') continue;
    for (const format of endpoint.formats) {
      const row = endpoint.lossSignal?.find((candidate) => candidate.format === format);
      signals.set(format, row === undefined ? 'not known' : LOSS_WORDS[row.signal]);
    }
  }
  return [...signals].map(([format, text]) => ({ label: `Loss of signal, ${FORMAT_WORDS[format] ?? format}`, text }));
}

/** How it tells how well it hears, each way once. */
function reportLines({ endpoints }: ResolvedPart): FactLine[] {
  const senders = endpoints.flatMap((endpoint) => (endpoint.is === 'rc-out' ? (endpoint.tells ?? []) : []));
  return LINK_REPORTS.flatMap((what): FactLine[] => {
    const ways = [...new Set(senders.filter((report) => report.what === what).map(reportWay))];
    return ways.length === 0 ? [] : [{ label: REPORT_LABELS[what], text: ways.join('; ') }];
  });
}

const REPORT_LABELS: Readonly<Record<LinkReport, string>> = { strength: 'Signal strength', quality: 'Link quality' };

function reportWay(report: NonNullable<RcOut['tells']>[number]): string {
  switch (report.is) {
    case 'frames':
      return 'in its frames';
    case 'channel':
      return `on channel ${report.channel}`;
    case 'output':
      return `at its output ${report.endpoint}`;
  }
}

/** RC formats as people write them. */
const FORMAT_WORDS: Readonly<Record<string, string>> = {
  pwm: 'PWM',
  ppm: 'PPM',
  sbus: 'SBUS',
  crsf: 'CRSF',
  satellite: 'satellite frames',
};

/** What the radios speak, and how they know their other end. */
function airLines({ radios = [] }: ResolvedPart): FactLine[] {
  return radios.flatMap(({ title, air }): FactLine[] => {
    if (air === undefined) return [];
    const known = air.knows === undefined ? 'broadcast' : KNOWN_BY[air.knows.is];
    return [{ label: `${title}, in the air`, text: `${air.protocol}, ${known}` }];
  });
}

const KNOWN_BY = {
  number: 'paired by a number set at both ends',
  phrase: 'paired by a phrase set at both ends',
  pairing: 'paired by a pairing procedure',
} as const;

function antennaLines({ radios = [] }: ResolvedPart): FactLine[] {
  return radios.flatMap(({ title, diversityOf, heading }): FactLine[] => {
    const of = radios.find(({ id }) => id === diversityOf);
    if (of !== undefined) return [{ label: title, text: `second antenna for "${of.title}" (diversity)` }];
    return heading === undefined ? [] : [{ label: title, text: `${heading} antenna of the heading baseline` }];
  });
}

function turnLines(item: Item, raw: Part): FactLine[] {
  const { spin, propeller } = raw;
  const values = effectiveSettings(raw, item.settings);
  const turn = (turns: Turns): string => {
    const value = turns.is === 'always' ? turns.turn : values.get(turns.setting);
    return value === undefined ? 'not known yet' : `${String(value)}, seen from in front`;
  };
  return [
    ...(spin === undefined ? [] : [{ label: 'Motor turns', text: turn(spin) }]),
    ...(propeller === undefined
      ? []
      : [
          {
            label: 'Propeller',
            text: `${propeller.diameterIn} x ${propeller.pitchIn} in, rotation: ${turn(propeller.turns)}`,
          },
        ]),
  ];
}

function usbLines({ endpoints }: ResolvedPart): FactLine[] {
  return endpoints.flatMap((endpoint): FactLine[] => {
    if (endpoint.is !== 'usb' || endpoint.as === undefined) return [];
    const ports = (endpoint.serial ?? []).map((carried) => carried.map((id) => protocols[id].title).join(' or '));
    const shown =
      ports.length === 0 ? '' : `, presents ${ports.length === 1 ? 'a serial port' : `${ports.length} serial ports`}: ${listed(ports)}`;
    return [{ label: endpoint.id.toUpperCase(), text: endpoint.as === 'host' ? 'host port' : `device${shown}` }];
  });
}

function clockLines({ endpoints }: ResolvedPart): FactLine[] {
  const byClock = new Map<string, string[]>();
  for (const endpoint of endpoints) {
    if (endpoint.is !== 'uart' || endpoint.clock === undefined) continue;
    const { mhz, samplesPerBit } = endpoint.clock;
    const text = `${stated(mhz, 'MHz')}, ${listed(samplesPerBit.map(String))} samples a bit`;
    byClock.set(text, [...(byClock.get(text) ?? []), endpoint.names.label]);
  }
  return [...byClock].map(([clock, names]) => ({ label: 'Serial clock', text: byClock.size === 1 ? clock : `${listed(names)}: ${clock}` }));
}
