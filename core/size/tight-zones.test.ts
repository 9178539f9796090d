import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { finishedMm, findZones } from '../measure'
import { drawPieces, tightCautions } from '../paper'
import { NO_SIZING, tightZones, type Sizing } from './index'

const blouse = draftBlouse()
const measured = (id: string) =>
  finishedMm(
    blouse,
    findZones(blouse).find((z) => z.id === id)!,
    'one',
  )
const bodyOf = (figures: Record<string, number>) => ({
  id: 's',
  takenOn: '2026-03-01',
  note: '',
  figures: Object.fromEntries(Object.entries(figures).map(([id, mm]) => [id, { mm }])),
})
const woven: Sizing = { ...NO_SIZING, fabric: 'medium' }

describe('zones that are smaller than the body', () => {
  const body = bodyOf({ bust: measured('bust') - 40, hip: measured('hip') + 16, bicep: measured('bicep') + 5 })

  it('are named with how much is missing and the pieces that make them; a cloth that stretches may be smaller', () => {
    const tight = tightZones(blouse, woven, body)
    expect(tight.map(({ id, mm }) => [id, Math.round(mm * 100) / 100])).toEqual([
      ['hip', 16],
      ['bicep', 5],
    ])
    expect(tight.map((z) => [...z.pieceIds].sort())).toEqual([['back', 'front'], ['sleeve']])
    expect(tightZones(blouse, { ...woven, fabric: 'stretch' }, body)).toEqual([])
    expect(tightZones(blouse, woven, bodyOf({ hip: measured('hip') }))).toEqual([])
    expect(tightZones(blouse, woven, null)).toEqual([])
  })
  it('stand on the pieces that make them, and on no other', () => {
    const words = { garmentName: 'B', wearerName: null, sizeName: '4', date: 'd', changes: [], ruler: 'cm' as const }
    const cautions = tightCautions(tightZones(blouse, woven, body), 'cm')
    const { drawings } = drawPieces(blouse, 'one', { ...words, cautions })
    const said = drawings.filter((d) =>
      d
        .write([])
        .map((w) => w.text)
        .join(' ')
        .includes('hip smaller than the body by 1.6 cm'),
    )
    expect(said.map((d) => d.piece.id).sort()).toEqual(['back', 'front'])
  })
})
