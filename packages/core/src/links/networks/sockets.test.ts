import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { graphOf } from '../../graph/graphOf.ts';
import { applyEdit } from '../../edits/applyEdit.ts';
import type { Bench } from '../../demo/bench.ts';
import type { Design } from '../../model/design.ts';
import { asId, type BondId, type ItemId, type SocketId } from '../../model/ids.ts';
import { addressBits, isBroadcast, isIpv4, subnetOf } from '../../model/ipv4.ts';
import { socketProblem, type Socket } from '../../model/socket.ts';
import { emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';
import { chainsOf } from '../chains/chainsOf.ts';
import { hopsOf } from '../chains/hopsOf.ts';
import { isRight, type SocketPairs } from './socketPairs.ts';

const socketsOf = (design: Design): SocketPairs => hopsOf(graphOf(design)).sockets;

/** Two computers by one cable. */
function two(): Bench {
  const bench = emptyBench();
  bench.add('computer-bench', 'a', { 'ETH.ip': '10.77.0.1' }, 'ground');
  bench.add('computer-bench', 'b', { 'ETH.ip': '10.77.0.2' }, 'ground');
  bench.wire('PC1 ETH', 'PC2 ETH', 'straight');
  return bench;
}

const client = (address: string, port: number, transport: Socket['transport'] = 'udp'): Socket => ({
  endpoint: 'program1',
  transport,
  role: 'client',
  remote: { address, port },
});
const server = (localPort: number, transport: Socket['transport'] = 'udp'): Socket => ({
  endpoint: 'program1',
  transport,
  role: 'server',
  localPort,
});

describe('addresses', () => {
  it('are four numbers from 0 to 255, and nothing else', () => {
    const octet = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(fc.tuple(octet, octet, octet, octet), (octets) => {
        expect(isIpv4(octets.join('.'))).toBe(true);
        expect(addressBits(octets.join('.'))).toBe(octets.reduce((sum, one) => sum * 256 + one, 0));
      }),
    );
    for (const wrong of ['999.1.1.1', '1.2.3', '1.2.3.4.5', '01.2.3.4', '256.0.0.1', '1.2.3.4 ', '', 'a.b.c.d', '1.2.3.-4'])
      expect([wrong, isIpv4(wrong)]).toEqual([wrong, false]);
  });

  it('lie in the subnet of their leading bits, and the last of it is for all', () => {
    fc.assert(
      fc.property(fc.nat({ max: 2 ** 32 - 1 }), fc.integer({ min: 8, max: 30 }), (bits, prefix) => {
        const text = (n: number): string => [24, 16, 8, 0].map((shift) => Math.floor(n / 2 ** shift) % 256).join('.');
        const first = subnetOf(text(bits), prefix);
        expect(first % 2 ** (32 - prefix)).toBe(0);
        expect(bits - first).toBeGreaterThanOrEqual(0);
        expect(bits - first).toBeLessThan(2 ** (32 - prefix));
        const last = first + 2 ** (32 - prefix) - 1;
        expect(isBroadcast(text(last), text(bits), prefix)).toBe(true);
        if (bits !== last) expect(isBroadcast(text(bits), text(first), prefix)).toBe(false);
      }),
    );
  });
});

describe('a socket by itself', () => {
  it.each<[string, Socket]>([
    ['"999.1.1.1" is not an address', client('999.1.1.1', 14_550)],
    ['70000 is not a port: ports go from 1 to 65535.', client('10.77.0.2', 70_000)],
    ['0 is not a port', server(0)],
    ['needs a local port', { endpoint: 'program1', transport: 'udp', role: 'server' }],
    ['needs the address and the port of the other end', { endpoint: 'program1', transport: 'udp', role: 'client' }],
    ['TCP needs one end that listens', { ...client('10.77.0.2', 1, 'tcp'), role: 'peer', localPort: 5 }],
    ['needs no other end', { ...server(5), remote: { address: '10.77.0.2', port: 5 } }],
  ])('is refused with a sentence: %s', (sentence, socket) => {
    expect(socketProblem(socket)).toContain(sentence);
    const design = two().design;
    const item = { ...itemOf(design, 'PC1'), id: asId<ItemId>('new'), ref: 'PC9', sockets: { [asId<SocketId>('s1')]: socket } };
    const added = applyEdit(design, { kind: 'add-item', item });
    expect('refused' in added ? added.refused.sentence : 'made').toContain(sentence);
    const refused = applyEdit(design, { kind: 'set-socket', item: itemOf(design, 'PC1').id, id: asId<SocketId>('s1'), socket, was: null });
    expect('refused' in refused ? refused.refused.sentence : 'made').toContain(sentence);
  });

  it('is refused where the part has no such bytes, or when it was changed meanwhile', () => {
    const design = two().design;
    const { id } = itemOf(design, 'PC1');
    const at = (socket: Socket, was: Socket | null = null) =>
      applyEdit(design, { kind: 'set-socket', item: id, id: asId<SocketId>('s1'), socket, was });
    const [noBytes, changed] = [at({ ...server(5), endpoint: 'usb1' }), at(server(5), server(6))];
    expect('refused' in noBytes ? noBytes.refused.code : '').toBe('unknown-port');
    expect('refused' in changed ? changed.refused.code : '').toBe('changed-since');
  });
});

