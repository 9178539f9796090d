import { SAME_PARAMETER, SAME_POINT_MM } from '../tolerances'
import type { Bands } from './bands'

/** One way in which something may lie: turned, or turned over. */
export interface Way {
  /** Its bands, in the height that the packing works in. */
  bands: Bands
  /** The first row in which it may begin, and the last; both the same for what lies on the fold. */
  firstRow: number
  lastRow: number
  /** From one row in which it may begin to the next: more than one where stripes run along the cloth. */
  rowStep: number
  /** Across the cloth, where its first band begins, mm. */
  lowMm: number
  /** Where it may lie along the cloth: at this place, and every repeat after it; no repeat is anywhere, mm. */
  phaseMm: number
}

/** Something to be packed, in each way that is allowed. */
export type Parcel = readonly Way[]

export interface Packed {
  way: number
  row: number
  /** Along the cloth, mm. */
  xMm: number
}

/** What is taken of each row across the cloth: stretches along it, in order. */
type Rows = { from: number[]; to: number[] }[]

/**
 * The first place along the cloth at which something fits into some rows, mm; Infinity beyond a limit. Where it meets what lies there
 * it goes on behind it, until it meets nothing: what only touches does not meet, or a stripe that is reached to the last place behind the
 * point would be tried for ever.
 */
function firstPlace(rows: Rows, { bands, phaseMm }: Way, row: number, repeatMm: number, limitMm: number): number {
  const onStripe = (x: number) => (repeatMm === 0 ? x : phaseMm + Math.ceil((x - phaseMm) / repeatMm - SAME_PARAMETER) * repeatMm)
  let x = onStripe(-bands.leastMm)
  const count = bands.from.length
  for (let clear = 0, k = 0; clear < count; k = (k + 1) % count) {
    const taken = rows[row + k]!
    let isClear = true
    for (let i = 0; i < taken.from.length; i++) {
      if (taken.to[i]! <= x + bands.from[k]! + SAME_POINT_MM) continue
      if (taken.from[i]! >= x + bands.to[k]! - SAME_POINT_MM) break
      x = onStripe(taken.to[i]! - bands.from[k]!)
      isClear = false
    }
    if (x + bands.mostMm > limitMm) return Infinity
    clear = isClear ? clear + 1 : 1
  }
  return x
}

function take(rows: Rows, { bands }: Way, row: number, x: number): void {
  for (let k = 0; k < bands.from.length; k++) {
    const { from, to } = rows[row + k]!
    const [a, b] = [x + bands.from[k]!, x + bands.to[k]!]
    let i = from.length
    while (i > 0 && from[i - 1]! > a) i--
    from.splice(i, 0, a)
    to.splice(i, 0, b)
  }
}

/**
 * Packs parcels one after the other, each where it ends soonest along the cloth, and as low across it as that allows; also into gaps
 * between what lies there.
 *
 * @returns where each lies, in the order of the parcels, and the length that is needed; null where one has no place, or the length
 *   goes beyond the limit
 */
export function pack(
  parcels: readonly Parcel[],
  order: readonly number[],
  rowCount: number,
  repeatMm: number,
  limitMm = Infinity,
): { placed: Packed[]; lengthMm: number } | null {
  const rows: Rows = Array.from({ length: rowCount }, () => ({ from: [], to: [] }))
  const placed: Packed[] = []
  let lengthMm = 0
  for (const index of order) {
    let best: (Packed & { endMm: number }) | null = null
    parcels[index]!.forEach((way, w) => {
      for (let row = way.firstRow; row <= way.lastRow; row += way.rowStep) {
        const xMm = firstPlace(rows, way, row, repeatMm, best ? Math.min(limitMm, best.endMm) : limitMm)
        const endMm = xMm + way.bands.mostMm
        if (endMm < (best?.endMm ?? Infinity)) best = { way: w, row, xMm, endMm }
      }
    })
    // Read through a name of its own: what is set within the loop is not seen otherwise.
    const found = best as (Packed & { endMm: number }) | null
    if (!found) return null
    take(rows, parcels[index]![found.way]!, found.row, found.xMm)
    placed[index] = found
    lengthMm = Math.max(lengthMm, found.endMm)
  }
  return { placed, lengthMm }
}
