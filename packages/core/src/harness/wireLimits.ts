import { CONNECTOR_FAMILIES, type Connector } from '../model/connector.ts';
import { AWG_SIZES, type Cable, type Conductor } from '../model/aircraft.ts';
import type { NodeId } from '../model/ids.ts';

/** What a wire carries for ever, in amperes, by AWG size: sample values for silicone wire in free air. */
export const WIRE_AMPS: Readonly<Record<(typeof AWG_SIZES)[number], number>> = {
  30: 0.9,
  28: 1.4,
  26: 2.2,
  24: 3.5,
  22: 7,
  20: 11,
  18: 16,
  16: 22,
  14: 32,
  12: 41,
  10: 55,
  8: 73,
  6: 101,
};

/** Silicone wire carries twice its lasting current for half a minute. */
const SHORT_S = 30;
const SHORT_FACTOR = 2;

/** What a wire carries for a time, in amperes; undefined for a size that is not in the table. */
export function wireAmps(awg: number, durationS: number): number | undefined {
  const size = AWG_SIZES.find((one) => one === awg);
  return size === undefined ? undefined : WIRE_AMPS[size] * (durationS <= SHORT_S ? SHORT_FACTOR : 1);
}

/** The sizes that the contacts at both ends of a conductor take, the thinnest first. */
export function sizesOf({ nodes }: Cable, { a, b }: Pick<Conductor, 'a' | 'b'>): readonly number[] {
  const connectorAt = (id: NodeId): Connector | undefined => {
    const node = nodes[id];
    return node?.is === 'end' ? node.connector : undefined;
  };
  return sizesBetween(connectorAt(a.node), connectorAt(b.node));
}

/** The sizes that two connectors take, the thinnest first. */
export function sizesBetween(a: Connector | undefined, b: Connector | undefined): readonly number[] {
  const limits = [a, b].flatMap((connector) => (connector === undefined ? [] : [CONNECTOR_FAMILIES[connector.family].awg]));
  return [...AWG_SIZES].reverse().filter((size) => limits.every(([thickest, thinnest]) => size >= thickest && size <= thinnest));
}