describe('sockets that meet', () => {
  const peer = (localPort: number, address: string, port: number): Socket => ({
    endpoint: 'program1',
    transport: 'udp',
    role: 'peer',
    localPort,
    remote: { address, port },
  });
  const named = ({ pairs, astray }: SocketPairs) => ({
    pairs: pairs.map(({ from, to }) => `${from.socket.localPort ?? from.socket.remote?.port ?? ''}-${to.socket.localPort ?? ''}`),
    astray: astray.map(({ socket }) => socket.remote?.port),
  });

  it('are two of a pair: a third peer that names one of them reaches nobody', () => {
    const bench = two();
    bench.socket('PC1', peer(1000, '10.77.0.2', 2000));
    bench.socket('PC2', peer(2000, '10.77.0.1', 1000));
    bench.socket('PC2', peer(3000, '10.77.0.1', 1000));
    expect(named(socketsOf(bench.design))).toEqual({ pairs: ['1000-2000'], astray: [1000] });
  });

  it('are guessed where a port is wrong, each listener once', () => {
    const bench = two();
    bench.socket('PC2', server(2000));
    bench.socket('PC1', client('10.77.0.2', 2001));
    bench.socket('PC1', client('10.77.0.2', 2002));
    const { pairs, astray } = socketsOf(bench.design);
    expect([pairs.length, astray.length]).toEqual([1, 1]);
  });

  it('are guessed for two peers at once: neither is left for a third', () => {
    const bench = two();
    bench.socket('PC1', peer(1000, '10.77.0.2', 2001));
    bench.socket('PC2', peer(2000, '10.77.0.1', 1001));
    bench.socket('PC2', client('10.77.0.1', 1002));
    expect(named(socketsOf(bench.design))).toEqual({ pairs: ['1000-2000'], astray: [1002] });
  });

  it('are those that point at each other, however many there are, and a change of one parts that pair alone', () => {
    const port = fc.integer({ min: 1024, max: 65_535 });
    fc.assert(
      fc.property(fc.uniqueArray(port, { minLength: 1, maxLength: 8 }), fc.nat(), (ports, which) => {
        const bench = two();
        for (const one of ports) {
          bench.socket('PC2', server(one));
          bench.socket('PC1', client('10.77.0.2', one));
        }
        const { pairs, astray } = socketsOf(bench.design);
        expect(astray).toEqual([]);
        expect(pairs.map(({ from, to }) => [from.socket.remote?.port, to.socket.localPort])).toEqual(
          pairs.map(({ to }) => [to.socket.localPort, to.socket.localPort]),
        );
        expect(pairs).toHaveLength(ports.length);
        expect(pairs.every(({ match }) => isRight(match))).toBe(true);
        // One of them wrong: the others hold, and it is told against the one that is left.
        const chosen = pairs[which % pairs.length];
        if (chosen === undefined) return;
        const wrong: Socket = { ...chosen.from.socket, remote: { address: '10.77.0.77', port: chosen.to.socket.localPort ?? 0 } };
        const edit = {
          kind: 'set-socket',
          item: chosen.from.entry.item.id,
          id: chosen.from.id,
          socket: wrong,
          was: chosen.from.socket,
        } as const;
        const after = socketsOf(made(bench.design, edit));
        const apart = after.pairs.filter(({ match }) => !isRight(match));
        expect(apart.map(({ from, to, match }) => [from.id, to.id, match.address, match.port])).toEqual([
          [chosen.from.id, chosen.to.id, false, true],
        ]);
        expect(findingsBy(made(bench.design, edit), 'link.address-mismatch')).toHaveLength(1);
      }),
      { numRuns: 30 },
    );
  });

  it('that both send part where either of them points past the other', () => {
    const matchOf = (one: Socket, other: Socket) => {
      const bench = two();
      bench.socket('PC1', one);
      bench.socket('PC2', other);
      const { pairs } = socketsOf(bench.design);
      expect(pairs).toHaveLength(1);
      expect(findingsBy(bench.design, 'link.address-mismatch')).toHaveLength(pairs.every(({ match }) => isRight(match)) ? 0 : 1);
      return pairs[0]?.match;
    };
    const right = peer(5001, '10.77.0.2', 5002);
    expect(matchOf(right, peer(5002, '10.77.0.1', 5001))).toMatchObject({ address: true, port: true, addressBack: true, portBack: true });
    expect(matchOf(right, peer(5002, '10.77.0.1', 5009))).toMatchObject({ address: true, port: true, addressBack: true, portBack: false });
    expect(matchOf(right, peer(5002, '10.77.0.9', 5001))).toMatchObject({ address: true, port: true, addressBack: false, portBack: true });
    expect(matchOf(right, peer(5003, '10.77.0.1', 5001))).toMatchObject({ address: true, port: false, addressBack: true, portBack: true });
  });

  it('may be many at one server, and one that is sent to all of the subnet', () => {
    const bench = two();
    bench.socket('PC2', server(14_550));
    bench.socket('PC1', client('10.77.0.2', 14_550));
    bench.socket('PC1', client('10.77.0.255', 14_550));
    expect(socketsOf(bench.design).pairs.map(({ match }) => isRight(match))).toEqual([true, true]);
    expect(findingsBy(bench.design, 'link.address-mismatch')).toEqual([]);
  });

  it('do not reach another network: what nobody in reach listens for goes astray, with a finding', () => {
    const bench = emptyBench();
    bench.add('computer-bench', 'a', { 'ETH.ip': '10.77.0.1' }, 'ground');
    bench.add('computer-bench', 'b', { 'ETH.ip': '10.77.0.2' }, 'ground');
    bench.socket('PC2', server(14_550));
    bench.socket('PC1', client('10.77.0.2', 14_550));
    const { pairs, astray } = socketsOf(bench.design);
    expect([pairs.length, astray.length]).toEqual([0, 1]);
    expect(findingsBy(bench.design, 'link.address-mismatch')[0]?.what).toBe(
      'PC1 ground program sends to 10.77.0.2:14550, where nothing listens.',
    );
  });

  it('are told where two listen on one port, and where two items have one address', () => {
    const bench = two();
    bench.socket('PC2', server(14_550));
    bench.socket('PC2', { ...server(14_550), endpoint: 'program2' });
    bench.socket('PC2', server(14_550, 'tcp'));
    expect(findingsBy(bench.design, 'link.address-mismatch').map(({ what }) => what)).toEqual(['2 sockets of PC2 use UDP port 14550.']);
    bench.setting('PC1', 'ETH.ip', '10.77.0.2');
    expect(findingsBy(bench.design, 'link.address-mismatch').map(({ what }) => what)).toContain(
      'PC1 and PC2 have the same address, 10.77.0.2, in one network.',
    );
  });

  it('200 of them are joined at once', () => {
    const bench = emptyBench();
    for (let n = 1; n <= 6; n++) bench.add('computer-bench', `c${n}`, { 'ETH.ip': `10.77.0.${n}` }, 'ground');
    for (let n = 1; n < 6; n += 2) bench.wire(`PC${n} ETH`, `PC${n + 1} ETH`, 'straight');
    for (let n = 1; n < 6; n += 2) {
      for (let i = 0; i < 33; i++) {
        bench.socket(`PC${n + 1}`, server(20_000 + i));
        bench.socket(`PC${n}`, client(`10.77.0.${n + 1}`, 20_000 + i));
      }
    }
    const { pairs, sockets } = socketsOf(bench.design);
    expect([sockets.length, pairs.filter(({ match }) => isRight(match)).length]).toEqual([198, 99]);
  });
});

