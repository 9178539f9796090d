/** The two systems people measure in. Inside, everything is millimetres. */
export type UnitSystem = 'in' | 'cm'

/** mm in one inch, by definition. */
export const INCH_MM = 25.4
