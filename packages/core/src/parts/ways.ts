import type { How } from '../model/how.ts';
import type { Part } from '../model/part.ts';

/** Short forms for saying how settings are set; a part names the settings, and what is its own. */

export type Ways = NonNullable<Part['how']>;

/** Some settings in a menu of a tool. */
export function inMenu(
  settings: readonly string[],
  tool: string,
  menu: string,
  rest: Omit<Extract<How, { is: 'menu' }>, 'is' | 'tool' | 'menu'> = {},
): Ways {
  return [{ settings, how: { is: 'menu', tool, menu, ...rest } }];
}

/** The node number of a CAN device and its termination, where that is a jumper. */
export function canWays(id: string, over = id): Ways {
  return [
    { settings: [`${id}.terminated`], how: { is: 'jumper', jumper: '"120R" beside its socket' } },
    ...inMenu([`${id}.node`], 'CAN tool on the bench computer', '"Node id", then save and power-cycle it', { over }),
  ];
}

/** A satellite receiver is told by the program of its maker over the port that it is set up for. */
export function gnssWays(...settings: readonly string[]): Ways {
  return inMenu(settings, 'receiver tool on the bench computer', '"Ports", then "Save to flash"', {
    confirms: 'the receiver answers at the new baud',
  });
}
