import { begunOn, findKind, newStop, type Change, type ChangeContext, type NewChange } from '../changes'
import type { Garment } from '../pattern'
import { ok, refuse, type Result } from '../result'

/** A change that several garments of one wearer had in common. */
export interface CommonStop {
  kind: string
  title: string
  /** The middle one of the amounts, mm; null for a change without. */
  amountMm: number | null
  /** In how many garments, of how many that it could have been made on. */
  in: number
  of: number
  /** The garments, by name. */
  garments: string[]
  /** The stop with the middle amount: another garment begins with its like. */
  like: Change
}

/** A garment of the wearer with its stops, those that are switched off left out. */
export interface WornGarment {
  name: string
  garment: Garment
  stops: readonly Change[]
}

/** A change is common from so many garments on. */
const COMMON_FROM = 2

const middle = <T>(sorted: readonly T[]): T => sorted[Math.floor((sorted.length - 1) / 2)]!

/**
 * What the garments of a wearer had in common: “forward shoulder 10 mm in four of five”. Stops are alike when they are of one kind and
 * go the same way; how much is the middle one of what was taken. What the worksheet planned from the body’s figures is planned anew for each garment, and left out.
 */
export function commonStops(worn: readonly WornGarment[]): CommonStop[] {
  const groups = new Map<string, { worn: WornGarment; stop: Change; amountMm: number | null; title: string }[]>()
  for (const one of worn)
    for (const stop of one.stops) {
      const kind = findKind(stop.kind as string)
      if (!stop.on || !kind || stop.from === 'body' || kind.phase === 'true' || kind.phase === 'trace') continue
      const { title, amountMm, isPlace } = kind.describe(one.garment, stop.inputs)
      if (isPlace) continue
      const key = `${stop.kind} ${Math.sign(amountMm ?? 0)}`
      const known = groups.get(key) ?? []
      // One garment counts once, with its first.
      if (!known.some((k) => k.worn === one)) groups.set(key, [...known, { worn: one, stop, amountMm, title }])
    }
  return [...groups.values()]
    .filter((list) => list.length >= COMMON_FROM)
    .map((list): CommonStop => {
      const like = middle([...list].sort((a, b) => (a.amountMm ?? 0) - (b.amountMm ?? 0)))
      return {
        kind: like.stop.kind,
        title: like.title,
        amountMm: like.amountMm,
        in: list.length,
        of: worn.length,
        garments: list.map((l) => l.worn.name),
        like: like.stop,
      }
    })
    .sort((a, b) => b.in - a.in)
}

/**
 * The same change as it begins on another garment, with the middle amount.
 * @param words where it comes from, for its note
 */
export function beginLike(common: CommonStop, garment: Garment, context: ChangeContext, words: string): Result<NewChange> {
  const kind = findKind(common.kind)
  if (!kind) return refuse('unknown-change', common.title, 'this version does not know it.', 'Make it by hand.')
  const begun = begunOn(kind, garment, context)
  if (!begun.ok) return begun
  const inputs = common.amountMm === null ? begun.value : (kind.withAmount?.(garment, begun.value, common.amountMm, context) ?? begun.value)
  if (!kind.schema.safeParse(inputs).success)
    return refuse('no-place', common.title, 'it is too large for this garment.', 'Make it by hand.')
  return ok(newStop(kind.kind, inputs, words))
}
