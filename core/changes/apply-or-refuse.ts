import { bounded } from '../budget'
import { measureGarment } from '../measure'
import type { Garment } from '../pattern'
import { ok, refuse, type Problem, type Result } from '../result'
import { lengthToken, limitToken } from '../units'
import { findBrokenFigure } from './check-outlines'
import { findLargest } from './find-largest'
import { settleNotches } from './settle-notches'
import { easeCautions } from './shared/held-pairs'
import { onOneSide } from './shared/one-side'
import type { Applied, ChangeContext, ChangeKind } from './types'

/** Steps that one application may take: eight sizes of a dress need a twentieth of it; all of it takes a second or two. */
const STEPS = 500_000
/** Steps for finding what could be offered in place of what is refused. */
const OFFER_STEPS = 200_000

type Kind = ChangeKind<unknown>

/** Applies a change, and measures what came out: a result that cannot be measured is no result. */
function attempt(kind: Kind, garment: Garment, inputs: unknown, context: ChangeContext): Result<Applied> {
  const done = kind.apply(garment, kind.onItsSide?.(garment, inputs) ?? inputs, context)
  const side = kind.sideOf?.(inputs) ?? 'both'
  const applied = done.ok && side !== 'both' ? onOneSide(garment, done.value, side, context.sizeId) : done
  if (!applied.ok) return applied
  const broken = findBrokenFigure(garment, applied.value.garment)
  if (broken !== null) return refuse('not-finite', broken, 'a line would run off to where no paper is.', 'Try a smaller figure.')
  const settled = settleNotches(garment, applied.value)
  measureGarment(settled.garment, context.sizeId, context.sizing)
  const left = settled.setsEase ? [] : easeCautions(garment, settled.garment, context.sizeId)
  return ok(left.length === 0 ? settled : { ...settled, cautions: [...settled.cautions, ...left] })
}

/** The inputs with the largest amount that works in place of what was asked; null for a kind that has none to set. */
export function withLargest(kind: Kind, garment: Garment, inputs: unknown, mm: number, context: ChangeContext): unknown {
  return kind.withLargest?.(garment, inputs, mm, context) ?? kind.withAmount?.(garment, inputs, mm, context) ?? null
}

/** A refusal whose offer was tried: what it offers works, else something smaller is offered, or nothing. */
function offerWhatWorks(kind: Kind, garment: Garment, inputs: unknown, problem: Problem, context: ChangeContext): Problem {
  const { largestMm } = problem
  if (largestMm === undefined) return problem
  const works = (mm: number) => {
    const tried = withLargest(kind, garment, inputs, mm, context)
    return tried === null || (kind.schema.safeParse(tried).success && attempt(kind, garment, tried, context).ok)
  }
  const found = bounded(kind.title, () => ok(largestMm !== 0 && works(largestMm) ? largestMm : findLargest(largestMm, works)), OFFER_STEPS)
  const { largestMm: _, ...rest } = problem
  if (!found.ok) return { ...rest, remedy: 'Try a much smaller figure.' }
  if (found.value === 0) return { ...rest, remedy: 'No amount works here: choose another place, or leave it out.' }
  if (found.value === largestMm) return problem
  const [was, is] = [Math.abs(largestMm), Math.abs(found.value)]
  const remedy = problem.remedy.replace(limitToken(was), limitToken(is)).replace(lengthToken(was), limitToken(is))
  return { ...problem, remedy, largestMm: found.value }
}

/**
 * Applies one change within a budget, or refuses it with the largest amount that works, tried. A mistake of the program in
 * one change refuses that stop alone, so that the garment still opens and the others still run.
 */
export function applyOrRefuse(kind: Kind, garment: Garment, inputs: unknown, context: ChangeContext): Result<Applied> {
  try {
    const applied = bounded(kind.title, () => attempt(kind, garment, inputs, context), STEPS)
    return applied.ok ? applied : { ok: false, problem: offerWhatWorks(kind, garment, inputs, applied.problem, context) }
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error)
    return refuse(
      'program-fault',
      kind.title,
      `the program itself failed at this stop (${detail}).`,
      'Set another figure or switch it off: the rest of the plan is worked out without it.',
    )
  }
}
