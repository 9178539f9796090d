import { findPiece, dartFigures, shapeOf, type Garment, sideLength } from '../../pattern'
import { findZones, finishedMm } from '../../measure'
import { EQUAL_MM, GRADE_MM, SEAM_KEPT_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import { holdMeasure } from '../shared/held'
import type { Caution, ChangeContext, HeldPromise } from '../types'
import { drawnSizes } from './grade-garment'
import { askedPart, growthByRules } from './rules'
import type { GradeInputs } from './schema'

/** What a grade holds in every size that it makes: growth as asked, cap ease, darts, seams that matched. All measured. */
export function heldByGrade(before: Garment, after: Garment, inputs: GradeInputs, { sizeId, lookedAt }: ChangeContext): HeldPromise[] {
  const { below, above } = drawnSizes(before, inputs, lookedAt)
  const made = [...below, ...above]
  const held: HeldPromise[] = []
  for (const zone of findZones(before).filter((z) => z.id === 'bust' || z.id === 'waist' || z.id === 'hip')) {
    // Over a panel seam a level is met where both its edges have grown, a little aside.
    const allowedMm = zone.parts.some((p) => p.by === 'seam') ? SEAM_KEPT_MM : GRADE_MM
    for (const size of made) {
      const grew = finishedMm(after, zone, size.id) - finishedMm(before, zone, size.fromId)
      const asked =
        size.totalMm *
        askedPart(
          before,
          zone.parts.map((p) => p.pieceId),
          inputs,
        )
      held.push(holdMeasure(`${zone.name} grows as asked`, `size ${size.name}`, asked, grew, allowedMm))
    }
  }
  for (const seam of before.seams) {
    const surplus = (g: Garment, id: string) => sideLength(g, seam, 0, id) - sideLength(g, seam, 1, id)
    // One line a seam: the size that strays furthest stands for all; without sizes, the seam as it is.
    const list =
      made.length > 0
        ? made.map((s) => ({ name: s.name, was: surplus(before, s.fromId), is: surplus(after, s.id) }))
        : [{ name: '', was: surplus(before, sizeId), is: surplus(after, sizeId) }]
    const worst = list.reduce((a, b) => (Math.abs(b.is - b.was) > Math.abs(a.is - a.was) ? b : a))
    const eased = seam.wantedEase.minMm !== 0 || seam.wantedEase.maxMm !== 0
    held.push(
      holdMeasure(
        `${seam.name}, ${eased ? 'ease' : 'difference of its sides'}`,
        worst.name ? `size ${worst.name}, worst of all` : 'as it is',
        worst.was,
        worst.is,
        SEAM_KEPT_MM,
      ),
    )
  }
  for (const piece of before.pieces)
    for (const dart of piece.darts)
      for (const size of made) {
        const was = dartFigures(piece, shapeOf(piece, size.fromId), dart)
        const is = dartFigures(piece, shapeOf(findPiece(after, piece.id)!, size.id), dart)
        held.push(holdMeasure(`${dart.name}, intake`, `${piece.name}, size ${size.name}`, was.intakeMm, is.intakeMm, EQUAL_MM))
      }
  return held
}

/** Rules whose parts do not add up to the interval. */
export function gradeCautions(garment: Garment, inputs: GradeInputs): Caution<GradeInputs>[] {
  const part = growthByRules(garment, inputs)
  const cautions: Caution<GradeInputs>[] = []
  if (part > 0 && Math.abs(part - 1) > EQUAL_MM)
    cautions.push({
      code: 'rules-off',
      message: `By these rules the body grows by ${lengthToken(inputs.intervalMm * part)} from size to size, not by ${lengthToken(inputs.intervalMm)}: the parts at the sides add up to ${part.toFixed(3)} of the interval instead of 1.`,
      mend: { label: 'Use our own rules', inputs: { ...inputs, rules: {} } },
    })
  return cautions
}
