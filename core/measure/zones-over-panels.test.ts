import { describe, expect, it } from 'vitest'
import type { Point } from '../geometry'
import type { EdgeRole, Garment, PieceKind } from '../pattern'
import { garmentOf, polygonPiece, seamOf } from '../pattern/test-pieces'
import { findZones, finishedMm, isNarrowest } from './index'

const at = (x: number, y: number): Point => ({ x, y })
const LONG = 700
/** A gore of a skirt, 90 mm wide at the waist and straight from there to the hem. */
const gore = (id: string, kind: PieceKind, left: number, right: number, roles: EdgeRole[]) =>
  polygonPiece(id, kind, [at(0, 0), at(90, 0), at(90 + right, LONG), at(-left, LONG)], roles, { allowanceMm: 0 })
const skirt = (middle: EdgeRole = 'panel'): Garment =>
  garmentOf(
    [
      gore('front', 'skirt-front', 0, 60, ['waist', middle, 'hem', 'centre-front']),
      gore('side-front', 'skirt-front', 40, 70, ['waist', 'side', 'hem', middle]),
      gore('side-back', 'skirt-back', 40, 70, ['waist', 'side', 'hem', middle]),
      gore('back', 'skirt-back', 0, 60, ['waist', middle, 'hem', 'centre-back']),
    ],
    [
      seamOf('front-panel', ['front', 'e1', false], ['side-front', 'e3', true]),
      seamOf('back-panel', ['back', 'e1', false], ['side-back', 'e3', true]),
      seamOf('side', ['side-front', 'e1', false], ['side-back', 'e1', false]),
    ],
  )

describe('zones of a garment with panels', () => {
  it('go round over gores that have neither line nor corner for them: the hip of a gored skirt', () => {
    const garment = skirt()
    const hip = findZones(garment).find((z) => z.id === 'hip')!
    expect(hip.parts.map((p) => [p.pieceId, p.by])).toEqual([
      ['front', 'seam'],
      ['side-front', 'corner'],
      ['side-back', 'corner'],
      ['back', 'seam'],
    ])
    // 185 mm below the waist each gore has grown by its part of what it has at the hem.
    const wide = (growsMm: number) => 90 + (growsMm * 185) / LONG
    const times = (id: string) => garment.pieces.find((p) => p.id === id)!.cut.count
    const wanted = wide(60) * (times('front') + times('back')) + wide(110) * (times('side-front') + times('side-back'))
    expect(Math.abs(finishedMm(garment, hip, 'one') - wanted)).toBeLessThan(1)
  })
  it('end where no upright seam carries them on', () => {
    expect(findZones(skirt('other')).some((z) => z.id === 'hip')).toBe(false)
    const unsewn = { ...skirt(), seams: skirt().seams.filter((s) => s.id !== 'back-panel') }
    expect(findZones(unsewn).some((z) => z.id === 'hip')).toBe(false)
  })
  it('are no measure of a size where they follow a narrowest place, their own or a neighbour’s', () => {
    expect(isNarrowest({ pieceId: 'a', by: 'narrowest' })).toBe(true)
    expect(isNarrowest({ pieceId: 'b', by: 'seam', seamId: 's', of: { pieceId: 'a', by: 'narrowest' } })).toBe(true)
    expect(isNarrowest({ pieceId: 'b', by: 'seam', seamId: 's', of: { pieceId: 'a', by: 'line', lineId: 'l', belowMm: 0 } })).toBe(false)
  })
})
