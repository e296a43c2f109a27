import { Injectable, Logger } from '@nestjs/common';
import { asId, reedbed, type AircraftId } from '@wired-falcon/core';
import { AircraftStore } from './aircraftStore.ts';
import { makeId } from './makeId.ts';

/** Puts the demo aircraft into an empty workshop. What is there is never touched. */
@Injectable()
export class DemoLoader {
  readonly #log = new Logger('Demo');

  constructor(private readonly store: AircraftStore) {}

  async load(): Promise<void> {
    if (!(await this.store.isEmpty())) return;
    await this.store.create(reedbed(asId<AircraftId>('reedbed'), makeId), new Date().toISOString());
    this.#log.log('The demo aircraft "Reedbed" was loaded.');
  }
}
