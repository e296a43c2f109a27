import { keyText } from './keys.ts';

/** The name under which firmware is made for a board. A copy of a board keeps it, and with it the firmware's numbers. */
export const TargetSchema = keyText('[A-Za-z0-9][A-Za-z0-9_-]{0,39}');
