import { keyText } from './keys.ts';

/** Names a port within its part. */
export const PortIdSchema = keyText('[A-Za-z0-9][A-Za-z0-9-]{0,19}');
