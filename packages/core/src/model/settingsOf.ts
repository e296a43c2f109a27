import { ANTENNA_FITTED, ANTENNA_SETTING, NO_ANTENNA } from './antennaSetting.ts';
import { COMPASS_TURN, IMU_TURN, MOUNTINGS, mountings } from './mounting.ts';
import { isIpv4 } from './ipv4.ts';
import { LIMITS } from './limits.ts';
import type { Part, Program } from './part.ts';
import { ANTENNA_AXES, antennaKinds, ANTENNAS, isAntennaAxis, type AirTraits, type RadioTraits } from './radio.ts';
import { FLOW_CONTROLS, FRAMES, type SettingSpec } from './setting.ts';

const cache = new WeakMap<Part, readonly SettingSpec[]>();

/**
 * Everything that a person can set on an item of this part: what the part declares, then protocol and baud of each serial
 * endpoint that leaves a choice, keyed by endpoint (`S4.baud`). A baud or protocol without a choice is not a setting.
 */
export function settingsOf(part: Part): readonly SettingSpec[] {
  const known = cache.get(part);
  if (known !== undefined) return known;
  const specs: SettingSpec[] = [...part.settings, ...part.endpoints.flatMap((endpoint) => endpointSettings(part, endpoint))];
  if (part.kind === 'controller') specs.push(turnSetting(IMU_TURN, 'orientation setting'), SYSTEM_SETTING);
  else if (part.compass !== undefined) specs.push(turnSetting(COMPASS_TURN, 'compass orientation setting'));
  if (part.airspeed !== undefined) specs.push(...PITOT_SETTINGS);
  for (const radio of part.radios ?? []) specs.push(...settingsOfRadio(part, radio, (part.radios?.length ?? 0) > 1));
  for (const program of part.programs ?? []) specs.push(...settingsOfProgram(program));
  cache.set(part, specs);
  return specs;
}

type RawEndpoint = Part['endpoints'][number];

/** What one endpoint of a part brings to be set, with how it is set where the part says so. */
export function endpointSettings(part: Part, endpoint: RawEndpoint): readonly SettingSpec[] {
  return settingsOfEndpoint(endpoint).map((spec) => withHow(part, spec));
}

function withHow({ how: ways }: Part, spec: SettingSpec): SettingSpec {
  const way = ways?.find(({ settings }) => settings.includes(spec.id));
  return way === undefined ? spec : { ...spec, how: way.how };
}

function settingsOfEndpoint(endpoint: RawEndpoint): SettingSpec[] {
  switch (endpoint.is) {
    case 'uart':
      return serialSettings(endpoint);
    case 'i2c-device':
      return endpoint.addresses.length < 2 ? [] : [addressSetting(endpoint.id, endpoint.addresses)];
    case 'i2c-host':
      return [clockSetting(endpoint.id)];
    case 'can':
      return [
        { is: 'number', id: `${endpoint.id}.node`, label: 'CAN node id, 0 for dynamic', min: 0, max: 127, default: 0 },
        ...(endpoint.switchable === true ? [terminationSetting(endpoint.id, endpoint.terminated)] : []),
      ];
    case 'air':
      return [antennaSetting()];
    case 'network':
      return endpoint.address === undefined ? [] : addressSettings(endpoint.id, endpoint.address.delivered);
    default:
      return [];
  }
}

/** By which number a vehicle is known to others. */
export const SYSTEM_ID = 'mavlink.system';
const SYSTEM_SETTING: SettingSpec = { is: 'number', id: SYSTEM_ID, label: 'MAVLink system id', min: 1, max: 250, default: 1 };
/** The component by which the controller of a vehicle is known. */
export const CONTROLLER_COMPONENT = 1;

/** What the firmware is told of how a sensor lies; nothing as long as nobody has decided. */
function turnSetting(id: string, label: string): SettingSpec {
  return { is: 'choice', id, label, choices: mountings.map((value) => ({ value, label: MOUNTINGS[value].title })) };
}

/** How far from the sensor the head of an airspeed tube stands. */
const PITOT_SETTINGS: readonly SettingSpec[] = [
  away('pitot.station', 'probe from here, aft'),
  away('pitot.butt', 'probe from here, right'),
  away('pitot.water', 'probe from here, up'),
];

