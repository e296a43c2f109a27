import type { Item } from './aircraft.ts';
import type { Design } from './design.ts';
import { effectiveSettings } from './resolvePart.ts';
import type { SettingValue } from './setting.ts';

/** What a setting of an item has: what a person set, else as its part delivers it; undefined where neither is, or the part is unknown. */
export function settingInForce({ parts }: Pick<Design, 'parts'>, item: Item, setting: string): SettingValue | undefined {
  const part = parts.get(item.part);
  return part === undefined ? undefined : effectiveSettings(part, item.settings).get(setting);
}
