import type { Endpoint } from '../model/part.ts';
import type { SettingValue } from '../model/setting.ts';
import type { BoardPort } from './boardPorts.ts';
import type { LinkSeeker } from './linkSeekers.ts';
import { placePrices, type Price } from './portPrices.ts';

/** A setting of one of the two ends, with the value that the link wants. */
export interface WantedSetting {
  readonly item: number;
  readonly setting: string;
  readonly value: SettingValue;
}

/** One way in which a link is on a port of a board. */
export interface Fit {
  readonly is: 'fits';
  readonly seeker: LinkSeeker;
  readonly port: BoardPort;
  /** The endpoints of the device that are wired. */
  readonly from: readonly [Endpoint, ...Endpoint[]];
  /** What it costs, item by item. */
  readonly prices: readonly Price[];
  /** What it uses of the board and of the firmware, the place first. */
  readonly uses: readonly string[];
  readonly settings: readonly WantedSetting[];
  /** What has to give way for it, where the rules are against it and practice is not; undefined for a plain one. */
  readonly gives: { readonly way: GivesWay; readonly why: string } | undefined;
}

/** What gives way: a software port is good enough, or a part is put in the wire. */
export const GIVING_WAY = ['software', 'inverter', 'level-shifter'] as const;
export type GivesWay = (typeof GIVING_WAY)[number];

/** Why a link is not on a port. */
export interface NoFit {
  readonly is: 'no-fit';
  readonly why: string;
}

/** Why a UART takes no CAN device: not worth a word in a list of reasons, where there is another. */
export const OTHER_KIND = 'another kind of port';

/** It is not there, and why. */
export const no = (why: string): NoFit => ({ is: 'no-fit', why });

type FitDetails = Partial<Pick<Fit, 'uses' | 'settings' | 'gives' | 'prices'>>;

/** A link on a port, with what its place costs and uses. */
export function plainFit(seeker: LinkSeeker, from: Fit['from'], port: BoardPort, details: FitDetails = {}): Fit {
  return {
    is: 'fits',
    seeker,
    port,
    from,
    prices: [...placePrices(seeker, from, port), ...(details.prices ?? [])],
    uses: [...port.uses, ...(details.uses ?? [])],
    settings: details.settings ?? [],
    gives: details.gives,
  };
}
