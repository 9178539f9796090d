import { lengthToken } from '../units'
import type { Garment } from '../pattern'

/** A gap or a jump in a size chart, in words with length tokens. */
export interface ChartFlaw {
  kind: 'gap' | 'backwards' | 'jump'
  measureId: string
  sizeId: string
  message: string
}

/** A step may grow toward the large sizes; one more than this many times its neighbour is asked about. */
const JUMP = 2

/**
 * Looks a size chart over: figures missing between others, sizes that do not grow, steps that jump.
 * @param chart figures by size id, then measure id, mm
 */
export function checkChart(sizes: Garment['sizes'], chart: Record<string, Record<string, number>>): ChartFlaw[] {
  const measures = [...new Set(Object.values(chart).flatMap((row) => Object.keys(row)))]
  return measures.flatMap((id): ChartFlaw[] => {
    const flaws: ChartFlaw[] = []
    const row = sizes.map((s) => ({ ...s, mm: chart[s.id]?.[id] }))
    const first = row.findIndex((r) => r.mm !== undefined)
    const last = row.findLastIndex((r) => r.mm !== undefined)
    for (const r of row.slice(first, last + 1))
      if (r.mm === undefined) flaws.push({ kind: 'gap', measureId: id, sizeId: r.id, message: `${id}: size ${r.name} has no figure.` })
    const known = row.filter((r) => r.mm !== undefined)
    const steps = known.slice(1).map((r, i) => ({ size: r, from: known[i]!, mm: r.mm! - known[i]!.mm! }))
    for (const [i, step] of steps.entries()) {
      if (step.mm <= 0)
        flaws.push({
          kind: 'backwards',
          measureId: id,
          sizeId: step.size.id,
          message: `${id}: size ${step.size.name} (${lengthToken(step.size.mm!)}) is not larger than size ${step.from.name} (${lengthToken(step.from.mm!)}).`,
        })
      const before = steps[i - 1]
      if (before && before.mm > 0 && step.mm > before.mm * JUMP)
        flaws.push({
          kind: 'jump',
          measureId: id,
          sizeId: step.size.id,
          message: `${id}: from size ${step.from.name} to ${step.size.name} it grows by ${lengthToken(step.mm)}, the step before only by ${lengthToken(before.mm)}.`,
        })
    }
    return flaws
  })
}
