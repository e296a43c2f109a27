import { Injectable } from '@nestjs/common';
import type { AircraftId, Design } from '@wired-falcon/core';

/** A design at a version. */
export interface CurrentDesign {
  readonly design: Design;
  readonly version: number;
  readonly updatedAt: string;
}

const MOST = 50;

/** The designs that were asked for last. What is not here is read from the database again. */
@Injectable()
export class DesignCache {
  readonly #designs = new Map<AircraftId, CurrentDesign>();

  get(id: AircraftId): CurrentDesign | undefined {
    const found = this.#designs.get(id);
    if (found !== undefined) this.put(id, found);
    return found;
  }

  put(id: AircraftId, current: CurrentDesign): void {
    this.#designs.delete(id);
    this.#designs.set(id, current);
    const [oldest] = this.#designs.keys();
    if (this.#designs.size > MOST && oldest !== undefined) this.#designs.delete(oldest);
  }

  drop(id: AircraftId): void {
    this.#designs.delete(id);
  }
}
