import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import { newAircraft } from '../../edits/newAircraft.ts';
import { nextReference } from '../../edits/references.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { protocols } from '../../links/protocols.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Design, Library } from '../../model/design.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import { asId, type AircraftId, type DialectKey, type ItemId, type MakeId } from '../../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import type { Part } from '../../model/part.ts';
import type { PartKind } from '../../model/partKinds.ts';
import { racksOf, slotsIn } from '../../outputs/plan/racks.ts';
import { configurationOf } from '../configuration.ts';
import { driftOf } from '../drift/driftOf.ts';
import { takeAircraft } from '../drift/takeAircraft.ts';
import { dumpProblem, readDump, type ReadDump } from '../readBack/readDump.ts';
import { NO_SCOPE, scopeOf, type FirmwareScope } from '../scope.ts';
import { valueWords } from '../valueWords.ts';
import { decode } from '../text/coding.ts';
import { fieldOf, type FactFamilyId } from '../../model/firmwareFacts.ts';
import { addPlaceholder, atOutput, atPort, candidate, type Candidate } from './placeholders.ts';

/** Something that was put into the proposed aircraft, and what of the dump it was inferred from. */
export interface Inference {
  /** The line of the dump, with its number. */
  readonly number: number | undefined;
  readonly text: string;
  /** What was made of it, as a sentence. */
  readonly what: string;
}

export interface BareStart {
  readonly design: Design;
  readonly inferences: readonly Inference[];
  /** How many lines became values of the document, how many are kept as they are, how many the dialect does not know. */
  readonly taken: number;
  readonly kept: number;
  readonly unknown: number;
  readonly bad: number;
}

/** What a bare start begins with. */
export interface BareStartAsk {
  readonly id: AircraftId;
  readonly name: string;
  readonly dialect: DialectKey;
  readonly board: Part;
  readonly dump: string;
}

/** So often what was added brings new lines into the plan that the dump has too. */
const ROUNDS = 3;

/**
 * An aircraft from the dump of a flying one and the board's type: what the dump says becomes the document's, what it implies becomes
 * placeholders, and the rest is kept line by line, so that its own configuration has no drift against the dump.
 * @returns a sentence where there is nothing to begin with
 */
export function bareStart(library: Library, ask: BareStartAsk, makeId: MakeId): BareStart | { readonly sentence: string } {
  const problem = dumpProblem(ask.dump);
  if (problem !== undefined) return { sentence: problem };
  const start = withBoard(library, ask, makeId);
  const scope = scopeOf(graphOf(start));
  if (typeof scope === 'string') return { sentence: NO_SCOPE[scope] };
  if (scope.board === undefined)
    return { sentence: `${scope.dialect.name} does not know the board ${ask.board.name}. Choose another board or another dialect.` };
  const dump = readDump(scope.text, ask.dump);
  const made = new Proposal(start, dump, makeId);
  for (let round = 0; round < ROUNDS; round += 1) {
    made.take('values');
    if (!made.addPlaceholders()) break;
  }
  made.take('values-and-lines');
  return made.result();
}

function withBoard(library: Library, { id, name, dialect, board }: BareStartAsk, makeId: MakeId): Design {
  const key = partKeyOf(board);
  const empty: Design = { ...library, parts: new Map([...library.parts, [key, board]]), aircraft: { ...newAircraft(id, name), dialect } };
  const item = {
    id: asId<ItemId>(makeId()),
    ref: nextReference(empty.aircraft, board.kind),
    part: key,
    where: 'aircraft' as const,
    settings: {},
  };
  const added = applyEdit(empty, { kind: 'add-item', item });
  return 'refused' in added ? empty : added.design;
}

class Proposal {
  #design: Design;
  readonly #dump: ReadDump;
  readonly #makeId: MakeId;
  readonly #inferences: Inference[] = [];
  readonly #done = new Set<string>();
  #taken = 0;
  #kept = 0;

  constructor(design: Design, dump: ReadDump, makeId: MakeId) {
    this.#design = design;
    this.#dump = dump;
    this.#makeId = makeId;
  }

