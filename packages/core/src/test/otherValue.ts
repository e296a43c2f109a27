import { protocols } from '../links/protocols.ts';
import { BAUD_TOLERANCE } from '../links/serialSetup.ts';
import type { Facet } from '../links/chains/hop.ts';
import type { Design } from '../model/design.ts';
import { PROTOCOL_IDS } from '../model/protocolIds.ts';
import type { SettingValue } from '../model/setting.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { itemOf } from './designs.ts';

/** A value of a setting with which a facet that agrees can no longer agree; undefined where there is none. */
export function otherValue(facet: Facet, side: 'a' | 'b', design: Design, ref: string): SettingValue | undefined {
  const { setting, value } = facet[side];
  const part = design.parts.get(itemOf(design, ref).part);
  const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === setting);
  if (spec?.is !== 'choice') return undefined;
  const far = facet[side === 'a' ? 'b' : 'a'].value;
  return spec.choices.find(({ value: choice }) => {
    if (facet.id === 'protocol') {
      const known = PROTOCOL_IDS.find((id) => id === choice);
      return known !== undefined && known !== 'transparent' && far !== 'any bytes' && protocols[known].title !== far;
    }
    if (facet.id === 'frame') return String(choice) !== far;
    if (facet.id === 'flow') return choice === (far === 'required' ? 'off' : far === 'off' ? 'required' : undefined);
    if (facet.id !== 'baud') return false;
    const [baud, other] = [Number(choice), Number.parseInt(far ?? '', 10)];
    return `${baud} baud` !== value && Math.abs(baud - other) > BAUD_TOLERANCE * Math.max(baud, other);
  })?.value;
}
