import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { travelOf } from '../../model/outputPlan.ts';
import { fourBarOf, rodWords } from '../../outputs/linkage/fourBar.ts';
import { forceOfServo, linkedServos, travelOfServo, type LinkedServo } from '../../outputs/linkage/servoTravel.ts';
import { LEAST_MARGIN_DEG, safeLimits } from '../../outputs/linkage/surfaceTravel.ts';
import { decimals, quantity, stated } from '../../text/numbers.ts';
import { replacements } from '../helpers/replacements.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** A linkage that does not close, binds inside its travel, or a servo that is driven against its end. */
export const linkageBinds: Check = {
  id: 'output.linkage',
  stage: 'outputs',
  title: 'Mechanical limit inside the travel',
  run: ({ graph }) => linkedServos(graph).flatMap((linked) => [...endStops(linked), ...deadPoints(linked)]),
};

/** Less than this is too weak to fly with, and less than that leaves too little. */
const MARGIN = { least: 1, wanted: 1.5 } as const;

/** A servo that is weaker than the air. */
export const torqueShort: Check = {
  id: 'output.torque',
  stage: 'outputs',
  title: 'Servo too weak for its surface',
  run: ({ graph }) =>
    linkedServos(graph).flatMap((linked): Saying[] => {
      if (linked.linkage === undefined) return [];
      const force = forceOfServo(graph, linked);
      const [worst] = [...(force?.margins ?? [])].sort((a, b) => a.margin - b.margin);
      if (force === undefined || worst === undefined || worst.margin >= MARGIN.wanted) return [];
      const { item } = linked.entry;
      return [
        {
          severity: worst.margin < MARGIN.least ? 'mend' : 'note',
          where: [{ is: 'item', item: item.id }],
          what: `${item.ref} ${worst.margin < MARGIN.least ? 'is too weak for' : 'has little torque margin with'} ${worst.of.name}: ${quantity(worst.givenNcm, 'Ncm')} at the hinge, of ${quantity(worst.neededNcm, 'Ncm')}.`,
          evidence: [
            { label: 'margin', value: decimals(worst.margin, 2), limit: String(MARGIN.wanted) },
            { label: `lowest voltage, ${force.situation}`, value: quantity(force.volts, 'V') },
            { label: 'speed', value: quantity(worst.of.speedMs, 'm/s') },
            { label: 'deflection', value: quantity(worst.deflectionDeg, 'deg') },
          ],
          why: 'The surface blows back, and the servo stalls and gets hot. The hinge moment is an estimate. A longer horn with less throw helps too.',
          remedies: () => replacements(graph, item.id),
        },
      ];
    }),
};

/** A pulse beyond what the servo turns to. */
function endStops(linked: LinkedServo): Saying[] {
  const { entry, servo, use, limits } = linked;
  const [firstUs, lastUs] = servo.widthUs;
  if (use === undefined || (limits.minUs >= firstUs && limits.maxUs <= lastUs)) return [];
  const { ref, id } = entry.item;
  const beyond = limits.minUs < firstUs ? limits.minUs : limits.maxUs;
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: id }],
      what: `${ref} gets pulses of ${stated(beyond, 'us')}, beyond its range of ${firstUs} to ${stated(lastUs, 'us')}.`,
      evidence: [
        {
          label: `${ref}, ${titleOf(linked)}`,
          value: `${limits.minUs} to ${stated(limits.maxUs, 'us')}`,
          limit: `${firstUs} to ${stated(lastUs, 'us')}`,
        },
      ],
      why: 'It stalls against its own end stop as long as the stick is held there.',
      discriminator: 'end',
      remedies: () => narrower(linked),
    },
  ];
}

function deadPoints(linked: LinkedServo): Saying[] {
  const { entry, linkage, limits, isOpening } = linked;
  if (linkage === undefined) return [];
  const { ref, id } = entry.item;
  const where = [{ is: 'item', item: id }] as const;
  const travel = travelOfServo(linked);
  if (travel === undefined)
    return [
      {
        severity: 'mend',
        where,
        what: `Arm, rod and horn of ${ref} do not meet at ${stated(fourBarOf(linkage) === undefined ? 1500 : limits.trimUs, 'us')}.`,
        evidence: [{ label: 'rod', value: linkage.rodMm === undefined ? 'a length that fits' : stated(linkage.rodMm, 'mm') }],
        why: 'No rod of this length reaches from one hole to the other.',
        discriminator: 'open',
        remedies: () => fittingRod(linked),
      },
    ];
  const { binds, hornMarginDeg } = travel;
  // A flap that is closed with its arm in line is locked by that, and means to be.
  const armMarginDeg = isOpening ? Infinity : travel.armMarginDeg;
  const marginDeg = Math.min(armMarginDeg, hornMarginDeg);
  if (binds === undefined && marginDeg >= LEAST_MARGIN_DEG) return [];
  return [
    {
      severity: 'mend',
      where,
      what:
        binds === undefined
          ? `${ref}: rod and ${armMarginDeg < hornMarginDeg ? 'arm' : 'horn'} come within ${quantity(marginDeg, 'degrees')} of one line.`
          : `${ref} binds at ${quantity(binds.us, 'us')}: ${binds.is === 'arm-in-line' ? 'arm and rod are in one line' : 'the rod does not reach the horn'}.`,
      evidence: [
        binds === undefined
          ? { label: 'to the dead point', value: quantity(marginDeg, 'deg'), limit: stated(LEAST_MARGIN_DEG, 'deg') }
          : { label: 'travel', value: `${limits.minUs} to ${stated(limits.maxUs, 'us')}`, limit: quantity(binds.us, 'us') },
      ],
      why: 'Beyond a dead point the surface turns back, or the servo stalls and the horn breaks.',
      discriminator: 'dead',
      remedies: () => narrower(linked),
    },
  ];
}

/** Limits that stay inside of what servo and linkage can do. */
function narrower(linked: LinkedServo): Remedy[] {
  const { entry, use, limits, linkage, servo } = linked;
  if (use === undefined) return [];
  const [firstUs, lastUs] = servo.widthUs;
  const safe =
    linkage === undefined
      ? { minUs: Math.max(limits.minUs, firstUs), maxUs: Math.min(limits.maxUs, lastUs) }
      : safeLimits(linkage, limits, servo.widthUs);
  if (safe === undefined || safe.minUs > limits.trimUs || safe.maxUs < limits.trimUs) return [];
  const was = travelOf(use);
  return [
    {
      label: `${safe.minUs} to ${safe.maxUs} us`,
      sentence: `Limit ${entry.item.ref} to ${safe.minUs} to ${stated(safe.maxUs, 'us')}.`,
      edit: { kind: 'set-output-travel', item: use.item, output: use.output, value: { ...was, minUs: safe.minUs, maxUs: safe.maxUs }, was },
    },
  ];
}

/** A rod as long as makes the surface neutral. */
function fittingRod({ entry, linkage }: LinkedServo): Remedy[] {
  if (linkage?.rodMm === undefined) return [];
  const { rodMm: _rod, ...rest } = linkage;
  const fitted = fourBarOf(rest);
  if (fitted === undefined) return [];
  return [
    {
      label: `Rod ${rodWords(fitted.rodMm)}`,
      sentence: `Make the rod of ${entry.item.ref} ${rodWords(fitted.rodMm)} long, so that the surface is neutral at 1500 us.`,
      edit: { kind: 'set-linkage', item: entry.item.id, value: rest, was: linkage },
    },
  ];
}

function titleOf({ function: name }: LinkedServo): string {
  return name === undefined ? 'no function' : OUTPUT_FUNCTIONS[name].title;
}
