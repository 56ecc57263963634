/** Standard acceleration of gravity, m/s². Source: 3rd CGPM (1901); NIST SP 330. */
export const GRAVITY = 9.80665;

/** Density of air at sea level, 15 °C, kg/m³. Source: ISO 2533 (standard atmosphere). */
export const AIR_DENSITY = 1.225;
