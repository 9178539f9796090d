import { bounded } from '../budget'
import type { Drawing } from '../formats'
import { checkGarment, type Garment } from '../pattern'
import { ok, type Result } from '../result'
import { ASIDES } from './asides'
import { buildNest } from './build-nest'
import { makeDrafts } from './make-drafts'
import { nestDrafts } from './nest-drafts'
import { proposeSeams } from './propose-seams'

/** The id of the size that every piece of a new garment has. */
export const BASE_SIZE = 'one'

/** A garment made of a drawing by first guesses alone, and what did not become a piece of it, with the reason. */
export interface BroughtIn {
  garment: Garment
  leftOut: { name: string; why: string }[]
  /** What was guessed of its pieces and may be otherwise. */
  doubts: { name: string; why: string }[]
}

/**
 * A drawing as a garment with nobody asked: every outline that can be used as it is, seams as proposed. Outlines in trouble,
 * frames, and pieces without a grain are named and left out.
 */
export function bringIn(drawing: Drawing, times = 1): Result<BroughtIn> {
  const drafts = makeDrafts(drawing, times)
  if (!drafts.ok) return drafts
  return bounded('drawing', () => {
    const leftOut: BroughtIn['leftOut'] = []
    const built = drafts.value.flatMap(({ draft, trouble, aside }) => {
      const left = (why: string) => (leftOut.push({ name: draft.name, why }), [])
      if (aside) return left(`${ASIDES[aside].what}.`)
      if (trouble) return left(TROUBLES[trouble.code](trouble.at.x.toFixed(0), trouble.at.y.toFixed(0)))
      const piece = buildNest(draft, BASE_SIZE)
      return piece.ok ? [{ piece: piece.value, draft }] : left(`${piece.problem.message} ${piece.problem.remedy}`)
    })
    const sound = built.filter(({ piece, draft }) => {
      const alone = checkGarment({ ...nestDrafts([{ piece, draft }], BASE_SIZE), seams: [] })
      if (alone) leftOut.push({ name: draft.name, why: alone.message })
      return !alone
    })
    const garment: Garment = { ...nestDrafts(sound, BASE_SIZE), seams: [] }
    const doubts = drafts.value.flatMap((d) =>
      garment.pieces.some((p) => p.id === d.draft.id) ? d.doubts.map((why) => ({ name: d.draft.name, why })) : [],
    )
    return ok({ garment: { ...garment, seams: proposeSeams(garment) }, leftOut, doubts })
  })
}

const TROUBLES = {
  open: (x: string, y: string) => `its outline is open at ${x}, ${y} mm.`,
  crosses: (x: string, y: string) => `its outline crosses itself at ${x}, ${y} mm.`,
  'too-fine': () => 'its outline is drawn in more parts than can be worked with.',
}
