import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { makeWorksheet, NO_SIZING, SizingSchema } from '../size'
import { findPiece, shapeOf } from '../pattern'
import { finishedMm, newZone, ownZones, widthAt, zoneLevel } from './index'

const blouse = draftBlouse()
const zone = newZone(blouse, 'own-1', 'under the bust', null, ['front', 'back'], 100)!

describe('a zone of one’s own', () => {
  it('is measured across every piece it names, at a level below the upper corner of the side', () => {
    expect(SizingSchema.parse({ ...NO_SIZING, ownZones: [zone] }).ownZones).toEqual([zone])
    const [found] = ownZones(blouse, [zone])
    const width = (id: string) => {
      const piece = findPiece(blouse, id)!
      const part = found!.parts.find((p) => p.pieceId === id)!
      return widthAt(piece, shapeOf(piece, 'one'), zoneLevel(blouse, part, 'one')!)
    }
    // Two halves each: front and back are cut once, on the fold.
    expect(finishedMm(blouse, found!, 'one')).toBeCloseTo(2 * (width('front') + width('back')), 6)
    expect(found!.limb).toBe(false)
  })
  it('stands in the worksheet with its ease, and chooses no size by itself', () => {
    const held = { ...zone, measureId: 'waist' }
    const set = { id: 's', takenOn: '2026-01-01', note: '', figures: { waist: { mm: 800 } } }
    const row = makeWorksheet(blouse, { ...NO_SIZING, ownZones: [held] }, set).rows.find((r) => r.zone.id === 'own-1')!
    expect(row.bodyMm).toBe(800)
    expect(row.sizes[0]!.easeMm).toBeCloseTo(row.sizes[0]!.mm - 800, 9)
    expect(row.wantedMm).toBeGreaterThan(0)
  })
  it('goes round one limb on a sleeve, and is gone with its pieces', () => {
    const arm = newZone(blouse, 'own-2', 'elbow', 'bicep', ['sleeve'], 150)!
    expect(arm.limb).toBe(true)
    const sleeve = findPiece(blouse, 'sleeve')!
    const [found] = ownZones(blouse, [arm])
    expect(finishedMm(blouse, found!, 'one')).toBeCloseTo(
      widthAt(sleeve, shapeOf(sleeve, 'one'), zoneLevel(blouse, found!.parts[0]!, 'one')!),
      6,
    )
    expect(newZone(blouse, 'x', 'nowhere', null, ['gone'], 10)).toBeNull()
    expect(ownZones({ ...blouse, pieces: [] }, [zone])).toEqual([])
  })
})
