import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { decimals, quantity, stated } from '../../text/numbers.ts';
import { clevisTurns, squaringTrimUs } from '../linkage/clevis.ts';
import { rodWords } from '../linkage/fourBar.ts';
import { forceOfServo, linkedServos, travelOfServo, type LinkedServo } from '../linkage/servoTravel.ts';
import { MIDDLE_US } from '../linkage/surfaceTravel.ts';

/** How far the trailing edge is from where it was, measured square to the neutral surface, in mm. */
export function throwMm(chordMm: number, deg: number): number {
  return chordMm * Math.sin((Math.abs(deg) * Math.PI) / 180);
}

/** Every servo that moves a surface: holes, rod, throws in degrees and mm, trims, and what is left of its force. */
export function surfaceSheet(graph: Graph): Sheet {
  return {
    title: `Surface sheet ${graph.design.aircraft.name}`,
    subtitle: 'Throws from trim, of flaps and spoilers from closed; for an upright surface up means left and down means right',
    columns: [
      { title: 'Servo', kind: 'value' },
      { title: 'Moves', kind: 'words' },
      { title: 'Arm, horn, rod', kind: 'value' },
      { title: 'Up', kind: 'value' },
      { title: 'Down', kind: 'value' },
      { title: 'Pulses', kind: 'value' },
      { title: 'deg per us', kind: 'value' },
      { title: 'Trim', kind: 'words' },
      { title: 'Torque margin', kind: 'words' },
    ],
    rows: linkedServos(graph).map((linked) => rowOf(graph, linked)),
    notes: [
      'mm: travel of the trailing edge, measured square to the neutral surface.',
      'The hinge moment is an estimate. Set throws for the first flight as the plan of the airframe gives them.',
    ],
    cautions: ['Propellers off, and keep hands clear of the surfaces: servos jump when powered up.'],
  };
}

function rowOf(graph: Graph, linked: LinkedServo): readonly string[] {
  const { entry, function: name, linkage, limits, surface, use } = linked;
  const travel = travelOfServo(linked);
  const open = linkage === undefined ? 'not stated' : 'does not close';
  const throwOf = (deg: number | undefined): string =>
    deg === undefined
      ? ''
      : [quantity(deg, 'deg'), ...(surface === undefined ? [] : [quantity(throwMm(surface.chordMm, deg), 'mm')])].join(', ');
  const worst = Math.min(...(forceOfServo(graph, linked)?.margins ?? []).map(({ margin }) => margin));
  return [
    entry.item.ref,
    name === undefined ? 'nothing yet' : OUTPUT_FUNCTIONS[name].title,
    linkage === undefined || travel === undefined ? open : `${linkage.armMm}, ${linkage.hornMm}, ${rodWords(travel.bar.rodMm)}`,
    throwOf(travel?.upDeg),
    throwOf(travel?.downDeg),
    use === undefined ? '' : `${limits.minUs} to ${stated(limits.maxUs, 'us')}${use.reversed === true ? ', reversed' : ''}`,
    travel === undefined ? '' : decimals(travel.degPerUs, 3),
    trimWords(linked),
    Number.isFinite(worst) ? `${decimals(worst, 1)} times` : '',
  ];
}

/** A trim as turns of a clevis, and the one that squares the arm. */
function trimWords({ linkage, limits: { trimUs }, isOpening }: LinkedServo): string {
  if (isOpening) return `closed at ${trimUs} us`;
  const square = linkage === undefined ? undefined : squaringTrimUs(linkage);
  const squaring = square === undefined ? '' : `arm square at ${quantity(square, 'us')}`;
  const flown = linkage === undefined || trimUs === MIDDLE_US ? undefined : clevisTurns(linkage, trimUs);
  const turns = flown === undefined ? '' : turnWords(flown.turns);
  return [`${trimUs} us${turns === '' ? '' : `: ${turns} instead`}`, squaring].filter((one) => one !== '').join('; ');
}

/** Turns of a clevis to the half: `2.5 turns out`; nothing where less than a quarter. */
export function turnWords(turns: number): string {
  const halves = Math.round(Math.abs(turns) * 2) / 2;
  return halves === 0 ? 'less than half a turn' : `${halves} ${halves === 1 ? 'turn' : 'turns'} ${turns > 0 ? 'out' : 'in'}`;
}
