import { listed } from '../text/lists.ts';
import { stated } from '../text/numbers.ts';
import { TURNS, type Part, type PinRole, type ResolvedPart, type Turns } from '../model/part.ts';
import type { SettingSpec } from '../model/setting.ts';
import { resolvePart, type Settings } from '../model/resolvePart.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import { CAUTIONS } from '../parts/cautions.ts';
import { endpointPins } from '../model/endpointPins.ts';
import { endpointRoles } from './endpointRoles.ts';
import { addressesOf } from './numbering.ts';

/**
 * What does not hold together in a part that has the shape of one, as sentences: a pin that is named and not there, two
 * signals on one pin, a supply that nothing reaches. Looked at as delivered and under every choice of each setting. The rules
 * of the catalogue, and of every part that comes in from outside.
 */
export function partProblems(part: Part): readonly string[] {
  const problems = [...idProblems(part), ...portProblems(part), ...bankProblems(part), ...wordProblems(part), ...supplyProblems(part)];
  for (const resolved of variantsOf(part)) problems.push(...pinProblems(resolved), ...sharingProblems(resolved), ...loadProblems(resolved));
  return [...new Set(problems)];
}

/** The part as delivered, and under every choice of each setting with the others as delivered. */
export function variantsOf(part: Part): readonly ResolvedPart[] {
  const choices = settingsOf(part).flatMap((spec) =>
    spec.is === 'choice' ? spec.choices.map((choice): Settings => ({ [spec.id]: choice.value })) : [],
  );
  return [{}, ...choices].map((settings) => resolvePart(part, settings));
}

function twice(names: readonly string[]): readonly string[] {
  return [...new Set(names.filter((name, i) => names.indexOf(name) !== i))];
}

function idProblems(part: Part): string[] {
  const named = [
    ['port', part.ports.map(({ id }) => id)],
    ['circuit element', part.circuit.map(({ id }) => id)],
    ['endpoint', part.endpoints.map(({ id }) => id)],
    ['setting', settingsOf(part).map(({ id }) => id)],
  ] as const;
  return named.flatMap(([what, ids]) => twice(ids).map((id) => `Two of its ${what}s are named "${id}".`));
}

const SIGNALS: readonly PinRole[] = [
  'tx',
  'rx',
  'cts',
  'rts',
  'sda',
  'scl',
  'pulse-out',
  'pulse-in',
  'analog-in',
  'analog-out',
  'single-wire',
];

function portProblems(part: Part): string[] {
  return part.ports.flatMap((port) => {
    const found: string[] = [];
    if (port.pins.some((pin, i) => pin.n !== i + 1)) found.push(`The pins of port "${port.id}" are not numbered from 1 in their order.`);
    if (port.pins.length !== port.connector.positions) {
      found.push(`Port "${port.id}" has ${port.pins.length} pins in a connector of ${port.connector.positions} positions.`);
    }
    if (port.groundless === undefined && !port.pins.some((pin) => pin.role === 'gnd')) {
      found.push(`Port "${port.id}" has no ground and does not say why.`);
    }
    // The insides of a hub are copper: the levels are those of what hangs on it.
    const bare = part.kind === 'hub' ? undefined : port.pins.find((pin) => SIGNALS.includes(pin.role) && pin.logic === undefined);
    if (bare !== undefined) found.push(`Pin ${bare.n} (${bare.label}) of port "${port.id}" is a signal without a level.`);
    return found;
  });
}

function pinProblems(part: ResolvedPart): string[] {
  const roles = new Map<string, PinRole>(part.ports.flatMap((port) => port.pins.map((pin) => [`${port.id}.${pin.n}`, pin.role] as const)));
  const missing = part.circuit.flatMap((element) =>
    addressesOf(element)
      .filter((address) => !address.startsWith('@') && !roles.has(address))
      .map((address) => `The circuit element "${element.id}" uses the pin ${address}, which does not exist.`),
  );
  const wrong = part.endpoints.flatMap((endpoint) =>
    endpointRoles(endpoint).flatMap(([pin, wanted]) => {
      const role = roles.get(pin);
      if (role === undefined) return [`The endpoint "${endpoint.id}" uses the pin ${pin}, which does not exist.`];
      return wanted.includes(role)
        ? []
        : [`The endpoint "${endpoint.id}" is on pin ${pin}, whose role is ${role} and not ${wanted.join(' or ')}.`];
    }),
  );
  return [...missing, ...wrong];
}

function sharingProblems(part: ResolvedPart): string[] {
  const users = new Map<string, string[]>();
  for (const endpoint of part.endpoints) {
    if (endpoint.exclusive !== undefined) continue;
    for (const pin of endpointPins(endpoint)) users.set(pin, [...(users.get(pin) ?? []), endpoint.id]);
  }
  return [...users]
    .filter(([, names]) => names.length > 1)
    .map(([pin, names]) => `The endpoints ${listed(names)} share pin ${pin}, and are not declared exclusive.`);
}

/** Every supply pin must be reached by some element, so that it is known what hangs on it. */
function supplyProblems(part: Part): string[] {
  const named = new Set(variantsOf(part).flatMap((resolved) => resolved.circuit.flatMap(addressesOf)));
  return part.ports.flatMap((port) =>
    port.pins
      .filter((pin) => pin.role.startsWith('supply'))
      .filter((pin) => !named.has(`${port.id}.${pin.n}`))
      .map((pin) => `No element of the circuit uses the supply pin ${pin.n} (${pin.label}) of port "${port.id}".`),
  );
}

