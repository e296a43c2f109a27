import { quantity, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Endpoint } from '../../model/part.ts';
import { hexAddress } from '../../model/settingsOf.ts';
import { busesOf, memberSubjects, namesOf, type Bus, type BusMember } from '../helpers/busOf.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

type Member = Extract<Endpoint, { is: 'i2c-host' | 'i2c-device' }>;
type Device = Extract<Endpoint, { is: 'i2c-device' }>;

function i2cBuses(graph: Graph): Bus<Member>[] {
  return busesOf<Member>(graph, (endpoint) =>
    endpoint.is === 'i2c-host' || endpoint.is === 'i2c-device' ? { endpoint, pin: endpoint.sda } : undefined,
  );
}

function isDevice(member: BusMember<Member>): member is BusMember<Device> {
  return member.endpoint.is === 'i2c-device';
}

/** The address that a device has: as set, or as delivered. */
export function addressOf({ entry, endpoint }: BusMember<Device>): number {
  const set = entry.item.settings[`${endpoint.id}.address`];
  return typeof set === 'number' && endpoint.addresses.includes(set) ? set : (endpoint.addresses[0] ?? 0);
}

/** Two devices on one bus with one address. */
export const i2cAddress: Check = {
  id: 'wire.i2c-address',
  stage: 'wiring',
  title: 'I2C addresses',
  run: ({ graph }) =>
    i2cBuses(graph).flatMap(({ members }) => {
      const devices = members.filter(isDevice);
      const byAddress = new Map<number, BusMember<Device>[]>();
      for (const device of devices) byAddress.set(addressOf(device), [...(byAddress.get(addressOf(device)) ?? []), device]);
      return [...byAddress].filter(([, same]) => same.length > 1).map(([address, same]) => sameAddress(address, same, devices));
    }),
};

function sameAddress(address: number, same: readonly BusMember<Device>[], all: readonly BusMember<Device>[]): Saying {
  const taken = new Set(all.map(addressOf));
  return {
    severity: 'mend',
    where: memberSubjects(same),
    what: `${namesOf(same)} have the same I2C address ${hexAddress(address)} on one bus.`,
    evidence: same.map((device) => ({
      label: `${device.entry.item.ref} ${device.endpoint.id}`,
      value: hexAddress(address),
      limit: device.endpoint.addresses.length === 1 ? 'fixed' : `one of ${device.endpoint.addresses.map(hexAddress).join(', ')}`,
    })),
    why: 'Both answer at once: neither is read right, and either can hold the bus.',
    discriminator: hexAddress(address),
    remedies: () => same.flatMap((device) => readdress(device, taken)).slice(0, 3),
  };
}

