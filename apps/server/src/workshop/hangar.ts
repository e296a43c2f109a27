import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { asId, CHECKS_VERSION, countBySeverity, findingsOf, judge, type AircraftId } from '@wired-falcon/core';
import type { HangarEntry } from '@wired-falcon/contract';
import { AircraftTable, SummaryTable } from '../database/tables.ts';
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
      const id = asId<AircraftId>(row.id);
      const kept = summaries.get(row.id);
      const isCurrent = kept?.version === row.version && kept.checksVersion === CHECKS_VERSION;
      const { items, cables, stops, mends, notes } = isCurrent ? kept : await this.#summarise(id);
      entries.push({
        id,
        name: row.name,
        version: row.version,
        updatedAt: row.updatedAt,
        items,
        cables,
        findings: { stop: stops, mend: mends, note: notes },
      });
    }
    return entries;
  }

  async #summarise(id: AircraftId) {
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
