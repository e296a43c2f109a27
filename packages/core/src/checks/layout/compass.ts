import { hovers } from '../../model/airframes.ts';
import { listed } from '../../text/lists.ts';
import { against, quantity, range, stated } from '../../text/numbers.ts';
import { compassFieldAt, compassFields, type CompassField } from '../../field/compassFields.ts';
import type { Graph } from '../../graph/graph.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Spot } from '../../model/frame.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { BESIDE_MM, besideAirframeMm, movedOut } from './helpers/places.ts';
import { reroutesOf } from './helpers/reroutes.ts';
import { inSentence } from '../../text/sentences.ts';

const MEND_DEG = 5;
const STOP_DEG = 10;
/** Above this share of its range a field that is always there leaves too little for the rest. */
const RANGE_SHARE = 0.5;
/** The pitch that is proposed for twisted battery leads. */
const TWIST_MM = 40;
/** Legs that add less than this share of the field are left as they are. */
const COUNTS = 0.15;
const MOST_TWISTED = 4;
/** Moves that are tried. */
const STEP_MM = 10;
const FURTHEST_MM = 300;
/** How exactly a compass is placed by hand. */
const PLACED_WITHIN_MM = 10;
const PLACED_WITHIN_DEG = 5;
/** The spot itself, and on a sphere around it the ends of its axes and of its diagonals. */
const AROUND: readonly Spot[] = [
  [0, 0, 0],
  ...[-1, 1].flatMap((sign): Spot[] => [
    [sign * PLACED_WITHIN_MM, 0, 0],
    [0, sign * PLACED_WITHIN_MM, 0],
    [0, 0, sign * PLACED_WITHIN_MM],
    ...[-1, 1].flatMap((y) => [-1, 1].map((z): Spot => spotOn(sign, y, z))),
  ]),
];

function spotOn(x: number, y: number, z: number): Spot {
  const mm = PLACED_WITHIN_MM / Math.sqrt(3);
  return [x * mm, y * mm, z * mm];
}

/** Currents that change with the throttle turn the heading of a compass. */
export const compassField: Check = {
  id: 'place.compass-field',
  stage: 'layout',
  title: 'Magnetic field at a compass',
  run: ({ graph }) => compassFields(graph).flatMap((field) => [...varying(graph, field), ...constant(field)]),
};

/** What hovers has nothing but its compass for a heading, unless two antennas give it one. */
function navigatesByCompass(graph: Graph): boolean {
  const { kind } = graph.design.aircraft.airframe;
  return hovers(kind) && !graph.items.some(({ part }) => part?.radios?.some(({ heading }) => heading !== undefined));
}

function varying(graph: Graph, { compass, worst, legs, situations }: CompassField): Saying[] {
  const { errorDeg, levelUt, verticalUt, title } = worst;
  if (errorDeg <= MEND_DEG) return [];
  const { item } = compass;
  return [
    {
      severity: errorDeg > STOP_DEG && navigatesByCompass(graph) ? 'stop' : 'mend',
      where: [{ is: 'item', item: item.id }],
      what: `The currents of ${listed(legs.slice(0, 2).map(({ of }) => of.cable.tag))} turn the heading of ${item.ref} by ${quantity(errorDeg, 'degrees')} (${inSentence(title)}).`,
      evidence: [
        { label: `field that varies, ${inSentence(title)}`, value: fieldWords(levelUt, verticalUt) },
        { label: 'heading error', ...against(errorDeg, MEND_DEG, 'deg') },
        ...legs.slice(0, 3).map((leg) => ({
          label: `${leg.of.cable.tag}, ${quantity(leg.amps, 'A')}`,
          value: fieldWords(leg.levelUt, leg.verticalUt),
        })),
        ...situations.filter((one) => one.title === 'Cruise').map((one) => ({ label: 'cruise', value: quantity(one.errorDeg, 'deg') })),
      ],
      why: 'Calibration removes a constant field, not one that changes with the throttle: the aircraft drifts to one side, or circles.',
      discriminator: 'varying',
      remedies: () => [
        ...twists(graph, item.id, errorDeg, legs),
        ...leadings(graph, compass, errorDeg, legs),
        ...moves(graph, compass, errorDeg),
      ],
    },
  ];
}

/** Only the level part turns the heading; with the vertical one it makes up the whole. */
function fieldWords(levelUt: number, verticalUt: number): string {
  return `${quantity(levelUt, 'uT')} level, ${quantity(verticalUt, 'uT')} vertical`;
}

function constant({ compass, constantUt, rangeUt }: CompassField): Saying[] {
  const most = Math.max(...constantUt.map(Math.abs));
  if (most <= RANGE_SHARE * rangeUt) return [];
  const { item } = compass;
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: item.id }],
      what: `Magnets near ${item.ref} use up more than half of its range.`,
      evidence: [{ label: 'constant field', ...against(most, RANGE_SHARE * rangeUt, 'uT') }],
      why: "Little range is left for the earth's field and for varying fields; a different motor may drive it out of range.",
      discriminator: 'constant',
    },
  ];
}