function readdress({ entry, endpoint }: BusMember<Device>, taken: ReadonlySet<number>): Remedy[] {
  const free = endpoint.addresses.find((address) => !taken.has(address));
  if (free === undefined) return [];
  const setting = `${endpoint.id}.address`;
  const { item } = entry;
  return [
    {
      label: `Set ${item.ref} to ${hexAddress(free)}`,
      sentence: `Set ${item.ref} to the address ${hexAddress(free)}, at the part itself.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value: free, was: item.settings[setting] ?? null },
    },
  ];
}

/** I2C specification: an output sinks 3 mA at 0.4 V; the bus carries at most 400 pF; rise time at 100 and 400 kHz. */
const SINK_A = 0.003;
const LOW_V = 0.4;
const MOST_PF = 400;
const RISE_NS = { 100: 1000, 400: 300 } as const;
/** Wire of a harness against its neighbours. */
const PF_PER_M = 100;
/** From 0.3 to 0.7 of the supply on an RC curve: ln(0.7 / 0.3). */
const RISE_FACTOR = Math.log(0.7 / 0.3);
const NOTE_SHARE = 0.8;

/** Pull-ups, capacitance and rise time of a bus. */
export const i2cBus: Check = {
  id: 'wire.i2c-bus',
  stage: 'wiring',
  title: 'I2C bus',
  run: ({ graph }) => i2cBuses(graph).flatMap((bus) => (bus.members.some((member) => !isDevice(member)) ? judgeBus(bus) : [])),
};

function judgeBus(bus: Bus<Member>): Saying[] {
  const { members } = bus;
  const name = namesOf(members);
  const shared = { where: memberSubjects(members), discriminator: 'bus' };
  const conductance = members.reduce((sum, { endpoint }) => sum + (endpoint.pullUpOhm === undefined ? 0 : 1 / endpoint.pullUpOhm), 0);
  if (conductance === 0) {
    return [
      {
        ...shared,
        severity: 'mend',
        what: `The I2C bus of ${name} has no pull-up.`,
        evidence: [{ label: 'pull-ups', value: 'none', limit: 'one pair at least' }],
        why: 'Nothing brings the wires high: the bus stands still.',
      },
    ];
  }
  const ohm = 1 / conductance;
  const leastOhm = (busVolts(members) - LOW_V) / SINK_A;
  const picofarad = members.reduce((sum, { endpoint }) => sum + endpoint.capacitancePf, 0) + (bus.knownLengthMm / 1000) * PF_PER_M;
  const riseNs = RISE_FACTOR * ohm * picofarad * 1e-3;
  const clock = clockOf(members);
  const rise = {
    share: riseNs / RISE_NS[clock],
    label: `rise time at ${stated(clock, 'kHz')}`,
    value: quantity(riseNs, 'ns'),
    limit: `${stated(RISE_NS[clock], 'ns')} at most`,
  };
  const figures = [
    {
      share: leastOhm / ohm,
      label: 'pull-ups in parallel',
      value: quantity(ohm, 'ohm'),
      limit: `${quantity(leastOhm, 'ohm')} at least`,
    },
    {
      share: picofarad / MOST_PF,
      label: 'capacitance with typed lengths',
      value: quantity(picofarad, 'pF'),
      limit: `${stated(MOST_PF, 'pF')} at most`,
    },
    rise,
  ];
  const worst = Math.max(...figures.map(({ share }) => share));
  if (worst <= NOTE_SHARE) return [];
  const bad = figures.filter(({ share }) => share > (worst > 1 ? 1 : NOTE_SHARE));
  return [
    {
      ...shared,
      severity: worst > 1 ? 'mend' : 'note',
      what: `The I2C bus of ${name} is ${worst > 1 ? 'beyond' : 'near'} its limits: ${bad.map(({ label }) => label).join(', ')}.`,
      evidence: bad.map(({ label, value, limit }) => ({ label, value, limit })),
      remedies: () => (bad.every((one) => one === rise) && clock === 400 && riseNs <= RISE_NS[100] ? slowDown(members) : []),
      why:
        worst > 1
          ? 'Devices drop off the bus, at first now and then.'
          : 'It works; one device or half a metre more, and devices drop off the bus.',
    },
  ];
}

function slowDown(members: readonly BusMember<Member>[]): Remedy[] {
  const host = members.find((member) => member.endpoint.is === 'i2c-host');
  if (host === undefined) return [];
  const { item } = host.entry;
  const setting = `${host.endpoint.id}.clock`;
  return [
    {
      label: 'Slow the bus to 100 kHz',
      sentence: `Set the I2C bus of ${item.ref} to 100 kHz.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value: 100, was: item.settings[setting] ?? null },
    },
  ];
}

/** The highest level that pull-ups bring the bus to. */
function busVolts(members: readonly BusMember<Member>[]): number {
  const levels = members.flatMap(({ entry, endpoint }) => {
    if (endpoint.pullUpOhm === undefined) return [];
    const dot = endpoint.sda.lastIndexOf('.');
    const port = entry.part?.ports.find((candidate) => candidate.id === endpoint.sda.slice(0, dot));
    return port?.pins.find((pin) => pin.n === Number(endpoint.sda.slice(dot + 1)))?.logic?.highV ?? [];
  });
  return Math.max(3.3, ...levels);
}

function clockOf(members: readonly BusMember<Member>[]): 100 | 400 {
  const host = members.find((member) => member.endpoint.is === 'i2c-host');
  return host?.entry.item.settings[`${host.endpoint.id}.clock`] === 100 ? 100 : 400;
}
