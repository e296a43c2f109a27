import type { Part } from '../model/part.ts';
import type { PartKind } from '../model/partKinds.ts';
import type { SettingSpec } from '../model/setting.ts';
import { airSettings, endpointSettings } from '../model/settingsOf.ts';

/** Something that parts came to state after the first aircraft were made. A part that does not state it leaves it unknown; nobody guesses. */
export interface PartFact {
  readonly id: string;
  /** Goes after "it states ...". */
  readonly title: string;
  /** What of the part the fact is about, each stated or not; nothing where the fact does not concern the part. */
  readonly statedOf: (part: Part) => readonly boolean[];
}

/** One entry a fact; the sweep over the catalogue, "learn newer facts" and the note about unknown facts follow. */
export const partFacts: readonly PartFact[] = [
  {
    id: 'loss-signal',
    title: 'how it reports loss of signal',
    statedOf: ({ endpoints }) =>
      endpoints.flatMap((endpoint) =>
        endpoint.is === 'rc-out'
          ? endpoint.formats.map((format) => endpoint.lossSignal?.some((row) => row.format === format) === true)
          : [],
      ),
  },
  {
    id: 'rc-latency',
    title: 'how late its channels are',
    statedOf: ({ endpoints }) => endpoints.flatMap((endpoint) => (endpoint.is === 'rc-out' ? [endpoint.latencyMs !== undefined] : [])),
  },
  {
    id: 'link-report',
    title: 'how it reports link quality',
    statedOf: ({ kind, endpoints }) =>
      HEARS.includes(kind) ? endpoints.flatMap((endpoint) => (endpoint.is === 'rc-out' ? [endpoint.tells !== undefined] : [])) : [],
  },
  {
    id: 'antenna-roles',
    title: 'what each of its antennas is for',
    statedOf: ({ radios = [] }) => {
      const isOneOfBand = ([low, high]: readonly [number, number]): boolean =>
        radios.filter(({ mhz }) => mhz[0] <= high && low <= mhz[1]).length > 1;
      const shared = radios.filter(({ mhz }) => isOneOfBand(mhz));
      return shared.map(
        ({ id, diversityOf, heading }) =>
          diversityOf !== undefined || heading !== undefined || shared.some((other) => other.diversityOf === id),
      );
    },
  },
  {
    id: 'spin',
    title: 'which way its motor and its propeller turn',
    statedOf: (part) => (part.kind === 'motor' ? [part.spin !== undefined && part.propeller !== undefined] : []),
  },
  {
    id: 'uart-clock',
    title: 'the clocks of its serial ports',
    statedOf: ({ kind, endpoints }) =>
      kind !== 'controller'
        ? []
        : endpoints.flatMap((endpoint) =>
            endpoint.is === 'uart' && endpoint.names.chip !== undefined ? [endpoint.clock !== undefined] : [],
          ),
  },
  {
    id: 'usb-serial',
    title: 'what its USB is',
    statedOf: ({ endpoints }) =>
      endpoints.flatMap((endpoint) => (endpoint.is === 'usb' ? [endpoint.as !== undefined && endpoint.port !== undefined] : [])),
  },
  {
    id: 'air-link',
    title: 'what its radio has to agree on with the other end',
    statedOf: ({ radios = [] }) =>
      radios.flatMap(({ otherEnd, diversityOf, air }) => (otherEnd === undefined || diversityOf !== undefined ? [] : [air !== undefined])),
  },
  {
    id: 'address',
    title: 'that it has a network address',
    // An adapter has none of its own: it is the computer's.
    statedOf: ({ kind, endpoints }) =>
      endpoints.flatMap((endpoint) =>
        kind !== 'converter' && endpoint.is === 'network' && endpoint.port === 'ETH' ? [endpoint.address !== undefined] : [],
      ),
  },
  {
    id: 'monitor-scale',
    title: 'scale of its signal',
    statedOf: ({ kind, endpoints, circuit, monitor }) => {
      const tells = (what: string): boolean => endpoints.some((one) => one.is === 'analog-out' && one.purpose === `battery ${what}`);
      const isOwn = kind === 'controller' && circuit.some(({ is }) => is === 'sense');
      return [
        ...(tells('voltage') || isOwn ? [monitor?.voltsPerV !== undefined] : []),
        ...(tells('current') || isOwn ? [monitor?.ampsPerV !== undefined] : []),
      ];
    },
  },
  {
    id: 'cells',
    title: 'how many cells it is made for',
    statedOf: ({ circuit }) => circuit.flatMap((element) => (element.is === 'drive' ? [element.cells !== undefined] : [])),
  },
  {
    id: 'idle-current',
    title: 'what it draws with its motor stopped',
    statedOf: ({ circuit }) => circuit.flatMap((element) => (element.is === 'drive' ? [element.idleA !== undefined] : [])),
  },
  {
    id: 'thrust',
    title: 'its thrust by throttle',
    statedOf: ({ circuit }) =>
      circuit.flatMap((element) => (element.is === 'motor' ? [element.table.every(({ thrustG }) => thrustG !== undefined)] : [])),
  },
  {
    id: 'how-set',
    title: 'how its settings are set',
    statedOf: (part) => setOnPart(part).map(({ how }) => how !== undefined),
  },
];

/** The kinds of part that hear a pilot: an encoder or an RC transmitter passes channels on. */
const HEARS: readonly PartKind[] = ['rc-receiver', 'handheld-link'];

/** The settings that a person makes on the part itself: not where it is put, nor what the firmware of a controller is told. */
function setOnPart(part: Part): readonly SettingSpec[] {
  if (part.kind === 'controller') return part.settings;
  const brought = part.endpoints.filter(({ is }) => is !== 'air').flatMap((endpoint) => endpointSettings(part, endpoint));
  const radios = (part.radios ?? []).flatMap((radio) => airSettings(part, radio));
  return [...part.settings, ...brought, ...radios];
}

/** The facts that concern a part and that it does not state, or not of all that they are about. */
export function unknownFacts(part: Part): readonly PartFact[] {
  return partFacts.filter(({ statedOf }) => statedOf(part).includes(false));
}

/** The facts that `now` states and `was` does not. */
export function factsLearned(was: Part, now: Part): readonly PartFact[] {
  const unknown = new Set(unknownFacts(now));
  return unknownFacts(was).filter((fact) => !unknown.has(fact));
}
