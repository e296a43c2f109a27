import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { mudflat } from '../demo/mudflat.ts';
import { reedbed } from '../demo/reedbed.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { integrityOf } from '../edits/integrity.ts';
import { graphOf } from '../graph/graphOf.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Cable, CableNode } from '../model/aircraft.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type EditId, type ItemId, type MakeId, type PartKey } from '../model/ids.ts';
import type { Part } from '../model/part.ts';
import { controllers } from '../parts/controllers/controllers.ts';
import { boardPortsOf } from '../ports/boardPorts.ts';
import { linkSeekers } from '../ports/linkSeekers.ts';
import { fitsOf } from '../ports/portFit.ts';
import { bench } from '../test/checkCases/build.ts';
import { countingIds, itemOf, made } from '../test/designs.ts';
import { boardFits } from './boardFits.ts';
import { planBoardMove, type BoardMove } from './boardMove.ts';

const DEMOS = {
  Saltmarsh: (ids: MakeId) => saltmarsh(asId<AircraftId>('saltmarsh'), ids),
  Mudflat: (ids: MakeId) => mudflat(asId<AircraftId>('mudflat'), ids),
  Reedbed: (ids: MakeId) => reedbed(asId<AircraftId>('reedbed'), ids),
} as const;
type Demo = keyof typeof DEMOS;
const demos: readonly Demo[] = ['Saltmarsh', 'Mudflat', 'Reedbed'];

function board(id: string): Part {
  const part = controllers.find((one) => one.id === id);
  if (part === undefined) throw new Error(`There is no board ${id}.`);
  return part;
}

function whole<T>(steps: Generator<unknown, T>): T {
  for (let step = steps.next(); ; step = steps.next()) if (step.done === true) return step.value;
}

function moved(design: Design, part: Part, ref: string | null = 'FC1'): BoardMove {
  const move = whole(planBoardMove(graphOf(design), ref === null ? undefined : itemOf(design, ref).id, partKeyOf(part)));
  if (move === undefined) throw new Error(`No move to ${part.name}.`);
  return move;
}

const after = (design: Design, { edit }: BoardMove): Design => (edit === undefined ? design : made(design, edit));

/** Everything that holds for each change of a controller. */
function problemsOf(design: Design, move: BoardMove): readonly string[] {
  const problems: string[] = [];
  // 1. One edit, whole, and taken back as if it had not been.
  if (move.edit === undefined) return move.left.length === 0 ? [] : ['nothing is done, and something is left'];
  const result = applyEdit(design, withFreshIds(move.edit, countingIds('moved')));
  if ('refused' in result) return [`refused: ${result.refused.sentence}`];
  const then = result.design;
  problems.push(...integrityOf(then).map(({ sentence }) => sentence));
  const back = applyEdit(then, { kind: 'undo', of: asId<EditId>('moved') }, () => result.inverse);
  if ('refused' in back || documentOf(back.design) !== documentOf(design)) problems.push('undo differs');
  // 2. Nothing that can damage, burn or lose the aircraft; and what else it brings is named.
  const keys = (of: Design): ReadonlySet<string> => new Set(findingsOf(of).map(({ severity, key }) => `${severity} ${key}`));
  const [known, named] = [keys(design), new Set(move.left.map(({ what }) => what))];
  for (const { severity, key, what } of findingsOf(then)) {
    if (known.has(`${severity} ${key}`)) continue;
    if (severity === 'stop') problems.push(`stops: ${what}`);
    // Ids are drawn anew, so that it is compared by its sentence.
    if (!named.has(what)) problems.push(`is not named: ${what}`);
  }
  // 3. A link without a port: none that suits it is free.
  const graph = graphOf(then);
  const seekers = linkSeekers(graph);
  const held = new Set(seekers.flatMap(({ now }) => (now === undefined ? [] : [`${now.item} ${now.endpoint}`])));
  const ports = boardPortsOf(graph, seekers);
  const isFree = (port: (typeof ports)[number]): boolean => port.isBus || port.endpoints.every(({ id }) => !held.has(`${port.item} ${id}`));
  for (const { what, now, why } of move.links) {
    const seeker = seekers.find(({ title }) => title === what);
    if (now !== undefined || seeker === undefined || why !== 'no port is left that suits it') continue;
    const open = ports.filter((port) => {
      const fits = isFree(port) ? fitsOf(graph, seeker, port) : [];
      return !('is' in fits) && fits.some(({ gives, prices }) => gives === undefined && prices.every(({ cost }) => cost < 40));
    });
    if (open.length > 0) problems.push(`${what} is left out, and ${open[0]?.title ?? ''} is free`);
  }
  // 4. Cables: every one that differs has its steps, and what stays is as it was.
  for (const id of new Set([...Object.keys(design.aircraft.cables), ...Object.keys(then.aircraft.cables)])) {
    const cableId = asId<BoardMove['cables'][number]['cable']>(id);
    const [was, now] = [design.aircraft.cables[cableId], then.aircraft.cables[cableId]];
    const work = move.cables.find(({ tag }) => tag === (was ?? now)?.tag);
    // A port of the same name on the new board is no work.
    const named = (of: Design, cable: Cable | undefined): string =>
      canonicalJson([Object.values(cable?.nodes ?? {}).map((node) => placed(of, node)), cable?.conductors, cable?.legs]);
    const differs = named(design, was) !== named(then, now);
    if (differs && (work === undefined || work.steps.length === 0)) problems.push(`no work for ${(was ?? now)?.tag ?? id}`);
    if (!differs && work !== undefined && work.steps.length > 0) problems.push(`work for ${work.tag}, which stays as it is`);
  }
  // 5. Functions: each is where the list says.
  const uses = Object.values(then.aircraft.outputs).length;
  if (move.outputs.filter(({ now }) => now !== undefined).length !== uses) problems.push('an output is not in the list');
  return problems;
}