/** The heading error at a compass after an edit, and whether that holds however exactly it is placed. */
function errorAfter(
  graph: Graph,
  edit: Parameters<typeof graphAfter>[1],
  item: string,
): { readonly errorDeg: number; readonly holds: boolean } {
  const after = graphAfter(graph, edit);
  const field = after === undefined ? undefined : compassFields(after).find(({ compass }) => compass.item.id === item);
  if (after === undefined || field === undefined) return { errorDeg: Infinity, holds: false };
  return { errorDeg: field.worst.errorDeg, holds: holdsAround(after, field.compass, field.compass.place.at) };
}

/**
 * Whether the heading error stays below the limit when a compass is placed as exactly as one can: 10 mm to any side, and 5 degrees out of
 * level, which lets so much of a vertical field turn the heading. Two strong fields that just cancel at one spot are no place.
 */
function holdsAround(graph: Graph, compass: CompassField['compass'], at: Spot): boolean {
  return AROUND.every(([x, y, z]) => {
    const { worst } = compassFieldAt(graph, compass, [at[0] + x, at[1] + y, at[2] + z]);
    return tiltedDeg(worst) <= MEND_DEG;
  });
}

/** The heading error with the compass out of level; `errorDeg` of the level part alone is the smallest that it can be. */
function tiltedDeg({ levelUt, verticalUt, errorDeg }: CompassField['worst']): number {
  if (levelUt === 0) return errorDeg;
  const earthUt = levelUt / Math.sin((errorDeg * Math.PI) / 180);
  const leaningUt = levelUt + verticalUt * Math.sin((PLACED_WITHIN_DEG * Math.PI) / 180);
  return (Math.asin(Math.min(1, leaningUt / earthUt)) * 180) / Math.PI;
}

/** Twists the wires that add most, where that is enough. */
function twists(graph: Graph, item: string, wasDeg: number, legs: CompassField['legs']): readonly Remedy[] {
  const total = legs[0]?.ut ?? 0;
  const strong = legs
    .filter(({ of, ut }) => of.leg.twistMm === undefined && ut > COUNTS * total && of.wires.length > 1)
    .slice(0, MOST_TWISTED);
  if (strong.length === 0) return [];
  const edits = strong.map(({ of }): SimpleEdit => ({
    kind: 'set-leg-twist',
    cable: of.cable.id,
    leg: of.leg.id,
    twistMm: TWIST_MM,
    was: null,
  }));
  const tags = strong.map(({ of }) => of.cable.tag).join(', ');
  const edit = { kind: 'batch' as const, title: `Twist ${tags}`, edits };
  const { errorDeg, holds } = errorAfter(graph, edit, item);
  if (!holds) return [];
  return [
    {
      label: `Twist ${tags}`,
      sentence: `Twist the wires of ${tags}, one turn per ${stated(TWIST_MM, 'mm')}: the heading error falls from ${range(wasDeg, errorDeg, 'deg')}.`,
      edit,
    },
  ];
}

/** Leads the wires that add most by another way, where that is enough. */
function leadings(graph: Graph, compass: CompassField['compass'], wasDeg: number, legs: CompassField['legs']): readonly Remedy[] {
  const [strongest] = legs;
  if (strongest === undefined) return [];
  for (const { point, edit } of reroutesOf(graph, strongest.of, compass.place.at)) {
    const { errorDeg, holds } = errorAfter(graph, edit, compass.item.id);
    if (!holds) continue;
    const { tag } = strongest.of.cable;
    return [
      {
        label: `Reroute ${tag}`,
        sentence: `Route ${tag} via ${point.title}: the heading error falls from ${range(wasDeg, errorDeg, 'deg')}.`,
        edit,
      },
    ];
  }
  return [];
}

const WAYS: readonly { readonly axis: 0 | 1 | 2; readonly sign: 1 | -1; readonly name: string }[] = [
  { axis: 2, sign: 1, name: 'up, on a mast' },
  { axis: 1, sign: 1, name: 'to the right' },
  { axis: 1, sign: -1, name: 'to the left' },
  { axis: 0, sign: -1, name: 'forward' },
  { axis: 0, sign: 1, name: 'aft' },
];

/** The shortest move that is enough. */
function moves(graph: Graph, compass: CompassField['compass'], wasDeg: number): readonly Remedy[] {
  // Inside a bay the only way out is up.
  const ways = compass.place.bay === undefined ? WAYS : WAYS.filter(({ axis }) => axis === 2);
  for (let mm = STEP_MM; mm <= FURTHEST_MM; mm += STEP_MM) {
    for (const { axis, sign, name } of ways) {
      const at = compass.place.at.map((value, i) => (i === axis ? value + sign * mm : value));
      const [station = 0, butt = 0, water = 0] = at;
      const to: Spot = [station, butt, water];
      if (besideAirframeMm(graph, to) > BESIDE_MM) continue;
      // First with all other things as they are, which is quick; its own cable, longer or shorter, changes little.
      if (!holdsAround(graph, compass, to)) continue;
      const edit = movedOut(compass, to);
      const { errorDeg, holds } = errorAfter(graph, edit, compass.item.id);
      if (!holds) continue;
      return [
        {
          label: `Move ${compass.item.ref} ${stated(mm, 'mm')}`,
          sentence: `Move ${compass.item.ref} ${stated(mm, 'mm')} ${name}: the heading error falls from ${range(wasDeg, errorDeg, 'deg')}.`,
          edit,
        },
      ];
    }
  }
  return [];
}
