import { stated } from '../../text/numbers.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { pinNode, type Graph } from '../../graph/graph.ts';
import { USUAL_SHARE } from '../../links/levels.ts';
import type { UartEndpoint } from '../../model/part.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { serialPin } from '../../harness/looms/convertBetween.ts';
import { addLineShifter, addShifter } from '../helpers/converterRemedies.ts';
import { groupPinName, isDriver, joinedGroups, pinOf, type GroupPin } from '../helpers/signalGroups.ts';

/** A signal that is too high for the pin that hears it, or too low to be read. */
export const level: Check = {
  id: 'wire.level',
  stage: 'wiring',
  title: 'Signal levels',
  run: ({ graph }) => joinedGroups(graph).flatMap((group) => levelsIn(graph, group)),
};

function levelsIn(graph: Graph, group: readonly GroupPin[]): Saying[] {
  return group.flatMap((talker) =>
    group
      .filter((listener) => listener.item !== talker.item && isHeard(talker, listener))
      .flatMap((listener) => {
        const saying = tooHigh(talker, listener) ?? tooLow(graph, talker, listener);
        return saying === undefined ? [] : [{ ...saying, remedies: () => shifted(graph, talker, listener) }];
      }),
  );
}

/** A level shifter between two serial ports. Other signals take a part that a person chooses. */
function shifted(graph: Graph, talker: GroupPin, listener: GroupPin): readonly Remedy[] {
  const [one, other] = [talker, listener].map(serialAt);
  if (one === undefined && other === undefined && talker.pin.role === 'pulse-out') return lineShifted(graph, talker, listener);
  if (one === undefined || other === undefined) return [];
  return addShifter(graph, { item: talker.item, endpoint: one }, { item: listener.item, endpoint: other }, level);
}

/** In the one wire from an output. */
function lineShifted(graph: Graph, talker: GroupPin, listener: GroupPin): readonly Remedy[] {
  const [a, b] = [talker, listener].map(({ item, port, pin }) => serialPin(graph, item, `${port.id}.${pin.n}`));
  return a === undefined || b === undefined ? [] : addLineShifter(graph, a, b, level);
}

function serialAt({ entry, port, pin }: GroupPin): UartEndpoint | undefined {
  const name = `${port.id}.${pin.n}`;
  const found = entry.part?.endpoints.find((endpoint) => endpoint.is === 'uart' && (endpoint.tx === name || endpoint.rx === name));
  return found?.is === 'uart' ? found : undefined;
}

const LISTENERS = ['rx', 'cts', 'pulse-in', 'analog-in', 'single-wire'];

function isHeard(talker: GroupPin, listener: GroupPin): boolean {
  if (talker.pin.role === 'sda' || talker.pin.role === 'scl') return pullsUp(talker) && listener.pin.role === talker.pin.role;
  if (talker.pin.role === 'single-wire') return LISTENERS.includes(listener.pin.role);
  return isDriver(talker) && LISTENERS.includes(listener.pin.role);
}

/** Only the pull-ups of an I2C bus make it high. */
function pullsUp({ entry, port, pin }: GroupPin): boolean {
  const name = `${port.id}.${pin.n}`;
  return (entry.part?.endpoints ?? []).some(
    (endpoint) =>
      (endpoint.is === 'i2c-host' || endpoint.is === 'i2c-device') &&
      endpoint.pullUpOhm !== undefined &&
      (endpoint.sda === name || endpoint.scl === name),
  );
}

/** The highest voltage that the talker puts on the wire. */
function highOf({ entry, port, pin }: GroupPin): number | undefined {
  const name = `${port.id}.${pin.n}`;
  const analog = entry.part?.endpoints.find((endpoint) => endpoint.is === 'analog-out' && endpoint.pin === name);
  return analog?.is === 'analog-out' ? analog.fullScaleV : pin.logic?.highV;
}

/** What the listener has to see. An analog input reads whatever comes. */
function neededBy(graph: Graph, { entry, port, pin }: GroupPin): number | undefined {
  const { logic } = pin;
  if (logic === undefined || pin.role === 'analog-in') return undefined;
  if (logic.needsShareOfSupply !== undefined) {
    const supply = port.pins.find((other) => other.role === 'supply-in');
    const node = supply === undefined ? undefined : pinNode(graph, entry.item.id, port.id, supply.n);
    const volts = node === undefined ? undefined : voltsAt(graph, node);
    return volts === undefined ? undefined : logic.needsShareOfSupply * volts;
  }
  return logic.needsV ?? USUAL_SHARE * logic.highV;
}

function tooHigh(talker: GroupPin, listener: GroupPin): Saying | undefined {
  const [high, most] = [highOf(talker), listener.pin.logic?.inputMaxV];
  if (high === undefined || most === undefined || high <= most) return undefined;
  return {
    severity: 'stop',
    where: [pinOf(talker), pinOf(listener)],
    what: `${groupPinName(talker)} puts ${stated(high, 'V')} on ${groupPinName(listener)}, which withstands ${stated(most, 'V')}.`,
    evidence: [{ label: groupPinName(listener), value: stated(high, 'V'), limit: `${stated(most, 'V')} at most` }],
    why: `The input of ${listener.entry.item.ref} is destroyed, at once or in time. Fit a level shifter or a divider.`,
    discriminator: 'high',
  };
}

function tooLow(graph: Graph, talker: GroupPin, listener: GroupPin): Saying | undefined {
  const [high, needed] = [highOf(talker), neededBy(graph, listener)];
  if (high === undefined || needed === undefined || talker.pin.role === 'analog-out' || high >= needed) return undefined;
  return {
    severity: 'mend',
    where: [pinOf(talker), pinOf(listener)],
    what: `${groupPinName(talker)} outputs ${stated(high, 'V')}, and ${groupPinName(listener)} needs ${stated(needed, 'V')} for a high.`,
    evidence: [{ label: groupPinName(listener), value: stated(high, 'V'), limit: `${stated(needed, 'V')} at least` }],
    why: 'The signal is read intermittently or not at all, and worse when warm. Fit a level shifter.',
    discriminator: 'low',
  };
}
