import type { LinkKindId } from '../../model/linkIds.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, FROM_WIRING, yesOrNo, type FactRow, type FactSource, type Source } from './factRow.ts';
import { monitorFacts } from './monitors.ts';
import { sensorsRead } from './sensors.ts';

/** Features that are there as soon as something of the kind is read. */
const BY_LINK: readonly (readonly [feature: string, kind: LinkKindId, what: string])[] = [
  ['position', 'position', 'position'],
  ['compass', 'heading', 'compass'],
  ['airspeed', 'airspeed', 'airspeed'],
  ['height-finder', 'height', 'height above ground'],
  ['picture-text', 'text', 'on-screen display'],
  ['ground-link', 'telemetry', 'ground link'],
  ['gimbal', 'payload', 'gimbal'],
];

/** What has to be switched on: sensors and links that are there, and software serial ports that are used. */
export const featureFacts: FactSource = {
  family: 'feature',
  rows: (scope) => [
    ...BY_LINK.map(([feature, kind, what]): FactRow => plain(feature, what, sensorsRead(scope, kind).length > 0)),
    plain('pack-monitor', 'battery monitor', monitorFacts.rows(scope).length > 0),
    ...softwareSerial(scope),
  ],
};

function plain(feature: string, what: string, isOn: boolean): FactRow {
  return {
    keys: { feature },
    what,
    from: [],
    tags: ['plain', isOn ? 'used' : 'unused'],
    facts: {
      on: fact(
        yesOrNo(isOn),
        ...FROM_WIRING,
        { path: ['items'], words: 'the items of the aircraft' },
        { path: ['links'], words: 'the links of the aircraft' },
      ),
    },
  };
}

/** Only boards that have such ports have the row. */
function softwareSerial({ entry: { item }, part }: FirmwareScope): FactRow[] {
  const ports = part.endpoints.flatMap((endpoint) => (endpoint.is === 'uart' && endpoint.software === true ? [endpoint] : []));
  if (ports.length === 0) return [];
  const isOn = ports.some((endpoint) => serialSetup(item, endpoint).protocol !== undefined);
  const from = ports.map(({ id, names }): Source => ({
    path: ['items', item.id, 'settings', `${id}.protocol`],
    words: `protocol of ${names.label}`,
  }));
  return [
    {
      keys: { feature: 'software-serial' },
      what: 'software serial ports',
      from: [],
      tags: ['software', isOn ? 'used' : 'unused'],
      facts: { on: fact(yesOrNo(isOn), ...from) },
    },
  ];
}
