import type { Graph } from '../../graph/graph.ts';
import { isRcBegun } from '../../model/rcPlan.ts';
import { OSD_FIELDS, type OsdField } from '../../model/osdFields.ts';
import { beginFields } from '../../rc/osd/beginFields.ts';
import { fieldPlanOf, freeSpotFor, type FieldPlan, type FieldRow } from '../../rc/osd/fieldPlan.ts';
import { pictureGridOf, type PictureGrid } from '../../rc/osd/pictureGrid.ts';
import { rcFeedsOf } from '../../rc/rcFeeds.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';
import { rcController, rcSubjects } from '../helpers/rcSubjects.ts';

/** Something can draw over the picture, and nobody has said what. */
export const osdNotBegun: Check = {
  id: 'osd.not-begun',
  stage: 'links',
  title: 'OSD without fields',
  run: ({ graph }) => {
    const grid = pictureGridOf(graph);
    const isRcOpen = rcFeedsOf(graph).length > 0 && !isRcBegun(graph.design.aircraft.rc);
    // One note for a plan that is not begun.
    if (grid === undefined || isRcOpen || fieldPlanOf(graph).isBegun || rcSubjects(graph).length === 0) return [];
    return [
      {
        severity: 'note',
        where: gridSubjects(graph, grid),
        what: `${grid.by} can draw an on-screen display, and no field is planned for it.`,
        why: "The pilot sees the firmware's default fields.",
        remedies: () => {
          const edit = beginFields(graph);
          return edit === undefined
            ? []
            : [
                {
                  label: 'Start with the usual fields',
                  sentence: 'Show what a pilot needs on the screens, as far as it has a source.',
                  edit,
                },
              ];
        },
      },
    ];
  },
};

/** Fields that nothing feeds, and what the pilot needs and no screen shows. */
export const fieldWithoutSource: Check = {
  id: 'osd.field-without-source',
  stage: 'links',
  title: 'OSD field without a source',
  run: ({ graph }) => {
    const plan = fieldPlanOf(graph);
    if (!plan.isBegun || rcSubjects(graph).length === 0) return [];
    return [...plan.rows.flatMap((row) => emptyField(graph, plan, row)), ...unseen(graph, plan)];
  },
};

function emptyField(graph: Graph, { grid }: FieldPlan, { field, spot, source, isOnRadio, radioSource }: FieldRow): Saying[] {
  const { title } = OSD_FIELDS[field];
  const onPicture: Saying[] =
    spot === undefined || (source.isThere && grid !== undefined)
      ? []
      : [
          {
            severity: 'note',
            where: rcSubjects(graph),
            what: `The OSD is planned to show the ${title}, and ${grid === undefined ? 'nothing draws an OSD' : `${rcController(graph)} ${source.words} for it`}.`,
            why: 'The field stays empty or shows a meaningless value.',
            discriminator: `picture ${field}`,
            remedies: () => [
              {
                label: 'Remove the field',
                sentence: `Remove the ${title} from the OSD.`,
                edit: { kind: 'set-osd-field', field, spot: null, was: spot },
              },
            ],
          },
        ];
  const onRadio: Saying[] =
    !isOnRadio || radioSource.isThere
      ? []
      : [
          {
            severity: 'note',
            where: rcSubjects(graph),
            what: `The radio is planned to show the ${title}, and ${rcController(graph)} ${radioSource.words} for it.`,
            why: 'The field stays empty.',
            discriminator: `radio ${field}`,
            remedies: () => [
              {
                label: 'Remove the field',
                sentence: `Remove the ${title} from the screen of the radio.`,
                edit: { kind: 'set-radio-field', field, on: false, was: true },
              },
            ],
          },
        ];
  return [...onPicture, ...onRadio];
}

