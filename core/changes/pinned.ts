import { z } from 'zod'
import { Id } from '../pattern'

/** The largest amount that is measured or pinned in a fitting, mm. */
export const MOST_PINNED_MM = 500
/** An amount as it was measured or pinned, mm: its direction is said in words. */
export const PinnedAmount = z.number().finite().min(0).max(MOST_PINNED_MM)
/** The farthest that something is measured along an edge, mm. */
export const MOST_ALONG_MM = 5000
const Along = z.number().finite().min(0).max(MOST_ALONG_MM)

/** On which side of the body something was seen or pinned. */
export const SideSchema = z.enum(['both', 'left', 'right'])
export type BodySide = z.infer<typeof SideSchema>

/** Something that was pinned on the body, as it was pinned: the kinds of change know what they make of it (`ofPin`). */
export const PinnedSchema = z.discriminatedUnion('how', [
  /** A fold across an edge, from pin to pin, so far along it from a corner or “notch:” and a notch’s id. */
  z.strictObject({
    how: z.literal('fold'),
    pieceId: Id,
    edgeId: Id,
    from: z.string().min(1).max(90),
    atMm: Along,
    mm: PinnedAmount,
  }),
  /** The side seams, let out or taken in at some levels: at each edge, so half of what a fold of both layers takes. */
  z.strictObject({ how: z.literal('side'), isOut: z.boolean(), bustMm: PinnedAmount, waistMm: PinnedAmount, hipMm: PinnedAmount }),
  /** A seam let out or taken in along a stretch: deepest so far below its upper end, at each edge, running out above and below. */
  z.strictObject({
    how: z.literal('seam'),
    pieceId: Id,
    edgeId: Id,
    atMm: Along,
    aboveMm: Along,
    belowMm: Along,
    isOut: z.boolean(),
    mm: PinnedAmount,
  }),
  /** A wedge put in or taken out, widest at an edge so far below its upper end, nothing at the side. */
  z.strictObject({ how: z.literal('wedge'), pieceId: Id, edgeId: Id, belowMm: Along, isOut: z.boolean(), mm: PinnedAmount }),
  /** The hem, to be let down or turned up at its three places. */
  z.strictObject({
    how: z.literal('hem'),
    isLonger: z.boolean(),
    centreFrontMm: PinnedAmount,
    sideMm: PinnedAmount,
    centreBackMm: PinnedAmount,
  }),
])
export type Pinned = z.infer<typeof PinnedSchema>
