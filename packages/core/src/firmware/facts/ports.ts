import { fixedBaudAt } from '../../links/baudInForce.ts';
import { offersInForce, serialSetup } from '../../links/serialSetup.ts';
import { protocols } from '../../links/protocols.ts';
import { serialHops, type SerialEnd } from '../../links/serialHops.ts';
import { settingsOf, settingTakes } from '../../model/settingsOf.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, fromSetting, FROM_WIRING, type Fact, type FactRow, type FactSource, type TakenFact } from './factRow.ts';

/** Serial ports: what each is for, its baud where no protocol fixes it, whether it turns the signal round, and flow control. */
export const portFacts: FactSource = {
  family: 'port',
  rows: (scope) =>
    scope.part.endpoints.flatMap((endpoint): FactRow[] => {
      if (endpoint.is !== 'uart') return [];
      const { item } = scope.entry;
      const end: SerialEnd = { item: scope.index, entry: scope.entry, endpoint };
      const { protocol, baud, flow } = serialSetup(item, endpoint);
      const ofProtocol = fromSetting(item.id, `${endpoint.id}.protocol`, `protocol of ${endpoint.names.label}`);
      const isFixed = fixedBaudAt(scope.graph, end) !== undefined;
      return [
        {
          keys: { port: endpoint.id },
          what: `${item.ref} ${endpoint.names.label}`,
          from: [],
          tags: [endpoint.software === true ? 'software' : 'plain', protocol === undefined ? 'unused' : 'used'],
          facts: {
            role: fact(protocol ?? 'none', ofProtocol),
            baud:
              protocol === undefined || isFixed
                ? undefined
                : fact(baud, fromSetting(item.id, `${endpoint.id}.baud`, `baud of ${endpoint.names.label}`), ofProtocol),
            inverted: protocol === undefined ? undefined : inversionOf(scope, end),
            flow:
              protocol === undefined || endpoint.cts === undefined || endpoint.rts === undefined
                ? undefined
                : fact(flow, fromSetting(item.id, `${endpoint.id}.flow`, `flow control of ${endpoint.names.label}`), ofProtocol),
          },
        },
      ];
    }),
  take: (scope, { keys, field, value }) => {
    const setting = { role: 'protocol', baud: 'baud', flow: 'flow' }[field];
    return setting === undefined ? undefined : takeSetting(scope, `${keys['port'] ?? ''}.${setting}`, value);
  },
};

/** A port that can turn the signal does so where it arrives upside down; nothing is known as long as nobody talks to it. */
function inversionOf({ graph, entry }: FirmwareScope, end: SerialEnd): Fact | undefined {
  const { endpoint } = end;
  if (endpoint.inverts === 'none') return undefined;
  const heard = serialHops(graph)
    .flatMap(({ aToB, bToA }) => [aToB, bToA])
    .find((hearing) => hearing?.to.item === end.item && hearing.to.endpoint.id === endpoint.id);
  const setup = serialSetup(entry.item, endpoint);
  const spoken =
    heard === undefined
      ? undefined
      : offersInForce(heard.from.entry.item, heard.from.endpoint).find(({ protocol }) => protocol === setup.protocol);
  const isUpsideDown =
    spoken === undefined
      ? setup.protocol !== undefined && protocols[setup.protocol].inverted
      : (spoken.inverted ?? protocols[spoken.protocol].inverted) !== ((heard?.inversions ?? 0) % 2 === 1);
  return fact(
    isUpsideDown ? endpoint.inverts : 'none',
    fromSetting(entry.item.id, `${endpoint.id}.protocol`, `protocol of ${endpoint.names.label}`),
    ...FROM_WIRING,
    ...(heard === undefined
      ? []
      : [fromSetting(heard.from.entry.item.id, `${heard.from.endpoint.id}.protocol`, `protocol of ${heard.from.entry.item.ref}`)]),
  );
}

/** The edit that gives a setting of the controller this value, `none` for none; undefined where the part does not take it. */
export function takeSetting({ entry: { item }, graph }: FirmwareScope, setting: string, value: TakenFact['value']): SimpleEdit | undefined {
  const part = graph.design.parts.get(item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === setting);
  if (spec === undefined || (value !== 'none' && !settingTakes(spec, value))) return undefined;
  return {
    kind: 'set-item-setting',
    item: item.id,
    setting,
    value: value === 'none' ? null : value,
    was: item.settings[setting] ?? null,
  };
}