  #scope(): FirmwareScope {
    const scope = scopeOf(graphOf(this.#design));
    if (typeof scope === 'string') throw new Error('The controller of a bare start is gone.');
    return scope;
  }

  #make(edit: Edit): boolean {
    const outcome = applyEdit(this.#design, withFreshIds(edit, this.#makeId));
    if ('refused' in outcome) return false;
    this.#design = outcome.design;
    return true;
  }

  take(how: 'values' | 'values-and-lines'): void {
    const side = takeAircraft(configurationOf(this.#scope()), this.#dump, undefined, ({ is }) => is !== 'unknown', how);
    for (const edit of side.edits) this.#make(edit);
    this.#taken +=
      how === 'values' ? side.edits.reduce((sum, edit) => sum + (edit.kind === 'batch' ? edit.edits.length : 1), 0) : side.taken;
    this.#kept += how === 'values' ? 0 : side.kept;
  }

  /** Adds what is implied and not there yet. False where nothing was. */
  addPlaceholders(): boolean {
    const before = this.#inferences.length;
    this.#atPorts();
    this.#atOutputs();
    this.#sensors('gnss', ['gnss']);
    this.#sensors('compass', ['compass', 'gnss']);
    this.#sensors('airspeed', ['airspeed']);
    this.#sensors('rangefinder', ['rangefinder']);
    this.#sensors('monitor', ['power-module']);
    return this.#inferences.length > before;
  }

  #parts(): readonly Part[] {
    return [...this.#design.parts.values()];
  }

  /** The line of the dump that says something of a row: with a code of a field, and a code of a key where there is one. */
  #lineOf(family: FactFamilyId, keyCode: string | undefined): { readonly number: number | undefined; readonly text: string } {
    const line = this.#dump.lines.find(
      (one) =>
        one.is === 'value' &&
        'planned' in one.compiled.is &&
        one.compiled.is.planned.of === family &&
        (keyCode === undefined || one.compiled.keys.some(({ name }) => one.codes.get(name) === keyCode)),
    );
    return { number: line?.number, text: line?.text.trim() ?? '' };
  }

  #add(
    key: string,
    found: Candidate,
    boardPort: string | undefined,
    settings: Readonly<Record<string, string | number>>,
    said: SaidOf,
  ): void {
    if (this.#done.has(key)) return;
    this.#done.add(key);
    const { entry } = this.#scope();
    const draft = new DraftEdits(this.#design);
    const added = addPlaceholder(draft, found, entry.item.id, boardPort, settings);
    if (added === undefined || !this.#make(draft.edit(`Placeholder ${added.ref}`))) return;
    const joined = added.isJoined ? ` at ${said.place}` : `; it is not wired, since ${said.place} does not accept it`;
    this.#inferences.push({ ...said.line, what: `${added.ref} (${added.kind})${joined}: ${said.why}.` });
  }

  #atPorts(): void {
    const { entry, part, board } = this.#scope();
    for (const endpoint of part.endpoints) {
      if (endpoint.is !== 'uart') continue;
      const { protocol, baud } = serialSetup(entry.item, endpoint);
      const found = protocol === undefined ? undefined : atPort(this.#parts(), protocol);
      if (protocol === undefined || found === undefined) continue;
      const { id } = found.endpoint;
      const settings = { [`${id}.protocol`]: protocol, ...(baud === undefined ? {} : { [`${id}.baud`]: baud }) };
      const place = `${entry.item.ref} ${endpoint.names.label}`;
      this.#add(`port ${endpoint.id}`, found, portOfEndpoint(endpoint), settings, {
        line: this.#lineOf('port', board?.serial?.[endpoint.id]),
        place,
        why: `the port is set to ${protocols[protocol].title}`,
      });
    }
  }

  #atOutputs(): void {
    const { graph, index } = this.#scope();
    const rack = racksOf(graph).find(({ item }) => item === index);
    for (const { use, output, code, label } of rack === undefined ? [] : slotsIn(rack)) {
      const found = use === undefined ? undefined : atOutput(this.#parts(), use.function);
      if (use === undefined || found === undefined) continue;
      this.#add(
        `output ${output.id}`,
        found,
        portOfEndpoint(output),
        {},
        {
          line: this.#lineOf('output', code),
          place: `output ${label}`,
          why: `it has the function ${OUTPUT_FUNCTIONS[use.function].title}`,
        },
      );
    }
  }

  /** Sensors on buses and analog inputs; those on serial ports are at their ports already. */
  #sensors(family: FactFamilyId, kinds: readonly PartKind[]): void {
    const scope = this.#scope();
    const { lines } = driftOf(configurationOf(scope), this.#dump);
    const there = new Set(lines.filter(({ is }) => is === 'same').map(({ read }) => read));
    for (const line of this.#dump.lines) {
      // What is there already, such as the compass in a GNSS receiver, implies nothing more.
      if (line.is !== 'value' || there.has(line) || !('planned' in line.compiled.is) || line.compiled.is.planned.of !== family) continue;
      const field = line.compiled.values.find(({ name }) => name === 'kind');
      const spec = fieldOf(family, 'kind');
      const [reached] = field === undefined || spec === undefined ? [] : decode(scope, spec.coding, field, line.codes.get('kind') ?? '');
      const is = BY_REACH[String(reached)];
      const found = is === undefined ? undefined : candidate(this.#parts(), kinds, (endpoint) => endpoint.is === is.there);
      if (is === undefined || found === undefined) continue;
      const here = scope.part.endpoints.find((endpoint) => endpoint.is === is.here && !this.#isTaken(endpoint.id));
      const place = here === undefined ? scope.entry.item.ref : `${scope.entry.item.ref} ${portOfEndpoint(here) ?? here.id}`;
      const why = `it is read by ${spec === undefined || reached === undefined ? '' : valueWords(spec.coding, reached)}`;
      this.#add(
        `${family} ${line.name}`,
        found,
        here === undefined ? undefined : portOfEndpoint(here),
        {},
        {
          line: { number: line.number, text: line.text.trim() },
          place,
          why,
        },
      );
    }
  }

  /** True where the port of an endpoint of the controller has a cable. */
  #isTaken(endpoint: string): boolean {
    const { entry, part } = this.#scope();
    const found = part.endpoints.find(({ id }) => id === endpoint);
    const port = found === undefined ? undefined : portOfEndpoint(found);
    return Object.values(this.#design.aircraft.cables).some(({ nodes }) =>
      Object.values(nodes).some(
        (node) => node.is === 'end' && node.at.is === 'port' && node.at.item === entry.item.id && node.at.port === port,
      ),
    );
  }

  result(): BareStart {
    const count = (is: 'unknown' | 'bad'): number => this.#dump.lines.filter((line) => line.is === is).length;
    return {
      design: this.#design,
      inferences: this.#inferences,
      taken: this.#taken,
      kept: this.#kept,
      unknown: count('unknown'),
      bad: count('bad'),
    };
  }
}

interface SaidOf {
  readonly line: Pick<Inference, 'number' | 'text'>;
  readonly place: string;
  readonly why: string;
}

/** How a sensor is reached, as endpoints: of the sensor, and of the controller. */
const BY_REACH: Readonly<Record<string, { readonly there: string; readonly here: string }>> = {
  i2c: { there: 'i2c-device', here: 'i2c-host' },
  can: { there: 'can', here: 'can' },
  analog: { there: 'analog-out', here: 'analog-sense' },
};
