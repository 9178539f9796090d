import type { ZoneId } from '../measure'
import { sizeBeyond } from '../pattern'
import type { Worksheet, WorksheetRow } from './worksheet'

/** Zones whose size is cut; limbs follow the upper body. */
export const CUT_ZONES: readonly string[] = ['bust', 'waist', 'hip'] satisfies ZoneId[]

/** Most sizes that are drawn on beyond a range: further out the shapes no longer follow from the rules. */
const MOST_BEYOND = 6

/** The sizes that a worksheet wants cut, and how many have to be drawn on beyond the range for them (craft 4). */
export interface SizesToCut {
  up: number
  down: number
  /** The last step of the range, mm round the zone that lies furthest beyond it; null where the range is enough. */
  stepMm: { up: number; down: number } | null
  /** The size of a zone, by the id that it will have; undefined where none was chosen. */
  sizeOf(zone: ZoneId): string | undefined
}

export function sizesToCut(sheet: Worksheet): SizesToCut {
  const rows = sheet.rows.filter((r) => CUT_ZONES.includes(r.zone.id))
  const beyond = (r: WorksheetRow) => Math.max(-MOST_BEYOND, Math.min(MOST_BEYOND, r.chosen?.beyond ?? 0))
  const up = Math.max(0, ...rows.map(beyond))
  const down = Math.max(0, ...rows.map((r) => -beyond(r)))
  const widest = rows.find((r) => beyond(r) !== 0)
  const mm = widest?.sizes.map((s) => s.mm) ?? []
  return {
    up,
    down,
    stepMm: widest ? { up: Math.round(mm[mm.length - 1]! - mm[mm.length - 2]!), down: Math.round(mm[1]! - mm[0]!) } : null,
    sizeOf(zone) {
      const row = rows.find((r) => r.zone.id === zone)
      return row?.chosen ? sizeBeyond(row.chosen.sizeId, beyond(row)) : undefined
    },
  }
}
