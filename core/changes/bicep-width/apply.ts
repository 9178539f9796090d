import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import {
  armholesWithSleeve,
  bicepPieces,
  fitArmholes,
  measureArmhole,
  openBicep,
  settleCapMarks,
  settleCapsInSizes,
  type ArmholeFit,
  type OpenedPiece,
  type SleevedArmhole,
} from '../../seams'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByBicep } from './held'
import { playBicep } from './moves'
import type { BicepWidthInputs } from './schema'

/** What was done in one size. */
export interface BicepDone {
  opened: OpenedPiece[]
  /** How much the whole cap has grown, mm. */
  capGrewMm: number
  moves: ArmholeFit['moves'] | null
}

/** Each piece's part of an amount: in proportion to its width at the bicep (craft 6.10, worked case 15). */
export const shareByWidth = (amountMm: number, widthsMm: readonly number[]): number[] => {
  const whole = widthsMm.reduce((a, b) => a + b, 0)
  return widthsMm.map((mm) => (amountMm * mm) / whole)
}

/** Sleeve opened, armhole made to match, notches set: in every size. */
export function changeBicep(garment: Garment, inputs: BicepWidthInputs): Result<{ garment: Garment; done: Map<string, BicepDone> }> {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return pairs
  const done = new Map<string, BicepDone>()
  let drawn = garment
  if (inputs.amountMm === 0) return ok({ garment, done })
  for (const size of garment.sizes) {
    const opened: OpenedPiece[] = []
    // A sleeve that is sewn into both armholes is opened once.
    const seen = new Set<string>()
    for (const armhole of pairs.value) {
      const pieces = bicepPieces(garment, armhole, size.id)
      const widths = pieces.map((p) => p.widthMm)
      for (const [i, mm] of shareByWidth(inputs.amountMm, widths).entries()) {
        const piece = pieces[i]!
        if (seen.has(piece.piece.id)) continue
        seen.add(piece.piece.id)
        const one = openBicep(drawn, size.id, piece, mm)
        if (!one.ok) return one
        drawn = one.value.garment
        opened.push(one.value.opened)
      }
    }
    const sleeved = drawn
    const grewOf = (armhole: SleevedArmhole) => {
      const [was, is] = [measureArmhole(garment, armhole, size.id), measureArmhole(sleeved, armhole, size.id)]
      return is.cap.front + is.cap.back - was.cap.front - was.cap.back
    }
    const capGrewMm = grewOf(pairs.value[0]!)
    if (inputs.armhole === 'stays') {
      for (const armhole of pairs.value) drawn = settleCapMarks(garment, drawn, armhole, size.id, size.id)
      done.set(size.id, { opened, capGrewMm, moves: null })
      continue
    }
    // Half of what the cap has grown by for the front armhole, half for the back (craft 6.10, worked case 16).
    const wanted = (armhole: SleevedArmhole) => {
      const { front, back } = measureArmhole(garment, armhole, size.id).armhole
      return { front: front + grewOf(armhole) / 2, back: back + grewOf(armhole) / 2 }
    }
    const fitted = fitArmholes(drawn, pairs.value, size.id, wanted, inputs.armhole)
    if (!fitted.ok) return fitted
    drawn = fitted.value.garment
    done.set(size.id, { opened, capGrewMm, moves: fitted.value.moves })
  }
  if (inputs.armhole === 'stays') return ok({ garment: drawn, done })
  const settled = settleCapsInSizes(garment, drawn)
  return settled.ok ? ok({ garment: settled.value.garment, done }) : settled
}

/**
 * Makes a sleeve fuller or slimmer at the bicep, and the armhole with it (craft 6.10): each piece of the sleeve is opened by its share,
 * hinged at the wrist; the armhole grows by half of what the cap has grown by, front and back.
 * Refuses: a garment without a sleeve sewn into an armhole, an amount that no piece is wide enough for, that the side seam has no
 * room for, or that crosses an outline (with the largest that works).
 */
export function applyBicepWidth(garment: Garment, inputs: BicepWidthInputs, context: ChangeContext): Result<Applied<BicepWidthInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return pairs
  const slimmer = inputs.amountMm < 0
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => changeBicep(g, { ...inputs, amountMm }),
    (mm) =>
      `Here the bicep can be ${limitToken(Math.abs(mm))} ${slimmer ? 'slimmer' : 'fuller'} at most${inputs.armhole === 'lower' ? '; or lead the armhole outward too' : ''}.`,
  )
  if (!done.ok) return done
  const { garment: after, done: sizes } = done.value
  const shown = sizes.get(context.sizeId)
  const sleeves = new Set(bicepPieces(garment, pairs.value[0]!, context.sizeId).map((p) => p.piece.id))
  return ok({
    garment: after,
    touched: touchedBy(garment, after, [...sleeves]),
    leftOut: [],
    held: heldByBicep(garment, after, inputs, shown, context.sizeId),
    cautions: shown ? cautionsOf(garment, inputs, shown, context.sizeId) : [],
    moves: shown ? playBicep(shown.opened) : [],
    setsEase: inputs.armhole === 'stays',
  })
}

function cautionsOf(garment: Garment, inputs: BicepWidthInputs, done: BicepDone, sizeId: string): Caution<BicepWidthInputs>[] {
  const grew = `The cap has ${done.capGrewMm >= 0 ? 'grown' : 'shrunk'} by ${lengthToken(Math.abs(done.capGrewMm))}`
  if (inputs.armhole === 'stays')
    return [
      {
        code: 'cap-ease-changed',
        message: `${grew}, and with the armhole left as it is that is ease to be eased in.`,
        mend: { label: 'Let the armhole follow', inputs: { ...inputs, armhole: wayFor(garment, inputs.amountMm, sizeId) } },
      },
    ]
  const move = done.moves?.front
  const down = move ? `; the underarm went ${lengthToken(Math.abs(move.downMm))} ${move.downMm >= 0 ? 'down' : 'up'}` : ''
  const out = move && move.outMm !== 0 ? ` and ${lengthToken(Math.abs(move.outMm))} ${move.outMm > 0 ? 'outward' : 'inward'}` : ''
  return [{ code: 'cap-grew', message: `${grew}, each half of the armhole by half of that${down}${out}.` }]
}

/** Up to this share a piece the armhole is lowered alone; above it, and to make it shorter, it is led outward too (craft 6.10), mm. */
const LOWER_UP_TO_MM = 13

/** The school for an amount. */
export function wayFor(garment: Garment, amountMm: number, sizeId: string): 'lower' | 'out' {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok || amountMm < 0) return 'out'
  const widths = bicepPieces(garment, pairs.value[0]!, sizeId).map((p) => p.widthMm)
  return Math.max(...shareByWidth(amountMm, widths)) < LOWER_UP_TO_MM ? 'lower' : 'out'
}
