const PER_METRE = 1000;

/** mm to a tenth, without their unit: `tenths(0.0125) // '12.5'`, `tenths(0.26) // '260'`. */
export const formatTenths = (metres: number): string => String(Number((PER_METRE * metres).toFixed(1)));

/** mm to a tenth: `millimetres(0.0125) // '12.5 mm'`. */
export const formatMillimetres = (metres: number): string => `${formatTenths(metres)} mm`;
