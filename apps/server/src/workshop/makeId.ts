import { customAlphabet } from 'nanoid';

/** A new id: letters and digits only, as documents want it, and long enough never to be given twice. */
export const makeId = customAlphabet('0123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz', 16);
