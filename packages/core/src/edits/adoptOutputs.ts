import type { Aircraft, Item } from '../model/aircraft.ts';
import { functionEnds } from '../model/functionEnds.ts';
import { outputKey } from '../model/outputPlan.ts';
import type { Part } from '../model/part.ts';
import type { RevisionMap } from './revisionMap.ts';

/** What moves and what goes, in sentences. */
interface Told {
  readonly moves: string[];
  readonly losses: string[];
}

/** Functions of the old part's outputs, and of a servo on a bus, at those of the new one. */
export function moveOutputs(aircraft: Aircraft, item: Item, map: RevisionMap, to: Part, said: Told): Aircraft['outputs'] {
  const outputs: Record<string, Aircraft['outputs'][string]> = {};
  for (const [key, use] of Object.entries(aircraft.outputs)) {
    if (use.item !== item.id) {
      outputs[key] = use;
      continue;
    }
    const now = map.outputs.find((row) => row.from === use.output)?.to ?? null;
    if (now === null || !functionEnds(to).includes(now)) {
      said.losses.push(`The function of ${item.ref} ${use.output} is removed: the new part has no such output.`);
      continue;
    }
    if (now !== use.output) said.moves.push(`The function of ${item.ref} ${use.output} moves to ${now}.`);
    outputs[outputKey(item.id, now)] = { ...use, output: now };
  }
  return outputs;
}

/** The pulses of banks that the new part has too. */
export function keptBanks(aircraft: Aircraft, item: Item, to: Part, said: Told): Aircraft['banks'] {
  const isThere = (bank: string): boolean => to.endpoints.some((endpoint) => endpoint.is === 'pulse-out' && endpoint.bank === bank);
  const lost = Object.values(aircraft.banks).filter((use) => use.item === item.id && !isThere(use.bank));
  for (const { bank } of lost) said.losses.push(`The pulses of bank ${bank} of ${item.ref} are removed: the new part has no such bank.`);
  return lost.length === 0 ? aircraft.banks : Object.fromEntries(Object.entries(aircraft.banks).filter(([, use]) => !lost.includes(use)));
}

/** The linkage of a servo stays, where the new part has an arm too. */
export function keptLinkages(aircraft: Aircraft, item: Item, to: Part, said: Told): Aircraft['linkages'] {
  const { [item.id]: linkage, ...others } = aircraft.linkages;
  if (linkage === undefined || to.servo !== undefined) return aircraft.linkages;
  said.losses.push(`The linkage of ${item.ref} is removed: the new part has no arm.`);
  return others;
}
