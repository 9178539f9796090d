import { foldPlan, type ChangeContext, type FoldedPlan } from '../changes'
import type { Garment } from '../pattern'
import { makeWorksheet, type Worksheet } from '../size'
import { ownStops } from './lay-on-plan'
import { tracedFor } from './plan-sizes'

/**
 * A plan without the stops that give each zone its size: what a worksheet is made of, so that it takes nothing twice.
 * @param known the same of before, whose stops are used again where nothing in them changed
 */
export function foldOwnStops(folded: FoldedPlan, context: ChangeContext, known?: FoldedPlan): FoldedPlan {
  const plan = folded.stops.map((s) => s.change)
  const first = ownStops(plan)
  return first.length === plan.length ? folded : foldPlan(folded.base, first, context, known)
}

/** The pieces that will be traced for a body, and the worksheet that is made of them. */
export interface SizedUp {
  traced: Garment
  sheet: Worksheet
}

/**
 * Sizes a garment up for a body: the pieces with the pattern’s own one for the body’s cup, where it has one, and the worksheet on them.
 * What is printed on the pattern was printed for the pieces as bought, and is compared with those.
 * @param before the pieces as the stops leave them that do not give the sizes
 */
export function sizeUp(before: Garment, context: ChangeContext): SizedUp {
  const { sizing, body, bought = before } = context
  const traced = tracedFor(before, context)
  const sheet = makeWorksheet(traced, sizing, body, bought)
  if (traced === bought) return { traced, sheet }
  const printed = new Map(makeWorksheet(bought, sizing, body).rows.map((r) => [r.zone.id, r.disagree]))
  return { traced, sheet: { ...sheet, rows: sheet.rows.map((r) => ({ ...r, disagree: printed.get(r.zone.id) ?? [] })) } }
}
