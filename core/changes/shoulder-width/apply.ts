import { add, distance, leftOf, line, measureLength, mix, placeAt, scale, subtract, unit, type Point } from '../../geometry'
import { cutPiece, partOfPlace, type Slash, type SlashEnd } from '../../moves'
import { edgePath, neighbours, shapeOf, type Garment, type Piece, type Shape, placeOnRun } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { lengthToken, limitToken } from '../../units'
import { distinctHalves, findArmholes, lengthenShoulder, settleCapsInSizes, whyNoArmhole } from '../../seams'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { playSwings, swingGarment, type Swing, type SwingPlan, type SwungPiece } from '../shared/swing-garment'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { armholeLength, shoulderEnds, whyNoShoulder, type ShoulderEnd } from '../shared/find-shoulders'
import { USUAL_PART } from './begin'
import type { ShoulderWidthInputs } from './schema'
import { smoothArmhole } from './smooth-armhole'
import { heldByShoulders } from './held'

/** The outer and the inner end of a shoulder edge, and the hinge, as points and as places. */
function placesOf(shape: Shape, end: ShoulderEnd, hingeMm: number) {
  const path = edgePath(shape, end.shoulder.id)
  const [start, last] = [path[0]!.from, path[path.length - 1]!.to]
  const hinge = placeOnRun(shape, end.armhole, end.reversed, hingeMm)
  return { inner: end.reversed ? last : start, tip: end.reversed ? start : last, lengthMm: measureLength(path), hinge }
}

/**
 * The angle that a shoulder swings through about its hinge so that the seam, redrawn straight, grows by an amount: the
 * law of cosines in the triangle of inner end, hinge and tip. NaN when no angle gives it.
 */
export function swingOf(shape: Shape, end: ShoulderEnd, hingeMm: number, amountMm: number): number {
  const { inner, tip, lengthMm, hinge } = placesOf(shape, end, hingeMm)
  const a = distance(inner, hinge.point)
  const b = distance(tip, hinge.point)
  const angleFor = (mm: number) => Math.acos((a * a + b * b - mm * mm) / (2 * a * b))
  return angleFor(lengthMm + amountMm) - angleFor(distance(inner, tip))
}

/** How far inside the straight way a slash is led round a hollow armhole, mm, tried one after the other. */
const DETOURS_MM = [15, 30, 45, 60, 80, 100]

/**
 * The cut from the shoulder to the hinge: straight, or bent inward past a hollow armhole. Where it runs between its ends
 * changes nothing of the outline: the part swings about the hinge.
 */
function slashTo(
  piece: Piece,
  shape: Shape,
  from: SlashEnd,
  fromPoint: Point,
  hinge: { edgeId: string; atMm: number; point: Point },
): Slash {
  const straight: Slash = { from, through: [], to: { edgeId: hinge.edgeId, atMm: hinge.atMm } }
  if (cutPiece(piece, shape, [straight]).ok) return straight
  const along = unit(subtract(hinge.point, fromPoint))
  const middle = mix(fromPoint, hinge.point, 0.5)
  for (const mm of DETOURS_MM)
    for (const aside of [leftOf(along), scale(leftOf(along), -1)]) {
      const bent = { ...straight, through: [add(middle, scale(aside, mm))] }
      if (cutPiece(piece, shape, [bent]).ok) return bent
    }
  return straight
}

function planShoulders(piece: Piece, shape: Shape, inputs: ShoulderWidthInputs): Result<SwingPlan | null> {
  const ends = shoulderEnds(piece)
  if (ends.length === 0 || inputs.amountMm === 0 || inputs.leftOut.includes(piece.id)) return ok(null)
  const swings: Swing[] = []
  for (const end of ends) {
    const room = armholeLength(shape, end)
    if (inputs.hingeMm >= room)
      return refuse(
        'hinge-beyond',
        `${piece.name}, ${end.armhole[0]!.name}`,
        `the hinge lies ${lengthToken(inputs.hingeMm)} down the armhole, which is only ${lengthToken(room)} long.`,
        'Move the hinge up.',
      )
    const { hinge, lengthMm } = placesOf(shape, end, inputs.hingeMm)
    const openRad = swingOf(shape, end, inputs.hingeMm, inputs.amountMm)
    if (!Number.isFinite(openRad))
      return refuse('amount-too-large', piece.name, 'no swing about this hinge gives such a shoulder.', 'Ask for less.')
    const from: SlashEnd = { edgeId: end.shoulder.id, atMm: lengthMm / 2 }
    const middle = placeAt(edgePath(shape, end.shoulder.id), lengthMm / 2).point
    swings.push({
      slash: slashTo(piece, shape, from, middle, hinge),
      hinge: hinge.point,
      openRad,
      label: 'cut from the shoulder, swing about the armhole',
    })
  }
  return ok({
    swings,
    fixed: (cut) => {
      const { shoulder, reversed } = ends[0]!
      return partOfPlace(cut, shoulder.id, reversed ? measureLength(edgePath(shape, shoulder.id)) : 0)
    },
    redraw: (moved) => {
      const ruled = ends.map(({ shoulder }) => {
        const path = edgePath(moved, shoulder.id)
        return [shoulder.id, [line(path[0]!.from, path[path.length - 1]!.to)]] as const
      })
      const smooth = ends.map((end) => {
        const { tip, inner } = placesOf(moved, end, inputs.hingeMm)
        return smoothArmhole(shape, end, inputs.hingeMm, tip, distance(inner, tip))
      })
      return { ...moved, edges: Object.assign({ ...moved.edges }, Object.fromEntries(ruled), ...smooth) as Shape['edges'] }
    },
  })
}

