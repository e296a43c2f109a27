import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { asId, CHECKS_VERSION, countBySeverity, findingsOf, judge, type AircraftId } from '@wired-falcon/core';
import type { HangarEntry } from '@wired-falcon/contract';
import { CannotOpen } from '../http/errors.ts';
import { AircraftTable, SummaryTable, type AircraftRow } from '../database/tables.ts';
import { AircraftStore } from './aircraftStore.ts';

/** What the hangar shows, from stored summaries; a summary of an older version or of older checks is made again. */
@Injectable()
export class Hangar {
  constructor(
    private readonly em: EntityManager,
    private readonly store: AircraftStore,
  ) {}

  /** All aircraft, the last changed first. */
  async entries(): Promise<HangarEntry[]> {
    const em = this.em.fork();
    const rows = await em.find(
      AircraftTable,
      {},
      { fields: ['id', 'name', 'version', 'updatedAt'], orderBy: { updatedAt: 'desc', id: 'asc' } },
    );
    const summaries = new Map((await em.find(SummaryTable, {})).map((summary) => [summary.aircraft, summary]));
    const entries: HangarEntry[] = [];
    for (const row of rows) {
      const kept = summaries.get(row.id);
      const isCurrent = kept?.version === row.version && kept.checksVersion === CHECKS_VERSION;
      const summary = isCurrent ? kept : await this.#summariseOr(asId<AircraftId>(row.id));
      entries.push(entryFrom(row, summary));
    }
    return entries;
  }

  /** The summary, or the sentence that says why the aircraft cannot be opened: one bad document must not hide the others. */
  async #summariseOr(id: AircraftId): Promise<Summary | string> {
    try {
      return await this.#summarise(id);
    } catch (error) {
      if (error instanceof CannotOpen) return error.body.message;
      throw error;
    }
  }

  async #summarise(id: AircraftId): Promise<Summary> {
    const { design, version } = await this.store.current(id);
    const counts = countBySeverity(judge(findingsOf(design), design.aircraft));
    const summary = {
      aircraft: id,
      version,
      checksVersion: CHECKS_VERSION,
      items: Object.keys(design.aircraft.items).length,
      cables: Object.keys(design.aircraft.cables).length,
      stops: counts.stop,
      mends: counts.mend,
      notes: counts.note,
    };
    await this.em.fork().upsert(SummaryTable, summary);
    return summary;
  }
}

interface Summary {
  readonly items: number;
  readonly cables: number;
  readonly stops: number;
  readonly mends: number;
  readonly notes: number;
}

type Row = Pick<AircraftRow, 'id' | 'name' | 'version' | 'updatedAt'>;

function entryFrom(row: Row, summary: Summary | string): HangarEntry {
  const { version, name, updatedAt } = row;
  const shared = { id: asId<AircraftId>(row.id), name, version, updatedAt };
  if (typeof summary === 'string') return { ...shared, items: 0, cables: 0, findings: { stop: 0, mend: 0, note: 0 }, problem: summary };
  const { items, cables, stops, mends, notes } = summary;
  return { ...shared, items, cables, findings: { stop: stops, mend: mends, note: notes } };
}
