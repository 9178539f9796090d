import type { EdgeRole, Garment } from '../pattern'
import { ABOVE } from './places-above'
import { BELOW } from './places-below'
import type { Place, Sign } from './sign-types'

/**
 * Where one looks at a garment on the body, from the top down, and what is known to be seen there (craft 9). Which change may mend
 * a sign is said as a sewist would say it (`tries`); what that means on a garment is for the wishes and the kinds of change to know.
 */
export const PLACES: readonly Place[] = [...ABOVE, ...BELOW]

/** A place of the list; undefined where this version knows none of that name. */
export const findPlace = (id: string): Place | undefined => PLACES.find((p) => p.id === id)

/** A sign by its id: they are told apart over all places. */
export const findSign = (id: string): Sign | undefined => PLACES.flatMap((p) => p.signs).find((s) => s.id === id)

/** Places that a garment can have nothing to do with, by what it would need: one of these roles or kinds of piece. */
const NEEDS: Record<string, (garment: Garment) => boolean> = {
  'shoulder-line': hasRole('shoulder'),
  'shoulder-end': hasRole('shoulder'),
  neck: hasRole('neck'),
  armhole: hasRole('armhole'),
  sleeve: (garment) => garment.pieces.some((p) => p.kind === 'sleeve'),
  bust: (garment) => garment.pieces.some((p) => p.kind === 'front'),
  crotch: (garment) => hasRole('crotch')(garment) || hasRole('leg-opening')(garment),
  thigh: hasRole('inseam'),
  knee: hasRole('inseam'),
  opening: hasRole('neck'),
}

function hasRole(role: EdgeRole): (garment: Garment) => boolean {
  return (garment) => garment.pieces.some((p) => p.edges.some((e) => e.role === role))
}

/** The places that are looked at on a garment, from the top down, by id. */
export const placesOf = (garment: Garment): string[] => PLACES.filter((p) => NEEDS[p.id]?.(garment) ?? true).map((p) => p.id)
