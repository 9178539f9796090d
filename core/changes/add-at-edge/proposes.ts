import { finishedMm, zoneOn } from '../../measure'
import type { Garment } from '../../pattern'
import type { AskedByBody } from '../types'
import type { AddAtEdgeInputs } from './schema'

/** Less than this at an edge is left as it is, mm: a pencil line on each side. */
const EDGE_MM = 0.5

/**
 * What the pieces still miss in each zone once the sizes are cut, or give too much: let out or taken in at the sides, alike on
 * every edge (craft 4).
 */
export function proposeRemainder(garmentNow: () => Garment, { context, sheet }: AskedByBody): { inputs: AddAtEdgeInputs; note: string }[] {
  const garment = garmentNow()
  const each = (zone: string): number => {
    const row = sheet.rows.find((r) => r.zone.id === zone)
    const now = zoneOn(garment, zone, context.sizing)
    if (row?.bodyMm == null || !row.chosen || !now) return 0
    const easeMm = finishedMm(garment, now, garment.baseSizeId, context.sizing.shiftsMm[zone]) - row.bodyMm
    return (row.wantedMm - easeMm) / row.edges
  }
  const inputs: AddAtEdgeInputs = { bustMm: each('bust'), waistMm: each('waist'), hipMm: each('hip') }
  if (Math.max(Math.abs(inputs.bustMm), Math.abs(inputs.waistMm), Math.abs(inputs.hipMm)) < EDGE_MM) return []
  return [{ inputs, note: 'What the sizes leave to be wished for in each zone, from the worksheet.' }]
}
