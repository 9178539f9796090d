/** Degrees in a radian: angles are radians inside, and are said and limited in degrees. */
export const DEG = 180 / Math.PI
