import { Type } from '@sinclair/typebox';
import { ItemIdSchema } from './ids.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

interface FigureFacts {
  readonly title: string;
  readonly unit: 'mm' | 'deg' | 'per rad';
  readonly least: number;
  readonly most: number;
  /** What holds where nobody gives it; absent where it is needed, or follows from the others. */
  readonly usual?: number;
}

const FIGURES = {
  armMm: { title: 'Servo arm, axis to hole', unit: 'mm', least: 2, most: 80 },
  hornMm: { title: 'Horn, hinge to hole', unit: 'mm', least: 2, most: 150 },
  distanceMm: { title: 'Servo axis to hinge, along the rod', unit: 'mm', least: 5, most: 3000 },
  heightMm: { title: 'Hinge beyond the servo axis, towards the horn', unit: 'mm', least: -300, most: 300, usual: 0 },
  armDeg: { title: 'Arm off square at 1500 us, towards the hinge', unit: 'deg', least: -60, most: 60, usual: 0 },
  hornDeg: { title: 'Horn hole off square, away from the servo', unit: 'deg', least: -60, most: 60, usual: 0 },
  rodMm: { title: 'Rod, hole to hole', unit: 'mm', least: 2, most: 3200 },
  servoDeg: { title: 'Servo rotation per 500 us', unit: 'deg', least: 5, most: 150, usual: 45 },
  upDeg: { title: 'Wanted throw, up or left', unit: 'deg', least: 0, most: 85 },
  downDeg: { title: 'Wanted throw, down or right', unit: 'deg', least: 0, most: 85 },
  clevisMm: { title: 'Clevis thread, pitch', unit: 'mm', least: 0.2, most: 2, usual: 0.5 },
  chordMm: { title: 'Surface, hinge to trailing edge', unit: 'mm', least: 3, most: 1000 },
  lengthMm: { title: 'Surface, along its hinge', unit: 'mm', least: 5, most: 5000 },
  momentPerRad: { title: 'Hinge moment coefficient', unit: 'per rad', least: 0.05, most: 3, usual: 0.6 },
} as const satisfies Readonly<Record<string, FigureFacts>>;
export type LinkageFigure = keyof typeof FIGURES;

/** The figures of a linkage, one entry each. */
export const LINKAGE_FIGURES: Readonly<Record<LinkageFigure, FigureFacts>> = FIGURES;
type UsualFigure = { [F in LinkageFigure]: (typeof FIGURES)[F] extends { readonly usual: number } ? F : never }[LinkageFigure];

export function isLinkageFigure(text: string): text is LinkageFigure {
  return Object.hasOwn(FIGURES, text);
}
export const linkageFigures: readonly LinkageFigure[] = Object.keys(FIGURES).filter(isLinkageFigure);

const figure = (name: LinkageFigure) => Type.Number({ minimum: FIGURES[name].least, maximum: FIGURES[name].most });
const some = (name: LinkageFigure) => Type.Optional(figure(name));
const holes = (name: 'armMm' | 'hornMm') => Type.Optional(Type.Array(figure(name), { minItems: 1, maxItems: 12 }));

/** On which side of the surface its horn is: of one that is upright, left and right. */
export const HORN_SIDES = { below: 'below, or right', above: 'above, or left' } as const;
export type HornSide = keyof typeof HORN_SIDES;
export const hornSides = ['below', 'above'] as const satisfies readonly HornSide[];

/** Which way the arm goes as the pulse gets longer. */
export const ARM_WAYS = { pushes: 'pushes the rod', pulls: 'pulls the rod' } as const;
export type ArmWay = keyof typeof ARM_WAYS;
export const armWays = ['pushes', 'pulls'] as const satisfies readonly ArmWay[];

export const LinkageSchema = Type.Object(
  {
    item: ItemIdSchema,
    armMm: figure('armMm'),
    hornMm: figure('hornMm'),
    distanceMm: figure('distanceMm'),
    heightMm: some('heightMm'),
    armDeg: some('armDeg'),
    hornDeg: some('hornDeg'),
    /** Where absent it is as long as makes the surface neutral at 1500 us. */
    rodMm: some('rodMm'),
    servoDeg: some('servoDeg'),
    upDeg: some('upDeg'),
    downDeg: some('downDeg'),
    clevisMm: some('clevisMm'),
    /** Of the surface; where absent, as the frame has it. */
    chordMm: some('chordMm'),
    lengthMm: some('lengthMm'),
    momentPerRad: some('momentPerRad'),
    /** True where arm and horn point to opposite sides. */
    crossed: Type.Optional(Type.Literal(true)),
    horn: oneOf(hornSides),
    arm: oneOf(armWays),
    /** The holes that there are, in mm from the axis, and from the hinge. */
    armHoles: holes('armMm'),
    hornHoles: holes('hornMm'),
  },
  closed,
);
/** How a servo moves its surface: arm, rod and horn. */
export type Linkage = Shape<typeof LinkageSchema>;

/** A figure of a linkage, or what is usual where nobody gave it. */
export function linkageFigure(linkage: Linkage, name: UsualFigure): number {
  return linkage[name] ?? FIGURES[name].usual;
}
