import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { asId, CHECKS_VERSION, countBySeverity, findingsOf, judge, type AircraftId } from '@wired-falcon/core';
import type { HangarChecks, HangarEntry } from '@wired-falcon/contract';
import { CannotOpen } from '../http/errors.ts';
import { AircraftTable, SummaryTable, type SummaryRow } from '../database/tables.ts';
import { AircraftStore } from './aircraftStore.ts';

/** What the hangar shows, from stored summaries. One of an older version or of older checks is made again meanwhile. */
@Injectable()
export class Hangar {
  /** Aircraft that are to be checked, and what came of those that cannot be, by the version that it is about. */
  readonly #wanted = new Set<AircraftId>();
  readonly #problems = new Map<AircraftId, { readonly version: number; readonly sentence: string }>();
  #isChecking = false;

  constructor(
    private readonly em: EntityManager,
    private readonly store: AircraftStore,
  ) {}

  /** All aircraft, the last changed first. Answers at once: of those that are not checked yet it says so, and has them checked. */
  async entries(): Promise<HangarEntry[]> {
    const em = this.em.fork();
    const rows = await em.find(
      AircraftTable,
      {},
      { fields: ['id', 'name', 'version', 'updatedAt'], orderBy: { updatedAt: 'desc', id: 'asc' } },
    );
    const summaries = new Map((await em.find(SummaryTable, {})).map((summary) => [summary.aircraft, summary]));
    const entries = rows.map(({ id: text, name, version, updatedAt }): HangarEntry => {
      const id = asId<AircraftId>(text);
      const checked = this.#known(id, version, summaries.get(text));
      if (checked.is === 'checking') this.#wanted.add(id);
      return { id, name, version, updatedAt, checked };
    });
    void this.#check();
    return entries;
  }

  #known(id: AircraftId, version: number, summary: SummaryRow | undefined): HangarChecks {
    if (summary?.version === version && summary.checksVersion === CHECKS_VERSION) {
      const { items, cables, stops: stop, mends: mend, notes: note } = summary;
      return { is: 'checked', items, cables, findings: { stop, mend, note } };
    }
    const problem = this.#problems.get(id);
    return problem?.version === version ? { is: 'problem', sentence: problem.sentence } : { is: 'checking' };
  }

  /** One after the other, with other requests in between. One bad document must not hide the others. */
  async #check(): Promise<void> {
    if (this.#isChecking) return;
    this.#isChecking = true;
    try {
      for (const id of this.#wanted) {
        await new Promise((resolve) => setImmediate(resolve));
        await this.#checkOne(id);
        this.#wanted.delete(id);
      }
    } catch {
      // The database is closed, since the server stops: who asks the next one is answered by it.
      this.#wanted.clear();
    } finally {
      this.#isChecking = false;
    }
  }

  async #checkOne(id: AircraftId): Promise<void> {
    try {
      const { design, version } = await this.store.current(id);
      const counts = countBySeverity(judge(findingsOf(design), design.aircraft));
      await this.em.fork().upsert(SummaryTable, {
        aircraft: id,
        version,
        checksVersion: CHECKS_VERSION,
        items: Object.keys(design.aircraft.items).length,
        cables: Object.keys(design.aircraft.cables).length,
        stops: counts.stop,
        mends: counts.mend,
        notes: counts.note,
      });
    } catch (error) {
      const row = await this.em.fork().findOne(AircraftTable, { id }, { fields: ['version'] });
      const sentence = error instanceof CannotOpen ? error.body.message : `It could not be checked: ${String(error)}`;
      if (row !== null) this.#problems.set(id, { version: row.version, sentence });
    }
  }
}
