import { isSignal } from '../../harness/joinVerdict.ts';
import { scenariosOf } from '../../power/scenarios/scenario.ts';
import { solveScenario, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { aliveItems } from '../../power/faults/aliveItems.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Check, Saying } from '../finding.ts';
import { groupPinName, isDriver, joinedGroups, type GroupPin } from '../helpers/signalGroups.ts';
import { situation } from '../power/helpers/situations.ts';
import { inSentence } from '../../text/sentences.ts';

/** A part without a supply that lives on the high level of somebody's transmit line. */
export const backPowered: Check = {
  id: 'wire.back-powered',
  stage: 'wiring',
  title: 'Back-powered through a signal',
  leftToPeople: 'another way to feed it',
  run: ({ graph }) => {
    const usbOnly = scenariosOf(graph.design.aircraft).find(({ charge }) => charge === undefined);
    if (usbOnly === undefined) return [];
    const cruise = situation(graph, 'cruise');
    const results = [solveScenario(graph, usbOnly), ...(cruise === undefined ? [] : [cruise])];
    for (const result of results) {
      const sayings = backPoweredIn(graph, result);
      if (sayings.length > 0) return sayings;
    }
    return [];
  },
};

/** Who drives a part without a supply, and at which pins. */
function backPoweredIn(graph: Graph, result: ScenarioResult): Saying[] {
  const isAlive = aliveItems(result, result);
  const electronic = (item: number): boolean => graph.items[item]?.part?.circuit.some(({ is }) => is === 'load') === true;
  const byTalker = new Map<number, { readonly to: GroupPin; readonly from: GroupPin }[]>();
  for (const group of joinedGroups(graph)) {
    const from = group.find((pin) => isDriver(pin) && pin.pin.role !== 'pulse-out' && electronic(pin.item) && isAlive[pin.item] === 1);
    if (from === undefined) continue;
    for (const to of group) {
      if (to.item === from.item || !isSignal(to.pin.role) || isAlive[to.item] === 1 || !electronic(to.item)) continue;
      byTalker.set(from.item, [...(byTalker.get(from.item) ?? []), { to, from }]);
    }
  }
  return [...byTalker.values()].flatMap((pairs) => sayingOf(result, pairs));
}

function sayingOf(result: ScenarioResult, pairs: readonly { readonly to: GroupPin; readonly from: GroupPin }[]): Saying[] {
  const [first] = pairs;
  if (first === undefined) return [];
  const talker = first.from.entry.item;
  const dark = [...new Map(pairs.map(({ to }) => [to.item, to.entry.item])).values()];
  const refs = dark.map(({ ref }) => ref).join(', ');
  return [
    {
      severity: 'note',
      where: [...dark, talker].map(({ id }) => ({ is: 'item', item: id })),
      what: `${talker.ref} drives signals into ${refs} while ${dark.length === 1 ? 'it has' : 'they have'} no supply (${inSentence(result.scenario.title)}).`,
      evidence: pairs.map(({ to, from }) => ({ label: groupPinName(from), value: groupPinName(to) })),
      why: 'The protection diodes of such a pin can half-power a part: it hangs, or does not start when its supply comes up.',
    },
  ];
}
