import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { OSD_FIELDS, osdFields, type OsdField } from '../../model/osdFields.ts';
import type { OsdSpot } from '../../model/rcPlan.ts';
import { freeSpotFor } from './fieldPlan.ts';
import { pictureGridOf } from './pictureGrid.ts';
import { fieldSource } from './fieldSources.ts';
import { radioFieldSource } from './radioScreen.ts';

/** Fields that many want beside those that everybody needs. */
const WELCOME: readonly OsdField[] = ['pack-amps', 'airspeed', 'climb', 'horizon'];

/** Where fields begin: from the left, from the right, or in the middle of a line, and from which side lines count. */
const PLACES: Readonly<Partial<Record<OsdField, readonly [side: 'left' | 'middle' | 'right', line: number]>>> = {
  'link-quality': ['left', 0],
  mode: ['middle', 0],
  satellites: ['right', 0],
  'ground-speed': ['left', 5],
  airspeed: ['left', 6],
  height: ['right', 5],
  climb: ['right', 6],
  horizon: ['middle', 5],
  'home-arrow': ['middle', 2],
  'home-distance': ['middle', 3],
  armed: ['middle', -3],
  'pack-volts': ['left', -1],
  'pack-amps': ['left', -2],
  'used-mah': ['middle', -1],
  timer: ['right', -1],
};

/**
 * Fields to begin with, of those that have a source: what every pilot needs and what many want, over the picture where something draws there, and on the
 * radio where it gets reports. Undefined where there is no screen at all.
 */
export function beginFields(graph: Graph): Edit | undefined {
  const grid = pictureGridOf(graph);
  const { rc } = graph.design.aircraft;
  const wanted = osdFields.filter((field) => OSD_FIELDS[field].isNeeded || WELCOME.includes(field));
  const edits: SimpleEdit[] = [];
  if (grid !== undefined) {
    const osd: Partial<Record<OsdField, OsdSpot>> = { ...rc.osd };
    for (const field of wanted) {
      if (osd[field] !== undefined || !fieldSource(graph, field).isThere) continue;
      const usual = usualSpot(field, grid);
      const spot = usual !== undefined && isFree(usual, field, osd) ? usual : freeSpotFor(field, grid, osd);
      if (spot === undefined) continue;
      osd[field] = spot;
      edits.push({ kind: 'set-osd-field', field, spot, was: null });
    }
  }
  for (const field of wanted)
    if (rc.radioFields[field] !== true && radioFieldSource(graph, field).isThere && field !== 'horizon')
      edits.push({ kind: 'set-radio-field', field, on: true, was: false });
  return edits.length === 0 ? undefined : { kind: 'batch', title: "Start the pilot's screens", edits };
}

interface Grid {
  readonly cols: number;
  readonly rows: number;
  readonly margin: number;
}

function usualSpot(field: OsdField, { cols, rows, margin }: Grid): OsdSpot | undefined {
  const place = PLACES[field];
  if (place === undefined) return undefined;
  const [side, line] = place;
  const { width } = OSD_FIELDS[field];
  const row = line < 0 ? rows - margin + line : margin + line;
  const col = side === 'left' ? margin : side === 'right' ? cols - margin - width : Math.floor((cols - width) / 2);
  return { col, row };
}

function isFree({ col, row }: OsdSpot, field: OsdField, osd: Readonly<Partial<Record<OsdField, OsdSpot>>>): boolean {
  const end = col + OSD_FIELDS[field].width;
  return osdFields.every((other) => {
    const spot = osd[other];
    return spot?.row !== row || spot.col >= end || col >= spot.col + OSD_FIELDS[other].width;
  });
}