/** A node with the name of its port in the place of the id. */
function placed({ aircraft, parts }: Design, node: CableNode): unknown {
  if (node.is !== 'end' || node.at.is !== 'port') return node;
  const { item, port } = node.at;
  const label = parts.get(aircraft.items[item]?.part ?? asId<PartKey>(''))?.ports.find(({ id }) => id === port)?.label;
  return { ...node, at: { ...node.at, port: label } };
}

/** The document but for the numbers of references that were given, which are not given again. */
function documentOf({ aircraft: { issued: _issued, ...rest } }: Design): string {
  return canonicalJson(rest);
}

const all = process.env['WF_MOVES'] === 'all';
const sampled = <T>(cases: readonly T[], every: number): readonly T[] => (all ? cases : cases.filter((_, i) => i % every === 2));

describe('a change of controller', () => {
  it.each(
    sampled(
      demos.flatMap((demo) => controllers.map((part) => [demo, part.name, part] as const)),
      3,
    ),
  )('of %s to "%s" is one edit that burns nothing, and names what it brings', (demo, _name, part) => {
    const design = DEMOS[demo](countingIds());
    expect(problemsOf(design, moved(design, part))).toEqual([]);
  });

  const pairs = demos.flatMap((demo) => controllers.flatMap((a) => controllers.map((b) => ({ demo, a, b })))).filter(({ a, b }) => a !== b);

  it.each(sampled(pairs, 60).map(({ demo, a, b }) => [demo, a.name, b.name, a, b] as const))(
    'of %s from "%s" to "%s": likewise after a change before it',
    (demo, _a, _b, a, b) => {
      const first = DEMOS[demo](countingIds());
      const design = after(first, moved(first, a));
      expect(problemsOf(design, moved(design, b))).toEqual([]);
    },
  );

  it.each<[string, Demo, string, string]>([
    ['a fuse of the board that several parts overload together', 'Reedbed', 'controller-h7-carrier', 'controller-8-bit-servo-fed'],
    ['9 V beside the signals of a receiver for 5 V', 'Mudflat', 'controller-h7-wing', 'controller-f4-wing'],
    ['a pack on the servo rail of a row of pins', 'Reedbed', 'controller-f7-rows', 'controller-h7-carrier'],
  ])('burns nothing where it could: %s', (_, demo, a, b) => {
    const first = DEMOS[demo](countingIds());
    const design = after(first, moved(first, board(a)));
    expect(problemsOf(design, moved(design, board(b)))).toEqual([]);
  });

  it('says what is done with each cable, and where each link, function and supply goes', () => {
    const { links, outputs, supplies, cables, massG, title } = moved(DEMOS.Mudflat(countingIds()), board('controller-h7-carrier'));
    expect(title).toBe('FC1 becomes "Controller H7 carrier, 8 serial"');
    expect(massG).toBe(1);
    expect(links).toContainEqual({ what: 'RADIO1 telemetry', was: 'FC1 link 1', now: 'FC1 link A' });
    expect(links).toContainEqual({ what: 'PAY1 payload', was: undefined, now: 'FC1 aux D' });
    expect(outputs).toContainEqual({ what: 'motor 1', was: 'FC1 out 1', now: 'FC1 main 1' });
    expect(supplies.find(({ what }) => what === 'FC1')?.now).toBe(supplies.find(({ what }) => what === 'FC1')?.was);
    expect(cables.find(({ tag }) => tag === 'W12')).toEqual(
      expect.objectContaining({
        is: 're-pinned',
        steps: [
          'Plug it from FC1 out 1 into FC1 main 1.',
          'Move the white wire from contact 3 to FC1 main 1 contact 1 (S).',
          'Move the black wire from contact 1 to FC1 main 1 contact 3 (GND).',
        ],
      }),
    );
  });

  it('does not hang on ids', () => {
    const words = ({ edit: _edit, cables, left, ...rest }: BoardMove): unknown => ({
      ...rest,
      cables: cables.map(({ cable: _cable, ...work }) => work),
      left: left.map(({ what }) => what),
    });
    const part = board('controller-h7-wing');
    expect(words(moved(DEMOS.Reedbed(countingIds('zz')), part))).toEqual(words(moved(DEMOS.Reedbed(countingIds()), part)));
  });

  it('is none where the item is no controller, or the part, or the board is not known', () => {
    const graph = graphOf(DEMOS.Mudflat(countingIds()));
    const [fc, rx] = ['FC1', 'RX1'].map((ref) => itemOf(graph.design, ref));
    const carrier = partKeyOf(board('controller-h7-carrier'));
    expect(whole(planBoardMove(graph, rx?.id, carrier))).toBeUndefined();
    expect(whole(planBoardMove(graph, fc?.id, rx?.part ?? carrier))).toBeUndefined();
    expect(whole(planBoardMove(graph, asId<ItemId>('gone'), carrier))).toBeUndefined();
    expect(whole(planBoardMove(graph, undefined, rx?.part ?? carrier))).toBeUndefined();
  });
});

