import type { ComponentType } from 'react';

/** What one or more keys do, for the keyboard help. */
export interface KeyHelp {
  readonly keys: string;
  readonly what: string;
}

/** One page of a stage: an address, and the screen that is fetched when it is opened. */
export interface PageDef {
  readonly id: string;
  /** On its tab, in the window's title and in the entry line. */
  readonly title: string;
  /**
   * Below the address of its stage. Empty for the page that opens with the stage; with a parameter (`:cable`) for one about
   * something, which is reached from where that is shown and gives the window a title of its own.
   */
  readonly path: string;
  readonly load: () => Promise<ComponentType>;
}

/** A stage of the work on an aircraft, or what serves all of them: its address, its pages, its keys. Everything that lists stages or pages reads these. */
export interface StageDef {
  /** In addresses, in the entry line, and as the stage of its findings. */
  readonly id: string;
  readonly title: string;
  /** The key that opens it. */
  readonly opensWith?: string;
  /** What stands around its pages, such as their tabs. */
  readonly frame?: () => Promise<ComponentType>;
  /** The first one opens with the stage. */
  readonly pages: readonly PageDef[];
  /** The keys that work on its pages. */
  readonly keys: readonly KeyHelp[];
}

/** A page outside of any aircraft. */
export interface WorkshopPageDef extends PageDef {
  /** How the entry line calls it; absent where it is about one thing. */
  readonly word?: string;
}

/** Whether a page is about something that its address names. */
export function isAboutSomething({ path }: PageDef): boolean {
  return path.includes(':');
}
