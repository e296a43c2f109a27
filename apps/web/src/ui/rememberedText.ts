/*
 * Short texts that a browser remembers for this product. A browser may refuse to (private windows, blocked storage): then they
 * last as long as the window, and every screen works as it does otherwise.
 */

const here = new Map<string, string>();

/** The text under a key; undefined when there is none. */
export function rememberedText(key: string): string | undefined {
  try {
    return here.get(key) ?? localStorage.getItem(key) ?? undefined;
  } catch {
    return here.get(key);
  }
}

/** Remembers a text. @returns false when it lasts only as long as this window */
export function rememberText(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    here.delete(key);
    return true;
  } catch {
    here.set(key, text);
    return false;
  }
}

export function forgetText(key: string): void {
  here.delete(key);
  try {
    localStorage.removeItem(key);
  } catch {
    // What the browser does not let us reach it does not hold for us either.
  }
}

/** The keys that begin so, in order. */
export function rememberedKeys(prefix: string): readonly string[] {
  return [...new Set([...here.keys(), ...storedKeys()])].filter((key) => key.startsWith(prefix)).sort();
}

function storedKeys(): readonly string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  } catch {
    return [];
  }
}
