import { differenceToken, lengthToken } from '../units'
import { figureMm } from './figures'
import { BODY_MEASURES, findMeasure } from './measures'
import type { MeasureSet } from './schema'

/** A figure that is asked about, never refused: what it is and what it contradicts. Lengths as tokens. */
export interface Doubt {
  measureId: string
  /** The measures it contradicts; empty when it is odd by itself. */
  against: string[]
  message: string
}

/** The two sides of one body seldom differ by more than this, mm. */
const SIDES_MM = 25

/** A body seldom changes by more than this part between two sets. */
const CHANGE_PART = 0.12

/** Pairs in which the first is usually not larger than the second times a factor. */
const NOT_OVER: readonly [string, string, number][] = [
  ['high-bust', 'bust', 1.03],
  ['waist', 'bust', 1.25],
  ['waist', 'hip', 1.2],
  ['neck', 'high-bust', 0.6],
  ['bicep', 'thigh', 1],
  ['knee', 'thigh', 1],
  ['heel', 'thigh', 1],
  ['underarm-to-waist', 'back-neck-to-waist', 0.75],
  ['back-neck-to-waist', 'front-to-waist', 1.05],
  ['waist-to-hip', 'waist-to-knee', 0.6],
  ['waist-to-knee', 'waist-to-hem-side', 2.2],
  ['back-neck-to-waist', 'back-neck-to-hem', 1],
]

/**
 * Figures of a set that are asked about: outside what bodies usually measure, at odds with one another, sides that
 * differ much, or far from the set before.
 *
 * @param previous the wearer's set before this one, if there is one
 */
export function findDoubts(set: MeasureSet, previous: MeasureSet | null = null): Doubt[] {
  const doubts: Doubt[] = []
  const nameOf = (id: string) => (findMeasure(id)?.name ?? id).toLowerCase()
  const asked = new Set<string>()
  for (const m of BODY_MEASURES) {
    const mm = figureMm(set, m.id)
    if (mm === undefined || (mm >= m.usual.fromMm && mm <= m.usual.toMm)) continue
    asked.add(m.id)
    doubts.push({
      measureId: m.id,
      against: [],
      message: `${m.name} ${lengthToken(mm)}: usually it lies between ${lengthToken(m.usual.fromMm)} and ${lengthToken(m.usual.toMm)}. Is it typed in the unit you meant?`,
    })
  }
  for (const [small, large, factor] of NOT_OVER) {
    const a = figureMm(set, small)
    const b = figureMm(set, large)
    // A figure that is odd by itself would only be asked about twice.
    if (a === undefined || b === undefined || a <= b * factor || asked.has(small) || asked.has(large)) continue
    doubts.push({
      measureId: small,
      against: [large],
      message: `${findMeasure(small)!.name} ${lengthToken(a)} and ${nameOf(large)} ${lengthToken(b)} do not often go together. Measure both again?`,
    })
  }
  for (const [id, figure] of Object.entries(set.figures)) {
    if ('leftMm' in figure && Math.abs(figure.leftMm - figure.rightMm) > SIDES_MM)
      doubts.push({
        measureId: id,
        against: [],
        message: `${findMeasure(id)?.name ?? id}: left ${lengthToken(figure.leftMm)} and right ${lengthToken(figure.rightMm)} differ by ${differenceToken(figure.leftMm, figure.rightMm)}. Is that so?`,
      })
    const was = figureMm(previous, id)
    const is = figureMm(set, id)!
    if (was !== undefined && !asked.has(id) && Math.abs(is - was) > was * CHANGE_PART)
      doubts.push({
        measureId: id,
        against: [],
        message: `${findMeasure(id)?.name ?? id} was ${lengthToken(was)} on ${previous!.takenOn} and is ${lengthToken(is)} now. Is that so?`,
      })
  }
  return doubts
}
