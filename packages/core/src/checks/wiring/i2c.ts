import type { Graph } from '../../graph/graph.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { grouped } from '../../text/grouped.ts';
import { namesOf, type Bus, type BusMember } from '../../links/buses/busOf.ts';
import { addressOf, i2cBuses, i2cFigures, isI2cDevice, RISE_NS, type I2cDevice, type I2cEndpoint } from '../../links/buses/i2cBuses.ts';
import { hexAddress } from '../../model/settingsOf.ts';
import { memberSubjects } from '../helpers/memberSubjects.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Two devices on one bus with one address. */
export const i2cAddress: Check = {
  id: 'wire.i2c-address',
  stage: 'wiring',
  title: 'I2C addresses',
  run: ({ graph }) =>
    i2cBuses(graph).flatMap(({ members }) => {
      const devices = members.filter(isI2cDevice);
      return [...grouped(devices, addressOf)]
        .filter(([, same]) => same.length > 1)
        .map(([address, same]) => sameAddress(address, same, devices));
    }),
};

function sameAddress(address: number, same: readonly BusMember<I2cDevice>[], all: readonly BusMember<I2cDevice>[]): Saying {
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
    why: 'Both answer at once: neither is read correctly, and either can block the bus.',
    discriminator: hexAddress(address),
    remedies: () => same.flatMap((device) => readdress(device, taken)).slice(0, 3),
  };
}

function readdress({ entry, endpoint }: BusMember<I2cDevice>, taken: ReadonlySet<number>): Remedy[] {
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

/** From this share of a limit on there is a note. */
const NOTE_SHARE = 0.8;

/** Pull-ups, capacitance and rise time of a bus. */
export const i2cBus: Check = {
  id: 'wire.i2c-bus',
  stage: 'wiring',
  title: 'I2C bus',
  run: ({ graph }) => i2cBuses(graph).flatMap((bus) => (bus.members.some((member) => !isI2cDevice(member)) ? judgeBus(graph, bus) : [])),
};

function judgeBus(graph: Graph, bus: Bus<I2cEndpoint>): Saying[] {
  const { members } = bus;
  const name = namesOf(members);
  const shared = { where: memberSubjects(members), discriminator: 'bus' };
  const { figures, clock, riseNs } = i2cFigures(bus);
  if (figures.length === 0) {
    return [
      {
        ...shared,
        severity: 'mend',
        what: `The I2C bus of ${name} has no pull-up.`,
        evidence: [{ label: 'pull-ups', value: 'none', limit: 'one pair at least' }],
        why: 'Nothing pulls the lines high, and the bus does not work.',
      },
    ];
  }
  const worst = Math.max(...figures.map(({ share }) => share));
  if (worst <= NOTE_SHARE) return [];
  const bad = figures.filter(({ share }) => share > (worst > 1 ? 1 : NOTE_SHARE));
  return [
    {
      ...shared,
      // Near is another finding than beyond: what brings the bus back within its limits has mended the one.
      discriminator: worst > 1 ? 'bus' : 'bus, near',
      severity: worst > 1 ? 'mend' : 'note',
      what: `The I2C bus of ${name} is ${worst > 1 ? 'beyond' : 'near'} its limits: ${bad.map(({ label }) => label).join(', ')}.`,
      evidence: bad.map(({ label, value, limit }) => ({ label, value, limit })),
      remedies: () => [
        ...(bad.every(({ id }) => id === 'rise') && clock === 400 && riseNs <= RISE_NS[100] ? slowDown(members) : []),
        ...(bad.every(({ id }) => id === 'pull-ups') ? withoutPullUps(graph, members) : []),
      ],
      why:
        worst > 1
          ? 'Devices drop off the bus, at first now and then.'
          : 'It works now; with one more device or half a metre more, devices drop off the bus.',
    },
  ];
}

function slowDown(members: readonly BusMember<I2cEndpoint>[]): Remedy[] {
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

/** The pull-ups of one device taken off the bus, where it has a bridge or a setting for that and the bus is within its limits then. */
function withoutPullUps(graph: Graph, members: readonly BusMember<I2cEndpoint>[]): Remedy[] {
  return members.flatMap(({ entry: { item }, endpoint }): Remedy[] => {
    const parameter = graph.design.parts.get(item.part)?.endpoints.find(({ id }) => id === endpoint.id);
    const ohm = parameter?.is === 'i2c-device' || parameter?.is === 'i2c-host' ? parameter.pullUpOhm : undefined;
    if (ohm === undefined || typeof ohm === 'number' || endpoint.pullUpOhm === undefined) return [];
    const off = ohm.values?.find(({ gives }) => gives === 0);
    if (off === undefined) return [];
    const edit = {
      kind: 'set-item-setting',
      item: item.id,
      setting: ohm.fromSetting,
      value: off.is,
      was: item.settings[ohm.fromSetting] ?? null,
    } as const;
    const after = graphAfter(graph, edit);
    if (after === undefined || i2cBus.run({ graph: after }).some(({ severity }) => severity !== 'note')) return [];
    return [
      { label: `Disable the pull-ups of ${item.ref}`, sentence: `Disable the pull-ups of ${item.ref}: the others are enough.`, edit },
    ];
  });
}