/** What a pilot needs, has a source, and is on no screen. */
function unseen(graph: Graph, { unseen: fields, rows, grid }: FieldPlan): Saying[] {
  const could = fields.filter((field) =>
    rows.some((row) => row.field === field && ((grid !== undefined && row.source.isThere) || row.radioSource.isThere)),
  );
  if (could.length === 0) return [];
  return [
    {
      severity: 'note',
      where: rcSubjects(graph),
      what: `No screen shows what the pilot needs of ${rcController(graph)}: ${listed(could.map((field) => OSD_FIELDS[field].title))}.`,
      evidence: [{ label: 'fields without a screen', value: String(could.length), limit: '0' }],
      why: 'The data is in the aircraft, but the pilot does not see it.',
      discriminator: 'unseen',
      remedies: () => {
        const edit = beginFields(graph);
        return edit === undefined
          ? []
          : [{ label: 'Show them on a screen', sentence: 'Show what a pilot needs on the screens, as far as it has a source.', edit }];
      },
    },
  ];
}

/** Fields beyond the grid, over one another, or where some goggles cut. */
export const fieldPlace: Check = {
  id: 'osd.field-place',
  stage: 'links',
  title: 'OSD field in the wrong place',
  run: ({ graph }) => {
    const { grid, rows } = fieldPlanOf(graph);
    if (grid === undefined) return [];
    return rows.flatMap((row) => placeSaying(graph, grid, row));
  },
};

function placeSaying(graph: Graph, grid: PictureGrid, { field, spot, faults }: FieldRow): Saying[] {
  const [fault] = faults;
  if (fault === undefined || spot === undefined) return [];
  const { title } = OSD_FIELDS[field];
  const at = `column ${spot.col + 1}, line ${spot.row + 1}`;
  const size = `${grid.cols} columns, ${grid.rows} lines`;
  const shared = {
    where: gridSubjects(graph, grid),
    evidence: [{ label: `the ${title} starts at`, value: at, limit: size }],
    discriminator: field,
    remedies: () => toFreeSpot(graph, grid, field),
  } as const;
  switch (fault.is) {
    case 'outside':
      return [
        {
          ...shared,
          severity: 'mend',
          what: `The ${title} does not fit on the OSD of ${grid.by}: it starts at ${at} of ${size}.`,
          why:
            grid.is === 'analog' && grid.standard !== 'PAL'
              ? 'NTSC has three lines fewer than PAL; anything below is not visible.'
              : 'Anything outside the grid is not visible.',
        },
      ];
    case 'overlaps':
      // Said once, of the one that comes later in the table.
      return isLater(field, fault.other)
        ? [
            {
              ...shared,
              severity: 'mend',
              what: `The ${title} and the ${OSD_FIELDS[fault.other].title} overlap on the OSD of ${grid.by}.`,
              why: 'Neither is readable.',
            },
          ]
        : [];
    case 'at-edge':
      return [
        {
          ...shared,
          severity: 'note',
          what: `The ${title} is at the edge of the OSD of ${grid.by}, which some goggles cut off.`,
          why: 'Part of it may not be visible.',
        },
      ];
  }
}

const order: readonly string[] = Object.keys(OSD_FIELDS);
function isLater(field: OsdField, other: OsdField): boolean {
  return order.indexOf(field) > order.indexOf(other);
}

function toFreeSpot(graph: Graph, grid: PictureGrid, field: OsdField): Remedy[] {
  const { osd } = graph.design.aircraft.rc;
  const spot = freeSpotFor(field, grid, osd);
  const was = osd[field];
  if (spot === undefined || was === undefined) return [];
  return [
    {
      label: 'Move it to a free place',
      sentence: `Move the ${OSD_FIELDS[field].title} to column ${spot.col + 1}, line ${spot.row + 1}.`,
      edit: { kind: 'set-osd-field', field, spot, was },
    },
  ];
}

function gridSubjects(graph: Graph, { item }: PictureGrid): readonly Subject[] {
  const entry = graph.items[item];
  return entry === undefined ? rcSubjects(graph) : [{ is: 'item', item: entry.item.id }];
}
