import type { Edit } from '../../edits/registry.ts';
import type { Design } from '../../model/design.ts';
import { brief, name, power, waiver } from './aircraft.ts';
import { absent, colour, conductor, end, gauge, join, leg, length, loomEnd, mate, plug, removeCable, text, wire } from './cables.ts';
import { addItem, adopt, label, output, removeItem, rename, setting, side, where } from './items.ts';
import { pick, type Draw } from './draw.ts';
import { frameEdit, placeEdit } from './layout.ts';
import { firmware } from './firmware.ts';
import { bond, linkWords, socket, wish } from './links.ts';
import { linkage, outputHeld, outputPlan } from './outputs.ts';
import { rcChannel, rcModes, rcWords } from './rc.ts';

/** The title of a batch whose edits know nothing of each other. */
export const TWO_AT_ONCE = 'two at once';

/** The edit that a draw stands for on this design. Many make sense; those with `isStale` rest on a value that is not there. */
export function editFrom(design: Design, draw: Draw): Edit {
  const makers = [
    addItem,
    addItem,
    wire,
    wire,
    wire,
    conductor,
    colour,
    gauge,
    absent,
    end,
    length,
    text,
    setting,
    label,
    rename,
    side,
    where,
    removeItem,
    removeCable,
    leg,
    leg,
    join,
    join,
    mate,
    mate,
    mate,
    loomEnd,
    waiver,
    name,
    firmware,
    brief,
    output,
    plug,
    adopt,
    power,
    bond,
    bond,
    socket,
    socket,
    linkWords,
    linkWords,
    wish,
    wish,
    frameEdit,
    frameEdit,
    placeEdit,
    placeEdit,
    rcChannel,
    rcModes,
    rcWords,
    outputPlan,
    outputHeld,
    outputHeld,
    linkage,
  ];
  const one = pick(makers, draw.kind)?.(design, draw);
  if (one === undefined) return addItem(design, draw);
  if (draw.kind % 7 !== 3 || one.kind === 'batch' || one.kind === 'undo') return one;
  const another = wire(design, { ...draw, x: draw.y, y: draw.x }) ?? addItem(design, draw);
  return { kind: 'batch', title: TWO_AT_ONCE, edits: [one, another] };
}
