import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { DEFAULT_TOLERANCES } from '../match'
import { openOut, opensOut } from '../moves'
import { checkGarment, findPiece, shapeOf, type Garment, halfNames } from '../pattern'
import { applyOrRefuse } from './apply-or-refuse'
import { contextOf } from './context-of'
import { CHANGE_KINDS } from './registry'
import type { ChangeKind } from './types'

// A piece is opened out where its two sides are cut differently, as after a fold that was pinned on one side: what comes after it has to
// work on whole pieces, and on halves beside them.

const KINDS = CHANGE_KINDS as readonly ChangeKind<unknown>[]
const GARMENTS = ['demo-blouse', 'demo-piper', 'demo-tapered', 'demo-dress', 'demo-dancer', 'demo-jacket'].map((id) =>
  demoWardrobe(new Date('2026-05-01')).projects.find((p) => p.id === id)!,
)

/** Made from half pieces alone, and said so: left and right would each want their own. */
const OF_HALVES: readonly string[] = ['bust-amount', 'front-length', 'wrap-over', 'take-cup']

/** Fronts and backs of a garment, or the first of them, opened out. */
function opened(garment: Garment, howMany: number): Garment {
  const ids = garment.pieces.filter((p) => opensOut(p) && /(?:front|back)$/.test(p.kind)).map((p) => p.id)
  return ids.slice(0, howMany).reduce((g, id) => {
    const piece = findPiece(g, id)!
    return openOut(g, id, halfNames(piece, shapeOf(piece, g.baseSizeId)))
  }, garment)
}

describe('what comes after a piece was opened out', () => {
  it.each(GARMENTS.flatMap((p) => [1, 9].map((n) => [p.name, n === 1 ? 'one piece' : 'every front and back', p.garment, n] as const)))(
    '%s, %s: is begun, holds what it promises, or refuses as on half pieces',
    (_, __, garment, howMany) => {
      const whole = opened(garment, howMany)
      expect(checkGarment(whole)).toBeNull()
      const [half, own] = [garment, whole].map((g) => contextOf(g, null, null, DEFAULT_TOLERANCES)) as [never, never]
      let applied = 0
      for (const kind of KINDS) {
        const [onHalf, begun] = [kind.begin(garment, half), kind.begin(whole, own)]
        if (!begun.ok) {
          if (onHalf.ok) expect(OF_HALVES).toContain(kind.kind)
          if (onHalf.ok && kind.kind === 'bust-amount') expect(begun.problem.message).toMatch(/cut whole/)
          continue
        }
        if (!onHalf.ok) continue
        for (const amountMm of kind.withAmount ? [-9, 14] : [0]) {
          const on = (g: Garment, inputs: unknown, c: never) =>
            applyOrRefuse(kind, g, kind.withAmount ? kind.withAmount(g, inputs, amountMm, c) : inputs, c)
          const [asHalf, done] = [on(garment, onHalf.value, half), on(whole, begun.value, own)]
          const where = `${kind.kind} by ${amountMm}`
          if (!OF_HALVES.includes(kind.kind)) expect(done.ok, where).toBe(asHalf.ok)
          if (!done.ok || !asHalf.ok) continue
          applied++
          expect(checkGarment(done.value.garment), where).toBeNull()
          const broken = asHalf.value.held.some((h) => !h.held) ? [] : done.value.held.filter((h) => !h.held)
          expect(broken.map((h) => `${where}: ${h.where}, ${h.label} ${h.before} ${h.after}`)).toEqual([])
        }
      }
      expect(applied).toBeGreaterThan(15)
    },
  )
})
