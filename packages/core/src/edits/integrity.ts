import { outputKey } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import { brokenInside } from './cableEdits.ts';
import type { Refusal } from './family.ts';
import { isFresh } from './references.ts';
import { occupantOf, placeName } from './lookups.ts';

/**
 * What does not hold together in a design: a key that is not the thing's id, a name used twice, a cable that runs
 * nowhere, an end at a place that is gone or taken. Edits never make such a state; an import or an undo might.
 * In the order of the document; each as a sentence.
 */
export function integrityOf(design: Design): Refusal[] {
  const found: Refusal[] = [];
  const add = (code: Refusal['code'], sentence: string, ...about: readonly string[]): void => {
    found.push({ code, sentence, about });
  };
  const refs = new Map<string, string>();
  for (const [id, item] of Object.entries(design.aircraft.items)) {
    if (item.id !== id) add('id-taken', `${item.ref} is filed under another id than its own.`, id);
    if (!design.parts.has(item.part)) add('unknown-part', `${item.ref} uses the part "${item.part}", which is not known here.`, id);
    if (refs.has(item.ref)) add('ref-taken', `${item.ref} is the name of two items.`, id);
    refs.set(item.ref, id);
    const bay = item.place?.bay;
    if (bay !== undefined && design.aircraft.airframe.frame?.bays[bay] === undefined)
      add('unknown-bay', `${item.ref} lies in a bay that the airframe does not have.`, id);
    if (isFresh(design.aircraft.issued, item.ref)) add('ref-taken', notGivenOut(item.ref), id);
  }
  const frame = design.aircraft.airframe.frame;
  for (const { a, b } of Object.values(frame?.routes ?? {})) {
    if (a === b || frame?.points[a] === undefined || frame.points[b] === undefined)
      add('bad-shape', `A route of the airframe runs from "${a}" to "${b}", which are not two of its points.`);
  }
  const tags = new Set<string>();
  for (const [id, cable] of Object.entries(design.aircraft.cables)) {
    if (cable.id !== id) add('id-taken', `${cable.tag} is filed under another id than its own.`, id);
    if (tags.has(cable.tag)) add('ref-taken', `${cable.tag} is the tag of two cables.`, id);
    tags.add(cable.tag);
    if (isFresh(design.aircraft.issued, cable.tag)) add('ref-taken', notGivenOut(cable.tag), id);
    const broken = brokenInside(cable);
    if (broken !== undefined) found.push(broken.refused);
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end') continue;
      const { at } = node;
      if (at.is === 'port' && design.aircraft.items[at.item] === undefined) {
        add('unknown-item', `${cable.tag} ends at an item that is not there.`, id, at.item);
      }
      if (at.is === 'mate' && at.cable === cable.id) add('cable-to-itself', `${cable.tag} is plugged into itself.`, id);
      if (at.is === 'mate' && design.aircraft.cables[at.cable]?.nodes[at.node]?.is !== 'end') {
        add('unknown-cable', `${cable.tag} is plugged into a cable that is not there.`, id);
      }
      const occupant = occupantOf(design, at, { cable: cable.id, node: node.id });
      if (occupant !== undefined)
        add('port-occupied', `${cable.tag} and ${occupant.tag} are both plugged into ${placeName(design, at)}.`, id);
    }
  }
  for (const [key, use] of Object.entries(design.aircraft.outputs)) {
    if (key !== outputKey(use.item, use.output))
      add('id-taken', `The use of output ${use.output} is filed under another key than its own.`, key);
    if (design.aircraft.items[use.item] === undefined)
      add('unknown-item', `Output ${use.output} is of an item that is not there.`, use.item);
  }
  for (const [id, waiver] of Object.entries(design.aircraft.waivers)) {
    if (waiver.id !== id) add('id-taken', 'A waiver is filed under another id than its own.', id);
  }
  return found;
}

function notGivenOut(reference: string): string {
  return `${reference} is in use, and "issued" does not count it as given out, so that it would be given out again.`;
}
