/**
 * Compares two references the way people read them: GNSS2 before GNSS10, W02 before W11.
 * Total and deterministic: texts that differ never compare equal.
 */
export function naturalOrder(a: string, b: string): number {
  const left = chunks(a);
  const right = chunks(b);
  for (let i = 0; i < Math.min(left.length, right.length); i++) {
    const x = left[i] ?? '';
    const y = right[i] ?? '';
    if (x === y) continue;
    if (isNumber(x) && isNumber(y) && Number(x) !== Number(y)) return Number(x) - Number(y);
    return x < y ? -1 : 1;
  }
  if (left.length !== right.length) return left.length - right.length;
  return a < b ? -1 : a > b ? 1 : 0;
}

/** Compares by a text taken from each value, in natural order. */
export function byNatural<T>(textOf: (value: T) => string): (a: T, b: T) => number {
  return (a, b) => naturalOrder(textOf(a), textOf(b));
}

function chunks(text: string): string[] {
  return text.match(/\d+|\D+/g) ?? [];
}

function isNumber(text: string): boolean {
  return /^\d+$/.test(text);
}
