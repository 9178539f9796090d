import type { MeasureSet } from '../body'
import type { Garment } from '../pattern'
import { lengthToken } from '../units'
import { sizeWords } from './list-to-trace'
import { SCHOOLS, type School, type Sizing } from './schema'
import { makeWorksheet } from './worksheet'

/** What one way of choosing the size leads to. */
export interface SchoolOutcome {
  school: School
  /** The size of each zone that has one, in words. */
  sizes: { zoneId: string; zoneName: string; size: string }[]
  /** What one should know of it, a sentence with lengths as tokens; null where there is nothing. */
  says: string | null
}

const ZONES = ['bust', 'waist', 'hip']

/** A shoulder and neck cut more steps too large than this do not fit. */
const STEPS_TOO_LARGE = 1

/**
 * What each school would lead to on this body, side by side (craft 4). By high bust everything above the bust is cut in the size of
 * the high bust; where another school cuts it more than one size larger, that is said.
 *
 * @param bought the pattern as bought
 */
export function compareSchools(garment: Garment, sizing: Sizing, set: MeasureSet | null, bought: Garment = garment): SchoolOutcome[] {
  if (garment.sizes.length < 2) return []
  const sheets = SCHOOLS.map((school) => makeWorksheet(garment, { ...sizing, school, chosen: {} }, set, bought))
  const place = (sheet: (typeof sheets)[number]): number | null => {
    const chosen = sheet.rows.find((r) => r.zone.id === 'bust')?.chosen
    return chosen ? garment.sizes.findIndex((s) => s.id === chosen.sizeId) + chosen.beyond : null
  }
  const byHighBust = place(sheets[SCHOOLS.indexOf('high-bust')]!)
  return sheets.map((sheet, i): SchoolOutcome => {
    const school = SCHOOLS[i]!
    const sizes = sheet.rows.flatMap((r) =>
      r.chosen && ZONES.includes(r.zone.id) ? [{ zoneId: r.zone.id, zoneName: r.zone.name, size: sizeWords(garment, r.chosen) }] : [],
    )
    const at = place(sheet)
    const over = at === null || byHighBust === null ? 0 : at - byHighBust
    const missing = sheet.rows.find((r) => r.zone.id === 'bust')?.remainderMm ?? 0
    const says =
      over > STEPS_TOO_LARGE
        ? `Shoulder and neck would be cut ${over} sizes larger than the high bust asks.`
        : school === 'high-bust' && missing > STEP_MM
          ? `The full bust needs ${lengthToken(missing)} more than this size gives: a cup or a fuller bust gives it.`
          : null
    return { school, sizes, says }
  })
}

/** Less than this round the bust is taken up by the side seams without a word, mm. */
const STEP_MM = 20
