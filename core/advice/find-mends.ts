import {
  CHANGE_KINDS,
  findKind,
  newStop,
  withInputs,
  type Change,
  type ChangeContext,
  type FoldedPlan,
  type Mismatch,
  type NewChange,
} from '../changes'
import { cornersAsSewn, walkGarment, type WalkedGarment, type WalkedSeam } from '../match'
import { findPiece, takeSize, type Garment } from '../pattern'

/** A change that would mend a fault: a new stop, or another version of one in the plan. */
export type Mend =
  /** `forEverybody`: the fault lies in the pattern as bought, and the stop mends it there, before all others. */
  | { how: 'add'; label: string; change: NewChange; forEverybody: boolean }
  | { how: 'edit'; label: string; change: Change }
  | { how: 'off'; label: string; changeId: string }

/** A folded plan that is looked through for faults: every garment in it is walked once. */
export interface Look {
  plan: FoldedPlan
  context: ChangeContext
  walk(garment: Garment): WalkedGarment
}

export function lookAt(plan: FoldedPlan, context: ChangeContext): Look {
  const walked = new Map<Garment, WalkedGarment>()
  return {
    plan,
    context,
    walk(garment) {
      const known = walked.get(garment) ?? walkGarment(garment, context.sizeId, context.tolerances)
      walked.set(garment, known)
      return known
    },
  }
}

/** Stops of the plan that left out a piece of this seam: including it again is the first mend to offer. */
function includeAgain(plan: FoldedPlan, seam: WalkedSeam): Mend[] {
  const pieces = new Set(seam.sides.flatMap((s) => s.parts.map((p) => p.pieceId)))
  return plan.stops.flatMap((stop): Mend[] => {
    const partners = findKind(stop.change.kind as string)?.leftOut
    const left = stop.applied?.leftOut.filter((l) => pieces.has(l.pieceId)) ?? []
    if (!partners || left.length === 0) return []
    const ids = new Set(left.map((l) => l.pieceId))
    const names = left.map((l) => findPiece(plan.garment, l.pieceId)?.name).join(' and ')
    const still = partners.of(stop.change.inputs).filter((id) => !ids.has(id))
    const change = withInputs(stop.change, partners.set(stop.change.inputs, still))
    return [{ how: 'edit', label: `Change ${names} too in “${stop.words.title}”`, change }]
  })
}

/** How many seams, marks, darts and corners of a garment are not good. */
function troubles(walked: WalkedGarment): number {
  const bad = (x: { verdict: string }) => x.verdict !== 'good'
  return [...walked.seams, ...walked.seams.flatMap((s) => s.marks), ...walked.darts, ...cornersAsSewn(walked)].filter(bad).length
}

/**
 * Does applying a change and measuring again show that fewer things are off? It is tried in the size that is shown first: of a
 * nest of twenty that is a twentieth of the work.
 */
function helps({ plan, context, walk }: Look, apply: (garment: Garment) => ReturnType<(typeof CHANGE_KINDS)[number]['apply']>): boolean {
  const shown = apply(takeSize(plan.garment, context.sizeId))
  if (!shown.ok) return false
  const left = troubles(walkGarment(shown.value.garment, context.sizeId, context.tolerances))
  return left < troubles(walk(plan.garment)) && apply(plan.garment).ok
}

/** Changes of the plan without which the same thing would be in order. */
function switchOff({ plan, walk }: Look, stillFaulty: (walked: WalkedGarment) => boolean): Mend[] {
  let before = plan.base
  for (const stop of plan.stops) {
    const wasFine = !stillFaulty(walk(before))
    if (stop.status === 'applied' && wasFine && stillFaulty(walk(stop.garment)))
      return [{ how: 'off', label: `Switch off “${stop.words.title}”`, changeId: stop.change.id }]
    before = stop.garment
  }
  return []
}

/** Is a fault there in the pattern as bought, and gone from it when the mend is done there? */
function mendsDraft({ plan, context, walk }: Look, mend: NewChange, stillFaulty: (walked: WalkedGarment) => boolean): boolean {
  if (!stillFaulty(walk(plan.base))) return false
  const mended = findKind(mend.kind as string)!.apply(plan.base, mend.inputs, context)
  return mended.ok && !stillFaulty(walk(mended.value.garment))
}

/**
 * What would mend a mismatch, best first: a partner that was left out taken in again, what the kinds of change offer for it (tried
 * and measured), the stop without which it would not be there.
 *
 * @param stillFaulty whether the same thing is off in another garment that was walked
 */
export function findMends(look: Look, mismatch: Mismatch, stillFaulty: (walked: WalkedGarment) => boolean): Mend[] {
  const { plan, context } = look
  const found = CHANGE_KINDS.flatMap((kind): Mend[] =>
    (kind.mends?.(plan.garment, mismatch, context) ?? []).flatMap(({ label, note, tries }): Mend[] => {
      // A mismatch of metres asks for more than a change may give.
      const inputs = tries.find((one) => kind.schema.safeParse(one).success && helps(look, (garment) => kind.apply(garment, one, context)))
      return inputs === undefined ? [] : [{ how: 'add', label, change: newStop(kind.kind, inputs, note, 'match'), forEverybody: false }]
    }),
  )
  const offered = found.map((m): Mend => (m.how === 'add' && mendsDraft(look, m.change, stillFaulty) ? { ...m, forEverybody: true } : m))
  const again = 'seam' in mismatch ? includeAgain(plan, mismatch.seam) : []
  return [...again, ...offered, ...switchOff(look, stillFaulty)]
}
