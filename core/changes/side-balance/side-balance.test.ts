import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../../demo/wardrobe'
import { findZones, finishedMm } from '../../measure'
import { walkGarment, DEFAULT_TOLERANCES } from '../../match'
import type { Garment } from '../../pattern'
import { answerWish } from '../../advice'
import { contextWith } from '../test-context'
import { sideBalance, type SideBalanceInputs } from './index'

const { projects } = demoWardrobe(new Date('2026-05-01'))
const garmentOf = (id: string) => projects.find((p) => p.id === id)!.garment
const contextFor = (garment: Garment) => contextWith({ sizeId: garment.baseSizeId, bought: garment })
const done = (garment: Garment, inputs: SideBalanceInputs) => {
  const applied = sideBalance.apply(garment, inputs, contextFor(garment))
  if (!applied.ok) throw new Error(applied.problem.message)
  return applied.value
}
const AT_HIP = { bustMm: 0, waistMm: 0, hipMm: 12 }

describe.each(['demo-blouse', 'demo-dress', 'demo-tapered', 'demo-dancer', 'demo-jacket', 'demo-ferryman'])('width moved on %s', (id) => {
  const garment = garmentOf(id)
  it.each([AT_HIP, { bustMm: -4, waistMm: 6, hipMm: 6 }, { bustMm: 0, waistMm: 0, hipMm: -15 }])(
    'by %o goes round the body as before, and what the front gains the back loses',
    (inputs) => {
      const applied = done(garment, inputs)
      for (const h of applied.held) expect(h.held, `${h.where}: ${h.label} ${h.before} ${h.after}`).toBe(true)
      const half = (g: Garment, zoneId: string, kind: string) => {
        const zone = findZones(garment).find((z) => z.id === zoneId)
        if (!zone || zone.parts.some((p) => p.by === 'narrowest')) return null
        const parts = zone.parts.filter((p) => g.pieces.find((x) => x.id === p.pieceId)!.kind.includes(kind))
        return finishedMm(g, { ...zone, parts }, garment.baseSizeId)
      }
      for (const zoneId of ['bust', 'waist', 'hip']) {
        const [front, back] = ['front', 'back'].map((kind) => {
          const [was, is] = [half(garment, zoneId, kind), half(applied.garment, zoneId, kind)]
          return was === null || is === null ? 0 : is - was
        })
        expect(Math.abs(front! + back!), `${zoneId}: ${front} ${back}`).toBeLessThan(0.5)
      }
    },
  )
  it('leaves every seam as even as it was', () => {
    const off = (g: Garment) =>
      walkGarment(g, garment.baseSizeId, DEFAULT_TOLERANCES).seams.reduce((sum, s) => Math.max(sum, Math.abs(s.offMm)), 0)
    expect(off(done(garment, AT_HIP).garment)).toBeLessThan(off(garment) + 0.5)
  })
})

describe('width between front and back', () => {
  const blouse = garmentOf('demo-blouse')
  it.each<[string, Partial<SideBalanceInputs>]>([
    ['side seam swings forward 1/2', { hipMm: 12.7 }],
    ['the side seam swings to the back by 1/2', { hipMm: -12.7 }],
    ['move width from the back to the front 1/4 at the waist', { waistMm: 6.35 }],
    ['move width from front to back 1/4 at the hip', { hipMm: -6.35 }],
  ])('is moved as it is said: %s', (wish, inputs) => {
    const answer = answerWish(wish, 'in', blouse, contextFor(blouse))
    expect(answer).toMatchObject({ how: 'does', offer: { change: { kind: 'side-balance', inputs } } })
  })
  it('is asked about where its way was not said', () => {
    expect(answerWish('move width between front and back 1/4', 'in', blouse, contextFor(blouse)).how).toBe('asks')
  })
})
