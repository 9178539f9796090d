import type { EdgeRole } from '../../pattern'

/** Edges that keep their lengths: what is above the cut, and what goes down with the lower part. */
export const KEPT: EdgeRole[] = ['armhole', 'shoulder', 'neck', 'waist', 'hem']
/** The lower edge is drawn to where the side ends once it is even with its partner. */
export const LOWER: EdgeRole[] = ['waist', 'hem']
export const CENTRE: EdgeRole[] = ['centre-front']
