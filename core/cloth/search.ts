import { diceOf } from '../dice'
import { pack, type Parcel } from './pack'

/** The same order, shuffled. */
export function shuffled(order: readonly number[], dice: () => number): number[] {
  const out = [...order]
  for (let i = out.length - 1; i > 0; i--) {
    const k = Math.floor(dice() * (i + 1))
    ;[out[i], out[k]] = [out[k]!, out[i]!]
  }
  return out
}

/** The same order with two changed for each other, or one taken out and put in elsewhere. */
function disturbed(order: readonly number[], dice: () => number): number[] {
  const out = [...order]
  const pick = () => Math.floor(dice() * out.length)
  if (dice() < 0.5) {
    const [i, k] = [pick(), pick()]
    ;[out[i], out[k]] = [out[k]!, out[i]!]
  } else {
    const [taken] = out.splice(pick(), 1)
    out.splice(Math.floor(dice() * (out.length + 1)), 0, taken!)
  }
  return out
}

export interface Search {
  parcels: readonly Parcel[]
  rowCount: number
  repeatMm: number
  /** Orders to begin with: the largest first, the longest first. */
  begin: readonly number[][]
  seed: number
  /** Most orders that are tried; and whether to go on after so many. */
  rounds: number
  goOn?: (round: number, bestMm: number) => boolean
}

/** After so many orders for each parcel that were no better, the search begins anew from a thrown one. */
const PATIENCE = 3
/** So many of the best orders are given back: what is best in coarse rows need not be best in fine ones. */
const KEPT = 24

/**
 * The orders of packing that need the least length, best first: from some good ones, disturbed again and again, and begun anew where
 * that leads nowhere. The same seed gives the same answer.
 *
 * @returns none where one of the parcels has no place at all
 */
export function searchOrders({ parcels, rowCount, repeatMm, begin, seed, rounds, goOn = () => true }: Search): (readonly number[])[] {
  const dice = diceOf(seed)
  const seen = new Map<string, { order: readonly number[]; lengthMm: number }>()
  const bestMm = () => Math.min(...[...seen.values()].map((s) => s.lengthMm))
  let here: { order: readonly number[]; lengthMm: number } | null = null
  let idle = 0
  for (let round = 0; round < rounds && (round === 0 || goOn(round, bestMm())); round++) {
    const isNew: boolean = round < begin.length || here === null || idle >= PATIENCE * parcels.length
    const order: readonly number[] = begin[round] ?? (isNew ? shuffled(begin[0]!, dice) : disturbed(here!.order, dice))
    // From a new beginning every length will do; else nothing longer than what the search stands at.
    const tried = pack(parcels, order, rowCount, repeatMm, isNew ? Infinity : here!.lengthMm)
    if (!tried) {
      if (isNew) return []
      idle += 1
      continue
    }
    idle = isNew || tried.lengthMm < here!.lengthMm ? 0 : idle + 1
    here = { order, lengthMm: tried.lengthMm }
    seen.set(order.join(), here)
    if (seen.size > 2 * KEPT) for (const key of [...seen].sort((a, b) => b[1].lengthMm - a[1].lengthMm).slice(0, KEPT)) seen.delete(key[0])
  }
  return [...seen.values()]
    .sort((a, b) => a.lengthMm - b.lengthMm)
    .slice(0, KEPT)
    .map((s) => s.order)
}
