import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { DEFAULT_TOLERANCES } from '../match'
import { openOut, opensOut } from '../moves'
import { checkGarment, type Garment } from '../pattern'
import { bodySides, otherSide } from '../seams'
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

const HOW = ['one piece', 'every front and back', 'every piece'] as const

/** Pieces of a garment opened out: the first of its fronts and backs, all of them, or sleeves and bands too. */
function opened(garment: Garment, how: (typeof HOW)[number]): Garment {
  const all = garment.pieces.filter((p) => opensOut(p) && (how === 'every piece' || /(?:front|back)$/.test(p.kind)))
  const sides = bodySides(garment)
  return all.slice(0, how === 'one piece' ? 1 : all.length).reduce((g, { id }) => {
    const side = sides.get(id)!
    return openOut(g, id, [side, otherSide(side)])
  }, garment)
}

describe('what comes after a piece was opened out', () => {
  it.each(GARMENTS.flatMap((p) => HOW.map((how) => [p.name, how, p.garment] as const)))(
    '%s, %s: is begun, holds what it promises, or refuses as on half pieces',
    (_, how, garment) => {
      const whole = opened(garment, how)
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
