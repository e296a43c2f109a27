import { Injectable, Logger } from '@nestjs/common';
import { asId, demoAircraft, type AircraftId } from '@wired-falcon/core';
import { AircraftStore } from './aircraftStore.ts';
import { makeId } from './makeId.ts';

/** Puts the demo aircraft into an empty workshop. What is there is never touched. */
@Injectable()
export class DemoLoader {
  readonly #log = new Logger('Demo');

  constructor(private readonly store: AircraftStore) {}

  async load(): Promise<void> {
    if (!(await this.store.isEmpty())) return;
    for (const { id, build } of demoAircraft) {
      const design = build(asId<AircraftId>(id), makeId);
      await this.store.create(design, new Date().toISOString());
      this.#log.log(`The demo aircraft "${design.aircraft.name}" was loaded.`);
    }
  }
}
