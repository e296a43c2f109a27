import type { Part } from './part.ts';
import type { SettingSpec } from './setting.ts';

const cache = new WeakMap<Part, readonly SettingSpec[]>();

/**
 * Everything that a person can set on an item of this part: what the part declares, then protocol and baud of each serial
 * endpoint that leaves a choice, keyed by endpoint (`S4.baud`). A baud or protocol without a choice is not a setting.
 */
export function settingsOf(part: Part): readonly SettingSpec[] {
  const known = cache.get(part);
  if (known !== undefined) return known;
  const specs: SettingSpec[] = [...part.settings];
  for (const endpoint of part.endpoints) {
    if (endpoint.is !== 'uart') continue;
    const protocols = [...new Set(endpoint.speaks.map((offer) => offer.protocol))];
    const onlyOffer = endpoint.speaks.length === 1 ? endpoint.speaks[0] : undefined;
    if (protocols.length > 1) {
      specs.push({
        is: 'choice',
        id: `${endpoint.id}.protocol`,
        label: `${endpoint.names.label} protocol`,
        choices: protocols.map((protocol) => ({ value: protocol, label: protocol })),
      });
    }
    const bauds = [...new Set(endpoint.speaks.flatMap((offer) => offer.bauds))].sort((a, b) => a - b);
    if (bauds.length > 1) {
      specs.push({
        is: 'choice',
        id: `${endpoint.id}.baud`,
        label: `${endpoint.names.label} baud`,
        unit: 'baud',
        choices: bauds.map((baud) => ({ value: baud, label: String(baud) })),
        ...(onlyOffer === undefined ? {} : { default: onlyOffer.defaultBaud }),
      });
    }
  }
  cache.set(part, specs);
  return specs;
}

/** True when `value` is one of the values that the setting takes. */
export function settingTakes(spec: SettingSpec, value: unknown): boolean {
  switch (spec.is) {
    case 'choice':
      return spec.choices.some((choice) => choice.value === value);
    case 'number':
      return typeof value === 'number' && value >= spec.min && value <= spec.max;
  }
}
