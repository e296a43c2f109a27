import type { Graph } from '../../graph/graph.ts';
import { OSD_FIELDS, osdFields, type OsdField } from '../../model/osdFields.ts';
import type { OsdSpot } from '../../model/rcPlan.ts';
import { fieldSource, type FieldSource } from './fieldSources.ts';
import { pictureGridOf, type PictureGrid } from './pictureGrid.ts';
import { radioFieldSource } from './radioScreen.ts';

/** What is wrong with the place of a field. */
export type PlaceFault =
  | { readonly is: 'outside' }
  /** Another field begins before this one ends. */
  | { readonly is: 'overlaps'; readonly other: OsdField }
  /** In the edge that some goggles cut. */
  | { readonly is: 'at-edge' };

/** One field with its places and its sources. */
export interface FieldRow {
  readonly field: OsdField;
  readonly spot: OsdSpot | undefined;
  readonly faults: readonly PlaceFault[];
  readonly source: FieldSource;
  readonly isOnRadio: boolean;
  readonly radioSource: FieldSource;
}

/** The fields of an aircraft, and the grid they lie on. */
export interface FieldPlan {
  /** Undefined where nothing draws over a picture. */
  readonly grid: PictureGrid | undefined;
  readonly rows: readonly FieldRow[];
  /** What a pilot needs and no screen shows with a source. */
  readonly unseen: readonly OsdField[];
  readonly isBegun: boolean;
}

const cache = new WeakMap<Graph, FieldPlan>();

/** What is planned of the pilot's screens, judged. */
export function fieldPlanOf(graph: Graph): FieldPlan {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const { osd, radioFields } = graph.design.aircraft.rc;
  const grid = pictureGridOf(graph);
  const rows = osdFields.map((field): FieldRow => {
    const spot = osd[field];
    return {
      field,
      spot,
      faults: spot === undefined || grid === undefined ? [] : faultsOf(field, spot, grid, osd),
      source: fieldSource(graph, field),
      isOnRadio: radioFields[field] === true,
      radioSource: radioFieldSource(graph, field),
    };
  });
  const isSeen = ({ spot, faults, source, isOnRadio, radioSource }: FieldRow): boolean =>
    (grid !== undefined && spot !== undefined && source.isThere && faults.every(({ is }) => is !== 'outside')) ||
    (isOnRadio && radioSource.isThere);
  const plan: FieldPlan = {
    grid,
    rows,
    unseen: rows.filter((row) => OSD_FIELDS[row.field].isNeeded && !isSeen(row)).map(({ field }) => field),
    isBegun: Object.keys(osd).length > 0 || Object.keys(radioFields).length > 0,
  };
  cache.set(graph, plan);
  return plan;
}

/** What is wrong with a field at a place: beyond the grid, over another, or at an edge that is cut. */
export function faultsOf(
  field: OsdField,
  { col, row }: OsdSpot,
  { cols, rows, margin }: Pick<PictureGrid, 'cols' | 'rows' | 'margin'>,
  osd: Readonly<Partial<Record<OsdField, OsdSpot>>>,
): readonly PlaceFault[] {
  const end = col + OSD_FIELDS[field].width;
  if (end > cols || row >= rows) return [{ is: 'outside' }];
  const over = osdFields.flatMap((other): PlaceFault[] => {
    const spot = osd[other];
    if (other === field || spot === undefined || spot.row !== row) return [];
    return spot.col < end && col < spot.col + OSD_FIELDS[other].width ? [{ is: 'overlaps', other }] : [];
  });
  const isAtEdge = col < margin || row < margin || end > cols - margin || row >= rows - margin;
  return [...over, ...(isAtEdge ? [{ is: 'at-edge' } as const] : [])];
}

/** The first free place for a field, line by line, within the edges that are not cut; undefined where the grid is full. */
export function freeSpotFor(
  field: OsdField,
  grid: Pick<PictureGrid, 'cols' | 'rows' | 'margin'>,
  osd: Readonly<Partial<Record<OsdField, OsdSpot>>>,
): OsdSpot | undefined {
  for (let row = grid.margin; row < grid.rows - grid.margin; row++)
    for (let col = grid.margin; col < grid.cols - grid.margin; col++)
      if (faultsOf(field, { col, row }, grid, osd).length === 0) return { col, row };
  return undefined;
}
