/** The setting of a transmitter that says whether its antenna is on. */
export const ANTENNA_SETTING = 'antenna';
export const NO_ANTENNA = 'none yet';
export const ANTENNA_FITTED = 'fitted';
