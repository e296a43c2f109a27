import { promisify } from 'node:util';
import { setImmediate as afterOthers } from 'node:timers/promises';
import { gunzip, gzip } from 'node:zlib';
import { EntityManager } from '@mikro-orm/core';
import { Injectable, NotFoundException } from '@nestjs/common';
import {
  asId,
  calibrationOf,
  copiedCalibration,
  dialectOf,
  dumpReader,
  LIMITS,
  type AircraftId,
  type CalibrationLine,
  type DialectText,
  type ItemId,
  type ReadDump,
} from '@wired-falcon/core';
import type { DumpEntry, DumpResponse, KeepDumpDto } from '@wired-falcon/contract';
import { AircraftTable, DumpTable, type DumpRow } from '../database/tables.ts';
import { CannotImport } from '../http/errors.ts';
import { AircraftStore } from './aircraftStore.ts';

const pack = promisify(gzip);
const unpack = promisify(gunzip);

/** Dumps of controllers, kept as they were read. */
@Injectable()
export class Dumps {
  /** One at a time, so that a repeat finds what the first has kept. */
  #last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly em: EntityManager,
    private readonly store: AircraftStore,
  ) {}

  /** The dumps of an aircraft that nobody has taken out, the newest first. */
  async list(aircraft: AircraftId): Promise<DumpEntry[]> {
    await this.store.current(aircraft);
    const rows = await this.em
      .fork()
      .find(DumpTable, { aircraft, removedAt: null }, { exclude: ['content'], orderBy: { at: 'desc', id: 'asc' } });
    const others = await this.#others(aircraft);
    return rows.map((row) => entryOf(row, others));
  }

  /** One with its text. @throws NotFoundException with a sentence when there is none */
  async one(aircraft: AircraftId, id: string): Promise<DumpResponse> {
    const row = await this.#row(aircraft, id);
    return { ...entryOf(row, await this.#others(aircraft)), text: await textOf(row) };
  }

  /**
   * Keeps a dump. A repeat by its id gets the first answer.
   * @throws CannotImport when the aircraft has as many as fit, or the id is another dump's
   */
  keep(aircraft: AircraftId, dump: KeepDumpDto, at: string): Promise<DumpEntry> {
    const kept = this.#last.then(() => this.#keep(aircraft, dump, at));
    this.#last = kept.catch(() => undefined);
    return kept;
  }

  async #keep(aircraft: AircraftId, { id, controller, by, note, text }: KeepDumpDto, at: string): Promise<DumpEntry> {
    const { design } = await this.store.current(aircraft);
    const em = this.em.fork();
    const others = await this.#others(aircraft);
    const known = await em.findOne(DumpTable, { id });
    if (known !== null) {
      // A repeat is the same dump; another one under its id would be lost without a word.
      if (known.aircraft === aircraft && (await textOf(known)) === text) return entryOf(known, others);
      throw new CannotImport('Another dump is kept under this id. Use another id for this one.');
    }
    if ((await em.count(DumpTable, { aircraft, removedAt: null })) >= LIMITS.dumpsPerAircraft)
      throw new CannotImport(`${LIMITS.dumpsPerAircraft} dumps can be kept per aircraft, and that limit is reached. Remove one first.`);
    const words = dialectOf(design)?.text;
    const read: ReadDump | undefined = words === undefined ? undefined : await readWithPauses(words, text);
    const row = {
      id,
      aircraft,
      controller,
      at,
      by,
      note,
      lines: read?.lines.length ?? text.split('\n').length,
      calibration: JSON.stringify(read === undefined ? [] : calibrationOf(read)),
      content: await pack(Buffer.from(text, 'utf8')),
      removedAt: null,
    };
    await em.insert(DumpTable, row);
    return entryOf(row, others);
  }

  /** Takes a dump out, or puts it back. */
  async setRemoved(aircraft: AircraftId, id: string, at: string | null): Promise<void> {
    await this.#row(aircraft, id);
    await this.em.fork().nativeUpdate(DumpTable, { id, aircraft }, { removedAt: at });
  }

  async #row(aircraft: AircraftId, id: string): Promise<DumpRow> {
    const row = await this.em.fork().findOne(DumpTable, { id, aircraft });
    if (row === null) throw new NotFoundException(`There is no dump "${id}" of this aircraft. Choose one of the list.`);
    return row;
  }

  /** What is known of the calibration of the other aircraft of the workshop. */
  async #others(aircraft: AircraftId): Promise<readonly OtherCalibration[]> {
    const em = this.em.fork();
    const names = new Map((await em.find(AircraftTable, {}, { fields: ['id', 'name'] })).map(({ id, name }) => [id, name]));
    const where = { aircraft: { $ne: aircraft }, removedAt: null, calibration: { $ne: '[]' } };
    const rows = await em.find(DumpTable, where, { fields: ['aircraft', 'calibration'], orderBy: { at: 'asc' } });
    return rows.map((row) => ({ name: names.get(row.aircraft) ?? row.aircraft, lines: linesIn(row.calibration) }));
  }
}

const LINES_BETWEEN_PAUSES = 200;

/** Reads a dump while other requests get their answers: a long one in a dialect of thousands of lines takes seconds. */
async function readWithPauses(words: DialectText, text: string): Promise<ReadDump> {
  const reader = dumpReader(words, text);
  while (reader.read(LINES_BETWEEN_PAUSES) < reader.total) await afterOthers();
  return reader.result();
}

async function textOf({ content }: Pick<DumpRow, 'content'>): Promise<string> {
  return (await unpack(content)).toString('utf8');
}

interface OtherCalibration {
  readonly name: string;
  readonly lines: readonly CalibrationLine[];
}

/** What `keep` has stored; what does not look like it is left out. */
function linesIn(stored: string): readonly CalibrationLine[] {
  const lines: unknown = JSON.parse(stored);
  return Array.isArray(lines) ? lines.filter(isCalibrationLine) : [];
}

function isCalibrationLine(line: unknown): line is CalibrationLine {
  return typeof line === 'object' && line !== null && 'name' in line && 'value' in line && 'isDelivered' in line;
}

function entryOf(
  row: Pick<DumpRow, 'id' | 'controller' | 'at' | 'by' | 'note' | 'lines' | 'calibration'>,
  others: readonly OtherCalibration[],
): DumpEntry {
  const own = linesIn(row.calibration);
  const [copied] = others.flatMap(({ name, lines }) => {
    const same = copiedCalibration(own, lines);
    return same === undefined ? [] : [{ aircraft: name, lines: same }];
  });
  return {
    id: row.id,
    controller: asId<ItemId>(row.controller),
    at: row.at,
    by: row.by,
    note: row.note,
    lines: row.lines,
    ...(copied === undefined ? {} : { copiedFrom: copied }),
  };
}
