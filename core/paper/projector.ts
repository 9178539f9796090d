import { z } from 'zod'
import { refuse, ok, type Result } from '../result'
import { DEG, lengthToken } from '../units'

/** Side of the square that is thrown for measuring, pixels of the picture. */
export const SQUARE_PX = 500

/** What such a square may measure on a table, mm: a projector near it, and one under a high ceiling. */
const SQUARE_MM = { least: 60, most: 2500 }

/** Across and down differ by no more than this where a projector looks straight down. */
const MOST_UNEVEN = 1.25

/** From here on it is said that the projector does not look straight down. */
const SAID_UNEVEN = 1.01

/** A projector over a table, as it was measured there. */
export const ProjectorSchema = z.strictObject({
  name: z.string().min(1).max(60),
  /** Pixels of the picture in a millimetre on the table, across and down. */
  pxPerMmX: z.number().finite().positive().max(100),
  pxPerMmY: z.number().finite().positive().max(100),
  /** The zoom of the browser while it was measured: another one makes other pixels. */
  zoom: z.number().finite().positive(),
  /** The day of measuring. */
  measuredOn: z.string().max(10),
})

export type Projector = z.infer<typeof ProjectorSchema>

/**
 * How large pixels are on the table, from what the thrown square measures there.
 *
 * @param acrossMm, downMm its sides as they were measured on the table
 * Refuses: sides that no projector throws, and sides that differ so much that the projector stands askew.
 */
export function calibrate(acrossMm: number, downMm: number): Result<{ pxPerMmX: number; pxPerMmY: number; isAskew: boolean }> {
  for (const [side, mm] of [
    ['across', acrossMm],
    ['down', downMm],
  ] as const)
    if (!(mm >= SQUARE_MM.least && mm <= SQUARE_MM.most))
      return refuse(
        'no-square',
        `the side ${side}`,
        `a thrown square is between ${lengthToken(SQUARE_MM.least)} and ${lengthToken(SQUARE_MM.most)} on a table.`,
        'Measure its side on the table again.',
      )
  const uneven = Math.max(acrossMm / downMm, downMm / acrossMm)
  if (uneven > MOST_UNEVEN)
    return refuse(
      'askew',
      'the square',
      `its sides differ too much: ${lengthToken(acrossMm)} and ${lengthToken(downMm)}.`,
      'Turn the projector so that it looks straight down, and measure both sides again.',
    )
  return ok({ pxPerMmX: SQUARE_PX / acrossMm, pxPerMmY: SQUARE_PX / downMm, isAskew: uneven > SAID_UNEVEN })
}

/** How the drawing lies under the projector. */
export interface Throw {
  turnDeg: 0 | 90 | 180 | 270
  isMirrored: boolean
  /** Moved on the table, mm. */
  dxMm: number
  dyMm: number
}

/**
 * The drawing’s way onto the picture as an SVG matrix: turned and mirrored in its own middle, moved on the table, then in pixels, of
 * which across and down may be of different sizes.
 */
export function throwMatrix(
  { turnDeg, isMirrored, dxMm, dyMm }: Throw,
  { pxPerMmX, pxPerMmY }: Pick<Projector, 'pxPerMmX' | 'pxPerMmY'>,
  sheet: { widthMm: number; heightMm: number },
): [number, number, number, number, number, number] {
  const rad = turnDeg / DEG
  const [cos, sin] = [Math.round(Math.cos(rad)), Math.round(Math.sin(rad))]
  const flip = isMirrored ? -1 : 1
  const [a, b, c, d] = [cos * flip, sin * flip, -sin, cos]
  // The upper left corner of the turned drawing lies in that of the picture, before it is moved.
  const xs = [0, a * sheet.widthMm, c * sheet.heightMm, a * sheet.widthMm + c * sheet.heightMm]
  const ys = [0, b * sheet.widthMm, d * sheet.heightMm, b * sheet.widthMm + d * sheet.heightMm]
  const [e, f] = [dxMm - Math.min(...xs), dyMm - Math.min(...ys)]
  return [a * pxPerMmX, b * pxPerMmY, c * pxPerMmX, d * pxPerMmY, e * pxPerMmX, f * pxPerMmY]
}
