/** Air at sea level, 15 C (ISO 2533): density in kg/m3, pressure in Pa, viscosity in Pa s. */
export const AIR_KG_M3 = 1.225;
export const AIR_PA = 101_325;
export const AIR_PA_S = 1.79e-5;

/** In m/s2. */
export const GRAVITY = 9.81;
