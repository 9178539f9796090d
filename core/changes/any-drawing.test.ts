import { isDeepStrictEqual } from 'node:util'
import { describe, expect, it } from 'vitest'
import { begunElsewhere, laidAslant, mirrored } from '../../demo/test-variants'
import { demoWardrobe } from '../../demo/wardrobe'
import { DEFAULT_TOLERANCES } from '../match'
import { checkGarment, type Garment } from '../pattern'
import { applyOrRefuse } from './apply-or-refuse'
import { contextOf } from './context-of'
import { CHANGE_KINDS } from './registry'
import type { ChangeContext, ChangeKind, HeldPromise } from './types'

// How a pattern happens to be drawn says nothing of the garment: turned, begun at another corner, or drawn as its mirror image, every
// change does the same to it. What it holds and moves is compared by its figures.

const KINDS = CHANGE_KINDS as readonly ChangeKind<unknown>[]
const GARMENTS = ['demo-blouse', 'demo-piper', 'demo-tapered', 'demo-bather', 'demo-dress', 'demo-jacket', 'demo-tunic'].map((id) =>
  demoWardrobe(new Date('2026-05-01')).projects.find((p) => p.id === id)!,
)
const VARIANTS = { 'lying aslant': laidAslant, 'begun at another corner': begunElsewhere, 'drawn as its mirror image': mirrored }
const CASES = GARMENTS.flatMap((p) => Object.entries(VARIANTS).map(([how, make]) => [p.name, how, p.garment, make(p.garment)] as const))

/** The change on a garment, with an amount where it takes one. */
const changed = <I>(kind: ChangeKind<I>, g: Garment, inputs: I, amountMm: number, context: ChangeContext) =>
  applyOrRefuse(kind, g, kind.withAmount ? kind.withAmount(g, inputs, amountMm, context) : inputs, context)

// Every variant is compared with the garment as it is drawn: what becomes of that is worked out once.
const drawn = new Map<string, ReturnType<typeof changed>>()

/** Of two legs, or two parts of an edge, that are alike, these take the first in the outline: in a mirror image that is the other one. */
const BY_ORDER: readonly string[] = ['equal-legs', 'hem-fullness']

/** Figures by what they are of; a turn to the other side counts as much. The worst of many is named by chance where several are. */
function figuresOf(held: readonly HeldPromise[]): Map<string, number[]> {
  const figures = new Map<string, number[]>()
  for (const h of held) {
    const key = `${h.where}: ${h.label}`
    if (key.includes('worst of all')) continue
    figures.set(
      key,
      [...(figures.get(key) ?? []), Math.abs(h.after)].sort((a, b) => a - b),
    )
  }
  return figures
}

/** Where figures differ, in words. */
function differences(one: readonly HeldPromise[], other: readonly HeldPromise[]): string[] {
  const [a, b] = [figuresOf(one), figuresOf(other)]
  return [...new Set([...a.keys(), ...b.keys()])].flatMap((key) => {
    const [x, y] = [a.get(key) ?? [], b.get(key) ?? []]
    return x.length === y.length && x.every((mm, i) => Math.abs(mm - y[i]!) <= 0.05) ? [] : [`${key}: ${x.join()} | ${y.join()}`]
  })
}

describe('a change does the same however the pattern is drawn', () => {
  it.each(CASES)('%s, %s', (name, how, garment, variant) => {
    expect(checkGarment(variant)).toBeNull()
    let compared = 0
    for (const kind of KINDS) {
      const [context, other] = [garment, variant].map((g) => contextOf(g, null, null, DEFAULT_TOLERANCES)) as [ChangeContext, ChangeContext]
      const [begun, begunOther] = [kind.begin(garment, context), kind.begin(variant, other)]
      expect(begun.ok, kind.kind).toBe(begunOther.ok)
      if (!begun.ok || !begunOther.ok) continue
      // Along the other way a place on an edge is another figure: only what names no place is the same change there.
      if (how === 'drawn as its mirror image' && (BY_ORDER.includes(kind.kind) || !isDeepStrictEqual(begun.value, begunOther.value)))
        continue
      for (const amountMm of kind.withAmount ? [-9, 14] : [0]) {
        const where = `${kind.kind} by ${amountMm}`
        const done = drawn.get(`${name}: ${where}`) ?? changed(kind, garment, begun.value, amountMm, context)
        drawn.set(`${name}: ${where}`, done)
        const doneOther = changed(kind, variant, begun.value, amountMm, other)
        expect(doneOther.ok ? 'done' : doneOther.problem.message, where).toBe(done.ok ? 'done' : done.problem.message)
        if (!done.ok || !doneOther.ok) continue
        compared++
        expect(checkGarment(doneOther.value.garment), where).toBeNull()
        expect(differences(done.value.held, doneOther.value.held), where).toEqual([])
      }
    }
    expect(compared).toBeGreaterThan(8)
  })
})
