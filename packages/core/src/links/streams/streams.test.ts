import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import * as definitions from 'mavlink-mappings';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { STREAM_IDS, type StreamId } from '../../model/linkIds.ts';
import { linkKey } from '../../model/linkWords.ts';
import { linkCases } from '../../test/checkCases/links.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { chainsOf } from '../chains/chainsOf.ts';
import { budgetOf, USUAL_PARAMETERS, type StreamBudget } from './budgetOf.ts';
import { BITS_PER_BYTE } from './capacity.ts';
import { messageBytes, PARAMETER_MESSAGE, payloadBytes, STREAM_MESSAGES } from './messages.ts';

/** What a class of the public definitions says of its message. */
interface Definition {
  readonly MSG_NAME: string;
  readonly PAYLOAD_LENGTH: number;
  readonly FIELDS: readonly { readonly size: number; readonly length: number; readonly extension: boolean }[];
}
const isDefinition = (value: unknown): value is Definition =>
  typeof value === 'function' && 'MSG_NAME' in value && 'PAYLOAD_LENGTH' in value && 'FIELDS' in value;
const classes: readonly unknown[] = Object.values({ ...definitions.minimal, ...definitions.common });
const byName = new Map(classes.filter(isDefinition).map((one) => [one.MSG_NAME, one] as const));

describe('the sizes of messages', () => {
  it.each(STREAM_IDS.map((id) => [STREAM_MESSAGES[id].name, STREAM_MESSAGES[id]] as const))(
    'of %s are those of the public definitions',
    (name, message) => {
      const there = byName.get(name);
      expect(payloadBytes(message)).toBe(there?.PAYLOAD_LENGTH);
      const fields = there?.FIELDS.reduce((sum, { size, length }) => sum + (length > 1 ? size * length : size), 0);
      expect(payloadBytes(message)).toBe(fields);
    },
  );

  it('has twelve bytes around a payload, and thirteen more when it is signed', () => {
    expect(messageBytes(STREAM_MESSAGES.heartbeat, false)).toBe(21);
    expect(messageBytes(STREAM_MESSAGES.heartbeat, true)).toBe(34);
    expect(payloadBytes(PARAMETER_MESSAGE)).toBe(byName.get('PARAM_VALUE')?.PAYLOAD_LENGTH);
    expect(messageBytes(PARAMETER_MESSAGE, false)).toBe(37);
  });

  it('counts a start bit, eight of data, parity and the stop bits', () => {
    for (const [frame, bits] of Object.entries(BITS_PER_BYTE)) {
      const [data = '', parity = '', stop = ''] = frame;
      expect(bits).toBe(1 + Number(data) + (parity === 'N' ? 0 : 1) + Number(stop));
    }
  });
});

const right = (): Design => linkCases['link.bandwidth']?.right() ?? fail();
function fail(): never {
  throw new Error('There is no case of it.');
}

function budget(design: Design): StreamBudget {
  const graph = graphOf(design);
  const chain = chainsOf(graph).find(({ kind }) => kind.id === 'telemetry');
  const found = chain === undefined ? undefined : budgetOf(graph, chain);
  return found ?? fail();
}

function withRates(design: Design, rates: Partial<Readonly<Record<StreamId, number>>>): Design {
  const link = linkKey('telemetry', itemOf(design, 'RADIO1').id);
  let now = design;
  for (const stream of STREAM_IDS) {
    const hz = rates[stream];
    const was = now.aircraft.links[link]?.streams?.[stream] ?? null;
    if (hz !== undefined && hz !== was) now = made(now, { kind: 'set-stream', link, stream, hz, was });
  }
  return now;
}
const silent = Object.fromEntries(STREAM_IDS.map((id) => [id, 0]));

describe('the budget of a link', () => {
  it('is the air of a 64 kbit/s pair, shared by both directions, before its 57 600 baud wire', () => {
    const { loads, narrowest } = budget(right());
    expect(loads.map(({ hop, capacity }) => [hop.medium, capacity])).toEqual([
      ['air', { bytesPerS: (64_000 / 8) * 0.45, isShared: true }],
      ['serial', { bytesPerS: 5760, isShared: false }],
    ]);
    expect(narrowest?.hop.medium).toBe('air');
  });

  it('is the sum of what is sent, up and down, whatever the rates', () => {
    const rate = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(fc.record({ attitude: rate, 'gps-rtcm-data': rate, 'vfr-hud': rate }), (rates) => {
        const { downBytesPerS, upBytesPerS, narrowest, parametersS } = budget(withRates(right(), { ...silent, ...rates }));
        const [down, up] = [rates.attitude * 40 + rates['vfr-hud'] * 32, rates['gps-rtcm-data'] * 194];
        expect([downBytesPerS, upBytesPerS]).toEqual([down, up]);
        expect(narrowest?.share).toBeCloseTo(Math.max((down + up) / 3600, Math.max(down, up) / 5760));
        const free = Math.min(3600 - down - up, 5760 - down);
        if (free <= 0) expect(parametersS).toBeUndefined();
        else expect(parametersS).toBeCloseTo((USUAL_PARAMETERS * 37) / (free * 0.95));
      }),
      { numRuns: 40 },
    );
  });

  it('has thirteen bytes more a message where they are signed, also of each parameter', () => {
    const design = withRates(right(), { ...silent, attitude: 10 });
    const link = linkKey('telemetry', itemOf(design, 'RADIO1').id);
    const signed = made(design, { kind: 'set-link-flag', link, flag: 'signed', on: true, was: false });
    expect(budget(design).downBytesPerS).toBe(400);
    expect(budget(signed).downBytesPerS).toBe(530);
    expect(budget(signed).parametersS).toBeCloseTo((1000 * 50) / ((3600 - 530) * 0.95));
  });

  it('is silent up to 70 %, a note above it, and to be mended above all of it', () => {
    const severity = (hz: number): string | undefined =>
      findingsBy(withRates(right(), { ...silent, attitude: hz }), 'link.bandwidth')[0]?.severity;
    // 40 bytes each, of 3600: 70 % is 63 a second.
    expect([63, 64, 90, 91].map(severity)).toEqual([undefined, 'note', 'note', 'mend']);
    const [finding] = findingsBy(withRates(right(), { ...silent, attitude: 99 }), 'link.bandwidth');
    expect(withPlainSpaces(finding?.what ?? '')).toBe(
      'RADIO1 telemetry needs 110 % of the capacity between RADIO2 radio and RADIO1 radio.',
    );
  });

  it('is none for a link that carries no streams, or that nobody wants', () => {
    const graph = graphOf(right());
    expect(chainsOf(graph).filter((chain) => chain.kind.id !== 'telemetry' && budgetOf(graph, chain) !== undefined)).toEqual([]);
    const link = linkKey('telemetry', itemOf(right(), 'RADIO1').id);
    const off = graphOf(made(right(), { kind: 'set-link-flag', link, flag: 'off', on: true, was: false }));
    expect(chainsOf(off).map((chain) => budgetOf(off, chain))).toEqual(chainsOf(off).map(() => undefined));
  });
});
