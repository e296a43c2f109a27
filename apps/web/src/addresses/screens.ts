import type { AircraftId } from '@wired-falcon/core';
import { pageAddress } from './paths.ts';
import { isAboutSomething, type PageDef, type StageDef, type WorkshopPageDef } from './stageDef.ts';

/** Every stage and every page outside of aircraft, as the application is composed of them. */
export interface Registry {
  readonly stages: readonly StageDef[];
  readonly workshop: readonly WorkshopPageDef[];
}

/** A screen that can be gone to by its name. */
export interface Screen {
  /** As it is typed: `power loads`. */
  readonly words: string;
  readonly to: string;
}

/** The pages of a stage that are not about one thing, with their addresses: its tabs. */
export function tabsOf({ id, pages }: StageDef, aircraft: AircraftId): readonly (PageDef & { readonly to: string })[] {
  return pages.filter((page) => !isAboutSomething(page)).map((page) => ({ ...page, to: pageAddress(aircraft, id, page.path) }));
}

/** Every screen that a person can go to by name from an aircraft. */
export function screensOf({ stages, workshop }: Registry, aircraft: AircraftId): readonly Screen[] {
  return [
    ...stages.flatMap((stage) =>
      tabsOf(stage, aircraft).map(({ id, path, to }) => ({ words: path === '' ? stage.id : `${stage.id} ${id}`, to })),
    ),
    ...workshop.flatMap(({ word, path }) => (word === undefined ? [] : [{ words: word, to: path }])),
  ];
}

/** What a page is called within its aircraft: the first page of a stage as the stage. */
export function pageTitleOf(stage: StageDef, { title, path }: PageDef): string {
  return (path === '' ? stage.title : title).toLowerCase();
}
