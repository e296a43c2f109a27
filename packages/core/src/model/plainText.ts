/** Control characters apart from line breaks and tabs, and the marks that turn the reading direction around. */
const HIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u061C\u200B\u200E\u200F\u2028-\u202E\u2060-\u2069\uFEFF]/;
/** What a page would take for a tag. */
const MARKUP = /<[A-Za-z/!?]/;

/** What is wrong with a text that people are to read, as the end of a sentence; undefined when nothing is. */
export function textProblem(text: string): string | undefined {
  if (HIDDEN.test(text))
    return 'holds a character that cannot be seen, such as a control character or a mark that turns the reading direction';
  if (MARKUP.test(text)) return 'holds markup ("<" and a letter)';
  return undefined;
}

/** What a text that is not plain holds at the least. */
const SUSPECT = /[<\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u061C\u200B-\u200F\u2028-\u202E\u2060-\u2069\uFEFF]/;

function hasSuspectText(value: unknown): boolean {
  const stack: unknown[] = [value];
  while (stack.length > 0) {
    const at = stack.pop();
    if (typeof at === 'string') {
      if (SUSPECT.test(at)) return true;
    } else if (typeof at === 'object' && at !== null) {
      for (const [key, inner] of Object.entries(at)) {
        if (SUSPECT.test(key)) return true;
        if (typeof inner === 'string' || typeof inner === 'object') stack.push(inner);
      }
    }
  }
  return false;
}

/** A text somewhere inside a value that is not plain, with the path to it; undefined when all texts and keys are plain. */
export function hiddenTextIn(value: unknown, path = ''): { readonly path: string; readonly problem: string } | undefined {
  // Nearly always there is none; a large file is then looked through without a path to every text of it.
  if (!hasSuspectText(value)) return undefined;
  const stack: { readonly value: unknown; readonly path: string }[] = [{ value, path }];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (typeof at.value === 'string') {
      const problem = textProblem(at.value);
      if (problem !== undefined) return { path: at.path, problem };
    } else if (typeof at.value === 'object' && at.value !== null) {
      const entries = Object.entries(at.value).reverse();
      for (const [key, inner] of entries) {
        const problem = textProblem(key);
        if (problem !== undefined) return { path: at.path, problem: `${problem}, in the name of a member` };
        stack.push({ value: inner, path: `${at.path}/${key}` });
      }
    }
  }
  return undefined;
}
