import type { CircuitElement, Endpoint, Part, Pin, ResolvedPart } from './part.ts';
import type { NumberParameter, SettingValue, When } from './setting.ts';
import { settingsOf } from './settingsOf.ts';

export type Settings = Readonly<Record<string, SettingValue>>;

const cache = new WeakMap<Part, Map<string, ResolvedPart>>();
/** Edits leave the settings of other items as they are, so that those need not even be read again. */
const lastCache = new WeakMap<Settings, { readonly part: Part; readonly resolved: ResolvedPart }>();

/**
 * A part with its settings applied: parameters become numbers, and elements, endpoints and pin roles that a setting
 * switches off are left out. The only code that reads `fromSetting`, `when` and `becomes`.
 * Unknown settings are ignored; a setting that is not given has its default.
 */
export function resolvePart(part: Part, settings: Settings): ResolvedPart {
  const last = lastCache.get(settings);
  if (last?.part === part) return last.resolved;
  const resolved = resolvedBy(part, settings);
  lastCache.set(settings, { part, resolved });
  return resolved;
}

function resolvedBy(part: Part, settings: Settings): ResolvedPart {
  const values = effectiveSettings(part, settings);
  const byValues = cache.get(part) ?? new Map<string, ResolvedPart>();
  cache.set(part, byValues);
  const key = JSON.stringify([...values].sort());
  const known = byValues.get(key);
  if (known !== undefined) return known;
  const resolved = resolve(part, values);
  byValues.set(key, resolved);
  return resolved;
}

/** The values in force: what is set where the part knows the setting, else the defaults. */
export function effectiveSettings(part: Part, settings: Settings): ReadonlyMap<string, SettingValue> {
  const values = new Map<string, SettingValue>();
  for (const spec of settingsOf(part)) {
    const value = settings[spec.id] ?? spec.default;
    if (value !== undefined) values.set(spec.id, value);
  }
  return values;
}

type Values = ReadonlyMap<string, SettingValue>;

function resolve(part: Part, values: Values): ResolvedPart {
  const isOn = (thing: { readonly when?: When | undefined }): boolean => holds(thing.when, values);
  return {
    ...part,
    ports: part.ports.map((port) => ({ ...port, pins: port.pins.map((pin) => resolvePin(pin, values)) })),
    circuit: part.circuit.filter(isOn).map((element) => resolveElement(element, values)),
    endpoints: part.endpoints.filter(isOn).map((endpoint) => resolveEndpoint(endpoint, values)),
  };
}

function holds(when: When | undefined, values: Values): boolean {
  if (when === undefined) return true;
  const value = values.get(when.setting);
  return value !== undefined && when.in.includes(value);
}

function resolvePin(pin: Part['ports'][number]['pins'][number], values: Values): Pin {
  const { becomes, ...plain } = pin;
  const now = becomes?.find((change) => holds(change.when, values));
  return now === undefined ? plain : { ...plain, role: now.role, label: now.label };
}

/** A parameter that no setting decides is not a number: 0 would be a wrong fact, so the part must give a default. */
function numberOf(parameter: NumberParameter, values: Values): number {
  if (typeof parameter === 'number') return parameter;
  const value = values.get(parameter.fromSetting);
  const given = parameter.values?.find((row) => row.is === value)?.gives;
  if (given !== undefined) return given;
  if (parameter.values === undefined && typeof value === 'number') return value;
  return parameter.values?.[0]?.gives ?? 0;
}

type RawElement = Part['circuit'][number];

