import type { Garment } from '../pattern'
import { findKind, type Change } from './registry'
import type { ChangeContext, ChangeKind, Phase } from './types'

// A nest serves until the size of a body is blended from it: what is altered after that is the traced piece alone (decision 43).

/** Phases whose stops look at other sizes than the one that is cut, or at pieces for another cup. */
const OF_SIZES: readonly Phase[] = ['trace', 'new-sizes', 'sizes']

/** The last stop of a plan that looks at other sizes, by its place; -1 where none does. */
export const lastOfSizes = (changes: readonly Change[]): number =>
  changes.findLastIndex(({ on, kind }) => on && OF_SIZES.some((phase) => phase === findKind(kind)?.phase))

/** The pieces as they last lay with more sizes over each other than one of them has; undefined where they never did. */
export const nestBefore = (garments: readonly Garment[], garment: Garment): Garment | undefined =>
  garments.slice(0, garments.indexOf(garment) + 1).findLast((g) => g.sizes.length > garment.sizes.length)

/** The pieces that a kind of change is asked for on: with all sizes for one that looks at those, though they have been left since. */
export const piecesFor = (kind: ChangeKind<unknown>, garment: Garment, { nest }: Pick<ChangeContext, 'nest'>): Garment =>
  nest && OF_SIZES.includes(kind.phase) ? nest : garment