function away(id: string, label: string): SettingSpec {
  return { is: 'number', id, label, unit: 'mm', min: -5000, max: 5000, default: 0 };
}

/** How the antenna of a radio is placed: its kind, the way its axis points, and how far from the part it stands. */
function settingsOfRadio(part: Part, radio: RadioTraits, isOneOfSeveral: boolean): SettingSpec[] {
  const name = isOneOfSeveral ? `${radio.title}: ` : '';
  const kinds = antennaKinds.map((kind) => ({ value: kind, label: ANTENNAS[kind].title }));
  const axes = Object.keys(ANTENNA_AXES)
    .filter(isAntennaAxis)
    .map((axis) => ({ value: axis, label: ANTENNA_AXES[axis] }));
  return [
    ...airSettings(part, radio, name),
    { is: 'choice', id: `${radio.id}.antenna`, label: `${name}kind of antenna`, choices: kinds, default: radio.antenna },
    { is: 'choice', id: `${radio.id}.axis`, label: `${name}axis of the antenna`, choices: axes, default: 'up' },
    away(`${radio.id}.station`, `${name}antenna from here, aft`),
    away(`${radio.id}.butt`, `${name}antenna from here, right`),
    away(`${radio.id}.water`, `${name}antenna from here, up`),
    ...(radio.otherEnd === undefined
      ? []
      : [
          {
            is: 'choice' as const,
            id: `${radio.id}.ground`,
            label: `${name}antenna on the ground`,
            choices: kinds,
            default: radio.groundAntenna ?? 'dipole',
          },
        ]),
  ];
}

/** What of a radio of a part has to agree with the other end, where there is a choice, with how it is set where the part says so. */
export function airSettings(part: Part, { id, air }: RadioTraits, name = ''): readonly SettingSpec[] {
  if (air === undefined) return [];
  const choice = (setting: string, label: string, values: readonly (string | number)[], unit?: string): SettingSpec[] => {
    const [delivered] = values;
    if (delivered === undefined || values.length < 2) return [];
    const choices = values.map((value) => ({ value, label: String(value) }));
    const inUnit = unit === undefined ? {} : { unit };
    return [{ is: 'choice', id: `${id}.${setting}`, label: `${name}${label}`, choices, default: delivered, ...inUnit }];
  };
  return [
    ...choice(AIR.version, 'major version of the firmware', air.versions),
    ...choice(AIR.region, 'region', air.regions ?? []),
    ...choice(AIR.rate, `packet rate, ${air.rates?.unit ?? ''}`, air.rates?.choices ?? [], air.rates?.unit),
    ...knowsSetting(id, air, name),
  ].map((spec) => withHow(part, spec));
}

function knowsSetting(id: string, { knows }: AirTraits, name: string): SettingSpec[] {
  switch (knows?.is) {
    case undefined:
      return [];
    case 'number':
      return [
        {
          is: 'number',
          id: `${id}.${AIR.number}`,
          label: `${name}${knows.label}`,
          min: knows.min,
          max: knows.max,
          default: knows.delivered,
        },
      ];
    case 'phrase':
      return [{ is: 'text', id: `${id}.${AIR.phrase}`, label: `${name}binding phrase`, form: 'phrase' }];
    case 'pairing': {
      const choices = [
        { value: true, label: 'yes' },
        { value: false, label: 'not yet' },
      ];
      return [{ is: 'choice', id: `${id}.${AIR.paired}`, label: `${name}paired with its partner`, choices }];
    }
  }
}

/** The settings of a radio that have to agree with the other end, after its id and a dot. */
export const AIR = { version: 'version', region: 'region', rate: 'rate', number: 'number', phrase: 'phrase', paired: 'paired' } as const;

function addressSettings(id: string, delivered: string | undefined): SettingSpec[] {
  return [
    { is: 'text', id: `${id}.ip`, label: 'address', form: 'ipv4', ...(delivered === undefined ? {} : { default: delivered }) },
    { is: 'number', id: `${id}.prefix`, label: 'subnet mask, bits', min: 8, max: 30, default: 24 },
  ];
}

