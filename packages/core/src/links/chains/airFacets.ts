import type { Graph, GraphItem } from '../../graph/graph.ts';
import type { AirTraits, RadioTraits } from '../../model/radio.ts';
import { settingInForce } from '../../model/settingInForce.ts';
import type { SettingValue } from '../../model/setting.ts';
import { AIR } from '../../model/settingsOf.ts';
import { range } from '../../text/numbers.ts';
import type { Facet, FacetSide } from './hop.ts';
import { fixedSide, settingSide } from './sides.ts';

/** A radio of an item. */
export interface AirEnd {
  readonly entry: GraphItem;
  readonly radio: RadioTraits;
}

/** What two radios have to agree on to hear one another, as they are set. What a part does not state is not judged. */
export function airFacets(graph: Graph, a: AirEnd, b: AirEnd): readonly Facet[] {
  const [airA, airB] = [a.radio.air, b.radio.air];
  const band = bandFacet(a.radio, b.radio);
  if (airA === undefined || airB === undefined) return [band];
  const speaks: Facet = {
    id: 'air',
    title: 'air protocol',
    a: fixedSide(airA.protocol),
    b: fixedSide(airB.protocol),
    verdict: airA.protocol === airB.protocol ? 'agree' : 'differ',
  };
  // Two that speak different things have nothing else to agree on.
  if (speaks.verdict === 'differ') return [band, speaks];
  const rest = CHOSEN.flatMap(({ id, title, setting, words }): Facet[] => {
    const [sideA, sideB] = [a, b].map((end) => airSide(graph, end, setting, words));
    if (sideA === undefined || sideB === undefined) return [];
    return [{ id, title, a: sideA, b: sideB, verdict: verdictOf(sideA, sideB) }];
  });
  return [band, speaks, ...rest, ...knowsFacet(graph, a, b, airA, airB)];
}

function bandFacet(a: RadioTraits, b: RadioTraits): Facet {
  const meets = a.mhz[0] <= b.mhz[1] && b.mhz[0] <= a.mhz[1];
  const side = ({ mhz: [low, high] }: RadioTraits): FacetSide => fixedSide(range(low, high, 'MHz'));
  return { id: 'band', title: 'band', a: side(a), b: side(b), verdict: meets ? 'agree' : 'differ' };
}

interface Chosen {
  readonly id: 'version' | 'region' | 'air-rate';
  readonly title: string;
  readonly setting: string;
  /** The value in words; undefined where the radio has nothing of the kind. */
  readonly words: (air: AirTraits, value: SettingValue | undefined) => string | undefined;
}

const firstOr = (value: SettingValue | undefined, delivered: readonly (string | number)[] | undefined): string | undefined => {
  const now = value ?? delivered?.[0];
  return now === undefined ? undefined : String(now);
};

const CHOSEN: readonly Chosen[] = [
  {
    id: 'version',
    title: 'major version',
    setting: AIR.version,
    words: (air, value) => {
      const version = firstOr(value, air.versions);
      return version === undefined ? undefined : `version ${version}`;
    },
  },
  {
    id: 'region',
    title: 'region',
    setting: AIR.region,
    words: (air, value) => {
      const region = firstOr(value, air.regions);
      return region === undefined ? undefined : `region ${region}`;
    },
  },
  {
    id: 'air-rate',
    title: 'packet rate',
    setting: AIR.rate,
    words: (air, value) => {
      const rate = firstOr(value, air.rates?.choices);
      return rate === undefined ? undefined : `${rate} ${air.rates?.unit ?? ''} in the air`;
    },
  },
];

function airSide(graph: Graph, { entry, radio }: AirEnd, setting: string, words: Chosen['words']): FacetSide | undefined {
  if (radio.air === undefined) return undefined;
  const id = `${radio.id}.${setting}`;
  const value = words(radio.air, settingInForce(graph.design, entry.item, id));
  return value === undefined ? undefined : settingSide(graph, entry, id, value);
}

/** How the two know one another: both have to have the same number or phrase, or to be paired. */
function knowsFacet(graph: Graph, a: AirEnd, b: AirEnd, { knows: knowsA }: AirTraits, { knows: knowsB }: AirTraits): Facet[] {
  if (knowsA === undefined || knowsA.is !== knowsB?.is) return [];
  const [setting, title] = KNOWN_BY[knowsA.is];
  const side = ({ entry, radio }: AirEnd): FacetSide => {
    const id = `${radio.id}.${setting}`;
    const value = settingInForce(graph.design, entry.item, id);
    return settingSide(graph, entry, id, value === undefined ? undefined : knownWords(knowsA, value));
  };
  const [sideA, sideB] = [side(a), side(b)];
  const isUnpaired = knowsA.is === 'pairing' && [sideA, sideB].some(({ value }) => value === NOT_PAIRED);
  return [{ id: 'known-by', title, a: sideA, b: sideB, verdict: isUnpaired ? 'differ' : verdictOf(sideA, sideB) }];
}

const KNOWN_BY = {
  number: [AIR.number, 'link id'],
  phrase: [AIR.phrase, 'binding phrase'],
  pairing: [AIR.paired, 'pairing'],
} as const;

/** How an end says that nobody has paired it yet. */
export const NOT_PAIRED = 'not paired';

function knownWords(knows: NonNullable<AirTraits['knows']>, value: SettingValue): string {
  switch (knows.is) {
    case 'number':
      return `${knows.label} ${String(value)}`;
    case 'phrase':
      return `phrase "${String(value)}"`;
    case 'pairing':
      return value === true ? 'paired' : NOT_PAIRED;
  }
}

function verdictOf(a: FacetSide, b: FacetSide): Facet['verdict'] {
  if (a.value === undefined || b.value === undefined) return 'unknown';
  return a.value === b.value ? 'agree' : 'differ';
}