describe('what no document may hold', () => {
  it('a bond of a radio with itself, with a radio that is not there, or a second one of the same two', () => {
    const bench = emptyBench();
    bench.add('radio-900-class', 'a');
    bench.add('radio-900-ground-usb', 'b', {}, 'ground');
    const [one, other] = ['RADIO1', 'RADIO2'].map((ref) => bench.itemId(ref));
    if (one === undefined || other === undefined) throw new Error('Two radios are wanted.');
    const bond = (a: string, radioA: string, b: string, radioB: string) =>
      applyEdit(bench.design, {
        kind: 'add-bond',
        bond: { id: asId<BondId>('n1'), a: { item: asId(a), radio: radioA }, b: { item: asId(b), radio: radioB } },
      });
    const said = (result: ReturnType<typeof bond>): string => ('refused' in result ? result.refused.sentence : 'made');
    expect(said(bond(one, 'air', one, 'air'))).toBe('RADIO1 cannot be paired with itself.');
    expect(said(bond(one, 'air', other, 'sky'))).toBe('RADIO2 has no radio "sky".');
    expect(said(bond(one, 'air', 'nobody', 'air'))).toBe('One of the two radios is no longer there.');
    bench.bond('RADIO2', 'RADIO1');
    expect(said(bond(one, 'air', other, 'air'))).toBe('RADIO1 with RADIO2 are already paired.');
  });

  it('a link to nothing or to itself, and a setting that its part does not take; and 200 links are as good as one', () => {
    const bench = two();
    const [one, other] = ['PC1', 'PC2'].map((ref) => bench.itemId(ref));
    if (one === undefined || other === undefined) throw new Error('Two computers are wanted.');
    const want = (id: string, from: string, to: string) =>
      applyEdit(bench.design, { kind: 'add-wish', wish: { id: asId(id), kind: 'telemetry', from: asId(from), to: asId(to) } });
    const said = (result: ReturnType<typeof want>): string => ('refused' in result ? result.refused.sentence : 'made');
    expect(said(want('w', one, 'nobody'))).toBe('One of the two items is no longer there.');
    expect(said(want('w', one, one))).toBe('PC1 cannot have a link to itself.');
    bench.add('radio-900-class', 'r');
    const radio = bench.itemId('RADIO1');
    expect(said(applyEdit(bench.design, { kind: 'set-item-setting', item: radio, setting: 'UART.baud', value: 0, was: null }))).toBe(
      'RADIO1 UART baud does not accept 0.',
    );
    const ip = applyEdit(bench.design, { kind: 'set-item-setting', item: one, setting: 'ETH.ip', value: '999.1.1.1', was: '10.77.0.1' });
    expect(said(ip)).toBe('PC1 address does not accept 999.1.1.1.');
    for (let i = 0; i < 200; i++) bench.make({ kind: 'add-wish', wish: { id: asId(`w${i}`), kind: 'telemetry', from: one, to: other } });
    const chains = chainsOf(graphOf(bench.design)).filter(({ wish }) => wish !== undefined);
    expect(chains).toHaveLength(200);
    expect(new Set(chains.map(({ state }) => state.is))).toEqual(new Set(['agrees']));
  });

  it('and removing an item takes its bonds, its words about links and its wishes along; undo brings all of it back', () => {
    const bench = two();
    bench.add('radio-900-class', 'r');
    bench.add('radio-900-ground-usb', 'g', {}, 'ground');
    bench.bond('RADIO1', 'RADIO2');
    bench.stream('telemetry', 'RADIO1', 'attitude', 9);
    bench.make({ kind: 'add-wish', wish: { id: asId('?1'), kind: 'telemetry', from: bench.itemId('RADIO1'), to: bench.itemId('PC1') } });
    const result = applyEdit(bench.design, { kind: 'remove-item', item: bench.itemId('RADIO1') });
    if ('refused' in result) throw new Error(result.refused.sentence);
    const { bonds, links, wishes } = result.design.aircraft;
    expect([bonds, links, wishes]).toEqual([{}, {}, {}]);
    const back = applyEdit(result.design, { kind: 'undo', of: asId('e1') }, () => result.inverse);
    expect('refused' in back ? back.refused.sentence : back.design.aircraft).toEqual(bench.design.aircraft);
  });
});