describe('the boards for an aircraft', () => {
  const keys = controllers.map(partKeyOf);

  it('are ranked by what is short, then by what stays dark, then by work; the one that is there is among them', () => {
    const design = DEMOS.Mudflat(countingIds());
    const fits = whole(boardFits(graphOf(design), itemOf(design, 'FC1').id, keys));
    expect(fits.map(({ part }) => part).sort()).toEqual([...keys].sort());
    expect(fits[0]).toEqual(expect.objectContaining({ isNow: true, massG: 0, shortNeeded: [], short: [], dark: [] }));
    const short = fits.map(({ shortNeeded }) => shortNeeded.length);
    expect(short).toEqual([...short].sort((a, b) => a - b));
    const stabiliser = fits.find(({ name }) => name.startsWith('Stabiliser'));
    expect(stabiliser?.shortNeeded).toEqual(
      expect.arrayContaining(['RX1 RC control', 'GNSS1 position', 'ASPD1 airspeed', 'RADIO1 telemetry', 'PAY1 payload']),
    );
    expect(stabiliser?.short).toEqual(expect.arrayContaining(['CC1 companion', 'left aileron', 'elevator']));
  });

  it('say the same as the change to them, but for what is mended there', () => {
    const design = DEMOS.Saltmarsh(countingIds());
    const part = board('controller-f4-wing');
    const [fit] = whole(boardFits(graphOf(design), itemOf(design, 'FC1').id, [partKeyOf(part)]));
    const lost = moved(design, part).links.filter(({ now }) => now === undefined);
    expect([...(fit?.shortNeeded ?? []), ...(fit?.short ?? [])]).toEqual(expect.arrayContaining(lost.map(({ what }) => what)));
    expect(fit?.left).toEqual({ serial: 1, buses: 0, outputs: 0 });
  });

  it('are looked at for each of two controllers: the links of the other stay', () => {
    const one = bench('controller-f4-wing', 'controller-h7-carrier', 'radio-900-class', 'gnss-serial');
    one.wire('RADIO1 UART', 'FC1 S1');
    one.wire('GNSS1 UART', 'FC2 E');
    const move = moved(one.design, board('controller-f7-mini'), 'FC2');
    expect(move.links).toContainEqual({ what: 'RADIO1 telemetry', was: 'FC1 S1', now: 'FC1 S1' });
    expect(move.links.find(({ what }) => what === 'GNSS1 position')?.now).toBeDefined();
    expect(problemsOf(one.design, move)).toEqual([]);
  });

  it('are looked at for an aircraft that has none, and put in with its links', () => {
    const { design } = bench('receiver-crsf-full', 'gnss-serial', 'radio-900-class');
    const fits = whole(boardFits(graphOf(design), undefined, [...keys, itemOf(design, 'RX1').part]));
    expect(fits).toHaveLength(keys.length);
    expect(fits[0]).toEqual(expect.objectContaining({ isNow: false, shortNeeded: [] }));
    expect(fits.at(-1)?.shortNeeded.length).toBeGreaterThan(0);
    const first = controllers.find((one) => partKeyOf(one) === fits[0]?.part) ?? board('controller-h7-carrier');
    const then = after(design, moved(design, first, null));
    expect(linkSeekers(graphOf(then)).every(({ isNeeded, now }) => !isNeeded || now !== undefined)).toBe(true);
  });
});