function resolveElement(element: RawElement, values: Values): CircuitElement {
  const n = (parameter: NumberParameter): number => numberOf(parameter, values);
  switch (element.is) {
    case 'source':
      return { ...element, volts: n(element.volts), ohm: n(element.ohm), maxA: n(element.maxA) };
    case 'battery':
      return {
        ...element,
        cells: n(element.cells),
        capacityMah: n(element.capacityMah),
        internalOhm: n(element.internalOhm),
        continuousA: n(element.continuousA),
      };
    case 'link': {
      const { maxA, ...rest } = element;
      return { ...rest, ohm: n(element.ohm), ...(maxA === undefined ? {} : { maxA: n(maxA) }) };
    }
    case 'regulator': {
      const { maxW, ...rest } = element;
      return {
        ...rest,
        setV: n(element.setV),
        inputMinV: n(element.inputMinV),
        inputMaxV: n(element.inputMaxV),
        dropoutV: n(element.dropoutV),
        efficiency: n(element.efficiency),
        quiescentA: n(element.quiescentA),
        continuousA: n(element.continuousA),
        burstA: n(element.burstA),
        burstS: n(element.burstS),
        ...(maxW === undefined ? {} : { maxW: n(maxW) }),
      };
    }
    case 'selector':
      return {
        ...element,
        dropV: n(element.dropV),
        inputs: element.inputs.map((input) => ({
          node: input.node,
          minV: n(input.minV),
          maxV: n(input.maxV),
          absoluteMaxV: n(input.absoluteMaxV),
        })),
      };
    case 'diode':
      return { ...element, dropV: n(element.dropV), maxA: n(element.maxA) };
    case 'limiter':
      return {
        ...element,
        ohm: n(element.ohm),
        holdA: n(element.holdA),
        tripA: n(element.tripA),
        tripS: n(element.tripS),
        trippedW: n(element.trippedW),
      };
    case 'switch':
      return { ...element, maxA: n(element.maxA) };
    case 'sense':
      return { ...element, ohm: n(element.ohm), fullScaleA: n(element.fullScaleA) };
    case 'load': {
      const { stallA, ...rest } = element;
      return {
        ...rest,
        nominalV: n(element.nominalV),
        minV: n(element.minV),
        maxV: n(element.maxV),
        idleA: n(element.idleA),
        typicalA: n(element.typicalA),
        peakA: n(element.peakA),
        ...(stallA === undefined ? {} : { stallA: n(stallA) }),
      };
    }
    case 'drive': {
      const { idleA, ...rest } = element;
      return {
        ...rest,
        minV: n(element.minV),
        maxV: n(element.maxV),
        continuousA: n(element.continuousA),
        burstA: n(element.burstA),
        ...(idleA === undefined ? {} : { idleA: n(idleA) }),
      };
    }
    case 'motor':
      return { ...element, tableV: n(element.tableV), maxA: n(element.maxA) };
    case 'clamp':
      return { ...element, volts: n(element.volts), slopeOhm: n(element.slopeOhm), maxW: n(element.maxW), maxJ: n(element.maxJ) };
    case 'capacitor':
      return { ...element, microfarad: n(element.microfarad), esrOhm: n(element.esrOhm) };
  }
}

function resolveEndpoint(endpoint: Part['endpoints'][number], values: Values): Endpoint {
  const n = (parameter: NumberParameter): number => numberOf(parameter, values);
  switch (endpoint.is) {
    case 'uart':
      return { ...endpoint, maxBaud: n(endpoint.maxBaud) };
    case 'i2c-host':
    case 'i2c-device': {
      const { pullUpOhm, ...rest } = endpoint;
      const ohm = pullUpOhm === undefined ? 0 : n(pullUpOhm);
      return { ...rest, capacitancePf: n(endpoint.capacitancePf), ...(ohm === 0 ? {} : { pullUpOhm: ohm }) };
    }
    case 'rc-out': {
      const { lossSignal, tells, ...rest } = endpoint;
      const inForce = lossSignal?.filter(({ when }) => holds(when, values)) ?? [];
      const told = tells?.map((report) => (report.is === 'channel' ? { ...report, channel: n(report.channel) } : report));
      return {
        ...rest,
        channels: n(endpoint.channels),
        ...(inForce.length === 0 ? {} : { lossSignal: inForce }),
        ...(told === undefined ? {} : { tells: told.filter((report) => report.is !== 'channel' || report.channel > 0) }),
      };
    }
    case 'analog-sense':
    case 'analog-out':
      return { ...endpoint, fullScaleV: n(endpoint.fullScaleV) };
    case 'can':
    case 'usb':
    case 'air':
    case 'phase':
    case 'pulse-out':
    case 'pulse-in':
    case 'rc-in':
    case 'video-out':
    case 'video-in':
    case 'network':
      return endpoint;
  }
}
