/**
 * A document is stored in pieces, so that an edit writes what it changed and not the whole aircraft: one piece for each
 * record of each of its collections (`items/r5`, `cables/r9`, ...), and one, the head, for everything else.
 */
export interface Piece {
  readonly path: string;
  /** JSON text. */
  readonly content: string;
}

/** A piece as it is to become; without a content it is to go. */
export interface PieceChange {
  readonly path: string;
  readonly content: string | undefined;
}

type Fields = Readonly<Record<string, unknown>>;

/** The path of the piece that holds what is in no collection. */
export const HEAD = '';

/** What has to be written so that the stored document becomes `after`. Records are compared by identity: edits share what they leave alone. */
export function changedPieces(before: Fields | undefined, after: Fields): PieceChange[] {
  const changes: PieceChange[] = [];
  if (before === undefined || !isSameHead(before, after)) changes.push({ path: HEAD, content: JSON.stringify(headOf(after)) });
  for (const name of new Set([...Object.keys(before ?? {}), ...Object.keys(after)])) {
    addRecordChanges(changes, name, collectionOf(before, name), collectionOf(after, name));
  }
  return changes;
}

/**
 * The document that pieces are of.
 * @throws Error when the head is missing
 */
export function documentFrom(pieces: readonly Piece[]): Fields {
  const head = pieces.find((piece) => piece.path === HEAD);
  if (head === undefined) throw new Error('The stored document has no head.');
  const document = new Map<string, unknown>(Object.entries(fieldsIn(head.content)));
  const collections = new Map<string, [string, unknown][]>();
  for (const { path, content } of pieces) {
    if (path === HEAD) continue;
    const slash = path.indexOf('/');
    const name = path.slice(0, slash);
    const records = collections.get(name) ?? [];
    records.push([path.slice(slash + 1), JSON.parse(content)]);
    collections.set(name, records);
  }
  for (const [name, records] of collections) document.set(name, Object.fromEntries(records));
  return Object.fromEntries(document);
}

function addRecordChanges(changes: PieceChange[], name: string, before: Fields | undefined, after: Fields | undefined): void {
  if (before === after) return;
  for (const [key, record] of Object.entries(after ?? {})) {
    if (before?.[key] !== record) changes.push({ path: `${name}/${key}`, content: JSON.stringify(record) });
  }
  for (const key of Object.keys(before ?? {})) {
    if (after === undefined || !Object.hasOwn(after, key)) changes.push({ path: `${name}/${key}`, content: undefined });
  }
}

/** The document with its collections empty. */
function headOf(document: Fields): Fields {
  return Object.fromEntries(Object.entries(document).map(([name, value]) => [name, isCollection(value) ? {} : value]));
}

function isSameHead(before: Fields, after: Fields): boolean {
  const names = Object.keys(after);
  if (names.length !== Object.keys(before).length) return false;
  return names.every((name) => before[name] === after[name] || (isCollection(before[name]) && isCollection(after[name])));
}

function collectionOf(document: Fields | undefined, name: string): Fields | undefined {
  const value = document?.[name];
  return isCollection(value) ? value : undefined;
}

function isCollection(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The members of the object that a piece holds. */
export function fieldsIn(text: string): Fields {
  const value: unknown = JSON.parse(text);
  return isCollection(value) ? value : {};
}
