import type { Garment } from '../pattern'
import { EQUAL_MM } from '../tolerances'
import type { Zoning } from './finished-measures'
import { measureGarment, type MeasureGroup } from './measure-garment'

/** One line of the ledger: a figure that moved. `null` where the thing measured was not there. */
export interface LedgerRow {
  id: string
  group: MeasureGroup
  label: string
  where: string
  beforeMm: number | null
  afterMm: number | null
}

const ORDER: MeasureGroup[] = ['finished', 'seam', 'width', 'edge', 'dart']

/** The ledger of a change or a whole plan: every figure that moved by more than 0.01 mm, measured on both garments. */
export function compareMeasures(before: Garment, after: Garment, sizeId: string, zoning: Zoning): LedgerRow[] {
  const old = new Map(measureGarment(before, sizeId, zoning).map((m) => [m.id, m]))
  const rows: LedgerRow[] = []
  for (const now of measureGarment(after, sizeId, zoning)) {
    const was = old.get(now.id)
    old.delete(now.id)
    if (was && Math.abs(was.mm - now.mm) <= EQUAL_MM) continue
    rows.push({ id: now.id, group: now.group, label: now.label, where: now.where, beforeMm: was?.mm ?? null, afterMm: now.mm })
  }
  for (const gone of old.values())
    rows.push({ id: gone.id, group: gone.group, label: gone.label, where: gone.where, beforeMm: gone.mm, afterMm: null })
  return rows.sort((a, b) => ORDER.indexOf(a.group) - ORDER.indexOf(b.group))
}