function settingsOfProgram({ id, title, system, component, commands, asksForStreams }: Program): SettingSpec[] {
  const yesOrNo = [
    { value: true, label: 'yes' },
    { value: false, label: 'no' },
  ];
  const number = (setting: string, label: string, delivered: number): SettingSpec => ({
    is: 'number',
    id: `${id}.${setting}`,
    label: `${title}: ${label}`,
    min: 1,
    max: 255,
    default: delivered,
  });
  return [
    number('system', 'system id', system),
    number('component', 'component id', component),
    { is: 'choice', id: `${id}.commands`, label: `${title}: sends commands`, choices: yesOrNo, default: commands },
    { is: 'choice', id: `${id}.streams`, label: `${title}: requests streams`, choices: yesOrNo, default: asksForStreams },
  ];
}

function antennaSetting(): SettingSpec {
  const choices = [ANTENNA_FITTED, NO_ANTENNA].map((value) => ({ value, label: value }));
  return { is: 'choice', id: ANTENNA_SETTING, label: 'antenna', choices, default: ANTENNA_FITTED };
}

function addressSetting(id: string, addresses: readonly number[]): SettingSpec {
  const choices = addresses.map((address) => ({ value: address, label: hexAddress(address) }));
  return { is: 'choice', id: `${id}.address`, label: 'I2C address', choices, default: addresses[0] ?? 0 };
}

/** An I2C address as data sheets write it: `0x28`. */
export function hexAddress(address: number): string {
  return `0x${address.toString(16).toUpperCase().padStart(2, '0')}`;
}

function clockSetting(id: string): SettingSpec {
  const choices = [100, 400].map((value) => ({ value, label: String(value) }));
  return { is: 'choice', id: `${id}.clock`, label: `${id} clock`, unit: 'kHz', choices, default: 400 };
}

function terminationSetting(id: string, delivered: boolean): SettingSpec {
  const choices = [
    { value: true, label: 'on' },
    { value: false, label: 'off' },
  ];
  return { is: 'choice', id: `${id}.terminated`, label: 'CAN termination', choices, default: delivered };
}

function serialSettings(endpoint: Extract<RawEndpoint, { is: 'uart' }>): SettingSpec[] {
  const { id, names } = endpoint;
  const specs: SettingSpec[] = [];
  const protocols = [...new Set(endpoint.speaks.map((offer) => offer.protocol))];
  const onlyOffer = endpoint.speaks.length === 1 ? endpoint.speaks[0] : undefined;
  if (protocols.length > 1) {
    const choices = protocols.map((protocol) => ({ value: protocol, label: protocol }));
    specs.push({ is: 'choice', id: `${id}.protocol`, label: `${names.label} protocol`, choices });
  }
  const bauds = [...new Set(endpoint.speaks.flatMap((offer) => offer.bauds))].sort((a, b) => a - b);
  if (bauds.length > 1) {
    const choices = bauds.map((baud) => ({ value: baud, label: String(baud) }));
    const delivered = onlyOffer === undefined ? {} : { default: onlyOffer.defaultBaud };
    specs.push({ is: 'choice', id: `${id}.baud`, label: `${names.label} baud`, unit: 'baud', choices, ...delivered });
  }
  if (protocols.includes('transparent')) {
    const choices = FRAMES.map((frame) => ({ value: frame, label: frame }));
    specs.push({ is: 'choice', id: `${id}.frame`, label: `${names.label} frame`, choices, default: '8N1' });
  }
  if (endpoint.cts !== undefined && endpoint.rts !== undefined) {
    const choices = FLOW_CONTROLS.map((flow) => ({ value: flow, label: flow }));
    specs.push({ is: 'choice', id: `${id}.flow`, label: `${names.label} flow control`, choices, default: 'automatic' });
  }
  if (endpoint.console === true) {
    const choices = [
      { value: true, label: 'on (default)' },
      { value: false, label: 'off' },
    ];
    specs.push({ is: 'choice', id: `${id}.console`, label: `${names.label} login console`, choices, default: true });
  }
  return specs;
}

/** True when `value` is one of the values that the setting takes. */
export function settingTakes(spec: SettingSpec, value: unknown): boolean {
  switch (spec.is) {
    case 'choice':
      return spec.choices.some((choice) => choice.value === value);
    case 'number':
      return typeof value === 'number' && value >= spec.min && value <= spec.max;
    case 'text':
      return typeof value === 'string' && (spec.form === 'ipv4' ? isIpv4(value) : value.trim() !== '' && value.length <= LIMITS.labelChars);
  }
}
