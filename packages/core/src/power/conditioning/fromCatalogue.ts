import type { Part } from '../../model/part.ts';
import type { Settings } from '../../model/resolvePart.ts';
import { settingsOf } from '../../model/settingsOf.ts';

/** How a part of the catalogue is set so that it is what was computed, or the settings in which it cannot be. */
export type CatalogueAnswer =
  { readonly is: 'there'; readonly settings: Settings } | { readonly is: 'missing'; readonly settings: readonly string[] };

/** More of these does no harm; all others have to be what was computed. */
const MAY_BE_LARGER: readonly string[] = ['microfarad'];

/** @param wanted values by the settings of the part */
export function fromCatalogue(part: Part, wanted: Readonly<Record<string, number>>): CatalogueAnswer {
  const settings: Record<string, number> = {};
  const missing: string[] = [];
  for (const [id, value] of Object.entries(wanted)) {
    const spec = settingsOf(part).find((one) => one.id === id);
    const choices = spec?.is === 'choice' ? spec.choices.map((choice) => Number(choice.value)).sort((a, b) => a - b) : [];
    const found = choices.find((choice) =>
      MAY_BE_LARGER.includes(id) ? choice >= value * 0.999 : Math.abs(choice - value) < value * 1e-3,
    );
    if (found === undefined) missing.push(id);
    else settings[id] = found;
  }
  return missing.length === 0 ? { is: 'there', settings } : { is: 'missing', settings: missing };
}
