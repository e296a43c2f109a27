/** A rectangle of the drawing, in mm. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A text on the drawing: where its start, middle or end stands, at half of its height. */
export interface TextLabel {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** What a letter of the drawing's type is wide, as a share of its height. */
const LETTER_WIDTH = 0.62;

export function widthOf(text: string, letterMm: number): number {
  return text.length * letterMm * LETTER_WIDTH;
}

/** The room that a text takes. */
export function boxOfLabel({ text, x, y, anchor }: TextLabel, letterMm: number): Box {
  const width = widthOf(text, letterMm);
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { x: left, y: y - letterMm / 2, width, height: letterMm };
}

export function overlap(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

export function isWithin(a: Box, b: Box): boolean {
  return a.x >= b.x && a.y >= b.y && a.x + a.width <= b.x + b.width && a.y + a.height <= b.y + b.height;
}

/** The first of the places for a label at which it stands on nothing that is taken; the first of all where there is none. */
export function firstFree<T extends TextLabel>(places: readonly [T, ...T[]], letterMm: number, taken: readonly Box[]): T {
  return places.find((place) => !taken.some((box) => overlap(box, boxOfLabel(place, letterMm)))) ?? places[0];
}