function loadProblems(part: ResolvedPart): string[] {
  return part.circuit.flatMap((element) => {
    if (element.is !== 'load') return [];
    const found: string[] = [];
    if (element.minV > element.nominalV || element.maxV < element.nominalV) {
      found.push(
        `The load "${element.id}" works from ${element.minV} to ${stated(element.maxV, 'V')}, and its nominal ${stated(element.nominalV, 'V')} is outside.`,
      );
    }
    if (element.idleA > element.typicalA || element.typicalA > element.peakA) {
      found.push(`The currents of the load "${element.id}" do not rise from idle to typical to peak.`);
    }
    return found;
  });
}

function bankProblems(part: Part): string[] {
  const banks = part.board?.banks ?? [];
  const banked = banks.flatMap((bank) => bank.outputs);
  const outputs = part.endpoints.filter((endpoint) => endpoint.is === 'pulse-out');
  return [
    ...twice(banked).map((output) => `The output "${output}" is in two banks.`),
    ...outputs
      .filter((output) => part.kind === 'controller' && banks.find((bank) => bank.id === output.bank)?.outputs.includes(output.id) !== true)
      .map((output) => `The output "${output.id}" is declared in bank ${output.bank}, which does not contain it.`),
    ...banked
      .filter((id) => !outputs.some((output) => output.id === id))
      .map((id) => `A bank contains the output "${id}", which does not exist.`),
  ];
}

function wordProblems(part: Part): string[] {
  const ids = new Set([...part.endpoints.map(({ id }) => id), ...(part.radios ?? []).map(({ id }) => id)]);
  return [
    ...settingsOf(part)
      .filter((spec) => spec.default !== undefined && !settingTakes(spec, spec.default))
      .map((spec) => `The setting "${spec.id}" has a default that is not one of its values.`),
    ...part.routes
      .flatMap((route) => [route.from, route.to])
      .filter((id) => !ids.has(id))
      .map((id) => `A route goes through "${id}", which is neither an endpoint nor a radio of it.`),
    ...namesOfFacts(part),
    ...(part.cautions ?? [])
      .filter((caution) => !Object.hasOwn(CAUTIONS, caution))
      .map((caution) => `The caution "${caution}" is not known.`),
  ];
}

/** Facts that name something else of the part, which has to be there. */
function namesOfFacts(part: Part): string[] {
  const specs = settingsOf(part);
  const ports = new Set(part.ports.map(({ id }) => id));
  const radios = part.radios ?? [];
  const headings = radios.flatMap(({ heading }) => heading ?? []).sort();
  const known = new Set(specs.map(({ id }) => id));
  return [
    ...(part.how ?? [])
      .flatMap(({ settings }) => settings)
      .filter((id) => !known.has(id))
      .map((id) => `It says how to set "${id}", which is not one of its settings.`),
    ...specs
      .filter(({ how }) => how?.is === 'menu' && how.over !== undefined && !ports.has(how.over))
      .map(({ id }) => `The setting "${id}" is set over a port that does not exist.`),
    ...part.endpoints
      .filter(
        (endpoint) => (endpoint.is === 'usb' || endpoint.is === 'network') && endpoint.port !== undefined && !ports.has(endpoint.port),
      )
      .map(({ id }) => `The endpoint "${id}" is on a port that does not exist.`),
    ...radios
      .filter(
        ({ id, diversityOf }) => diversityOf !== undefined && (diversityOf === id || !radios.some((other) => other.id === diversityOf)),
      )
      .map(({ id }) => `The antenna "${id}" belongs to a radio that does not exist.`),
    ...(headings.length === 0 || headings.join(' ') === 'first second'
      ? []
      : ['A heading baseline needs one first and one second antenna.']),
    ...[part.spin, part.propeller?.turns].flatMap((turns) => (turns === undefined ? [] : turnProblems(turns, specs))),
    ...part.endpoints.flatMap((endpoint) =>
      endpoint.is !== 'rc-out'
        ? []
        : (endpoint.lossSignal ?? [])
            .filter(({ format }) => !endpoint.formats.includes(format))
            .map(({ format }) => `The endpoint "${endpoint.id}" states its loss behaviour for ${format}, which it does not use.`),
    ),
    ...part.endpoints.flatMap((endpoint) =>
      (endpoint.is === 'rc-out' ? (endpoint.tells ?? []) : []).flatMap((report) =>
        report.is !== 'output' || part.endpoints.some(({ is, id }) => is === 'analog-out' && id === report.endpoint)
          ? []
          : [`The endpoint "${endpoint.id}" reports link quality at the output "${report.endpoint}", which the part does not have.`],
      ),
    ),
  ];
}

function turnProblems(turns: Turns, specs: readonly SettingSpec[]): string[] {
  if (turns.is === 'always') return [];
  const spec = specs.find(({ id }) => id === turns.setting);
  const takes = spec?.is === 'choice' && TURNS.every((turn) => settingTakes(spec, turn)) && spec.choices.length === TURNS.length;
  return takes ? [] : [`The setting "${turns.setting}" does not choose between clockwise and counter-clockwise.`];
}