export const swingShoulders = (garment: Garment, inputs: ShoulderWidthInputs) =>
  swingGarment(garment, (piece, shape) => planShoulders(piece, shape, inputs))

/** Every shoulder run on or cut off along its own line in every size, the armholes redrawn to it, and the caps after them. */
function redrawShoulders(garment: Garment, inputs: ShoulderWidthInputs): Result<Drawn> {
  if (inputs.amountMm === 0) return ok({ garment, swung: new Map() })
  let drawn = garment
  for (const { runs } of distinctHalves(findArmholes(garment))) {
    if (inputs.leftOut.includes(runs[0]!.pieceId)) continue
    for (const size of garment.sizes) {
      const done = lengthenShoulder(drawn, runs, size.id, inputs.amountMm)
      if (!done.ok) return done
      drawn = done.value
    }
  }
  const settled = settleCapsInSizes(garment, drawn)
  return settled.ok ? ok({ garment: settled.value.garment, swung: new Map() }) : settled
}

/** The garment, and how the pieces were swung that were. */
interface Drawn {
  garment: Garment
  swung: ReadonlyMap<string, SwungPiece>
}

/**
 * Makes shoulders broader or narrower (craft 6.8), front and back alike. Where the armhole is kept: cut from the middle of the shoulder
 * seam to a hinge on the armhole, the outer part swung until the seam, redrawn straight, has grown by the amount; armhole and everything
 * below the hinge stay, so the sleeve still fits. Where it is redrawn: the seam grows along its own line, and the cap follows.
 * Refuses: a sleeve cut in one or a dropped shoulder, a hinge beyond the armhole, an amount that the seam or a swing does not give, that
 * a cap cannot follow or that crosses the outline (with the largest that works).
 */
export function applyShoulderWidth(
  garment: Garment,
  inputs: ShoulderWidthInputs,
  context: ChangeContext,
): Result<Applied<ShoulderWidthInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const isRedrawn = inputs.armhole === 'redrawn'
  const none = whyNoShoulder(garment, context.sizeId) ?? (isRedrawn ? whyNoArmhole(garment) : null)
  if (none) return none
  const way = inputs.amountMm < 0 ? 'shorter' : 'longer'
  const done = drawOrRefuse<Drawn>(
    garment,
    inputs.amountMm,
    (g, amountMm) => (isRedrawn ? redrawShoulders : swingShoulders)(g, { ...inputs, amountMm }),
    (mm) =>
      `Here the shoulder can be ${limitToken(Math.abs(mm))} ${way} at most${isRedrawn ? '.' : '; or move the hinge down the armhole.'}`,
    ['hinge-beyond', 'slash-beside-edge', 'slash-leaves-piece', 'slash-parts-nothing', 'slash-short', 'slashes-cross'],
  )
  if (!done.ok) return done
  const { garment: after, swung } = done.value
  const all = garment.pieces.filter((p) => shoulderEnds(p).length > 0)
  const about = all.filter((p) => !inputs.leftOut.includes(p.id)).map((p) => p.id)
  return ok({
    garment: after,
    touched: touchedBy(garment, after, about),
    leftOut: all.filter((p) => inputs.leftOut.includes(p.id)).map((p) => ({ pieceId: p.id, seamName: seamNameOf(garment, p) })),
    held: heldByShoulders(garment, after, inputs, context.sizeId),
    cautions: cautionsOf(garment, all, inputs),
    moves: [...swung].flatMap(([pieceId, one]) => playSwings(pieceId, one)),
  })
}

function seamNameOf(garment: Garment, piece: Piece): string {
  const shoulder = shoulderEnds(piece)[0]!.shoulder.id
  return garment.seams.find((s) => s.sides.flat().some((r) => r.pieceId === piece.id && r.edgeId === shoulder))?.name ?? 'shoulder seam'
}

function cautionsOf(garment: Garment, pieces: readonly Piece[], inputs: ShoulderWidthInputs): Caution<ShoulderWidthInputs>[] {
  const cautions: Caution<ShoulderWidthInputs>[] = []
  for (const piece of pieces) {
    if (inputs.leftOut.includes(piece.id))
      cautions.push({
        code: 'partner-left-out',
        message: `${piece.name} was left out: its shoulder no longer meets the other one.`,
        pieceId: piece.id,
        mend: { label: `Change ${piece.name} too`, inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => id !== piece.id) } },
      })
    const darted = shoulderEnds(piece).some(({ shoulder, reversed }) => {
      const { before, after } = neighbours(piece, shoulder.id)
      return (reversed ? after : before).role === 'dart-leg'
    })
    if (darted && inputs.amountMm !== 0 && inputs.armhole !== 'redrawn')
      cautions.push({
        code: 'dart-in-shoulder',
        message: `${piece.name}: a dart parts the shoulder; the outer part alone is changed. Fold the dart closed and see that the seam runs straight across it.`,
        pieceId: piece.id,
      })
  }
  if (inputs.armhole === 'redrawn') return cautions
  const shortest = Math.min(...pieces.flatMap((p) => shoulderEnds(p).map((e) => armholeLength(shapeOf(p, garment.baseSizeId), e))))
  if (inputs.hingeMm > shortest * DEEP_PART)
    cautions.push({
      code: 'hinge-deep',
      message: 'The hinge lies in the curve under the arm: higher up the armhole keeps its shape better.',
      mend: { label: 'Move it up', inputs: { ...inputs, hingeMm: Math.round(shortest * USUAL_PART) } },
    })
  return cautions
}

/** Further down than this part of the armhole it turns under the arm. */
const DEEP_PART = 0.75
