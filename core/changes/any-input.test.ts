import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftArmholeDart, draftSleeveless, draftTwoDarts } from '../../demo/dart-blouses'
import { draftOnePiece } from '../../demo/one-piece'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { draftWaistDart } from '../../demo/waist-darts'
import { walkGarment } from '../match'
import { measureGarment, NO_ZONING } from '../measure'
import { checkGarment, type Garment } from '../pattern'
import { deepFreeze } from '../pattern/test-pieces'
import { CHANGE_KINDS, checkInputs, findKind, type ChangeKind } from './index'
import { contextWith } from './test-context'

const GARMENTS: Garment[] = [
  draftArmholeDart(),
  draftSleeveless(),
  draftTwoDarts(),
  draftWaistDart(),
  draftOnePiece(),
  draftQuayDress(),
  draftTrousers(TAPERED),
].map(deepFreeze)
const context = contextWith()
const AMOUNTS_MM = [0, 5, -5, 12.7, -12.7, 40, -40, 120]
/** Words that no sentence for people may hold: a figure that was not there. */
const NOT_A_WORD = /undefined|NaN|Infinity|\[object/

/** What somebody does in a form: which field, and which of its values. */
const moveArbitrary = fc.record({ field: fc.nat(9), value: fc.nat(30) })
/** Kinds that may come before the one at hand, so that it meets pieces that were changed already. */
const EARLIER = ['lengthen', 'blend', 'add-at-edge', 'move-dart', 'bust-amount', 'hem-fullness']
const stopArbitrary = (kinds: string[]) =>
  fc.record({
    kind: fc.constantFrom(...kinds),
    moves: fc.array(moveArbitrary, { maxLength: 4 }),
    amount: fc.nat(AMOUNTS_MM.length - 1),
  })

/** A seed of its own for each kind, from its name: a kind that is added leaves the cases of all others as they are. */
const seedOf = (kind: string) => [...kind].reduce((n, c) => (n * 31 + c.codePointAt(0)!) % 2_147_483_647, 7)

/** The inputs after one thing was set in the form, as the form sets it. */
function setInForm(kind: ChangeKind<unknown>, garment: Garment, inputs: unknown, move: { field: number; value: number }): unknown {
  const fields = kind.fields(garment, inputs)
  const field = fields[move.field % Math.max(1, fields.length)]
  if (!field) return inputs
  const set = (value: unknown) => kind.withField?.(garment, inputs, field.key, value) ?? { ...(inputs as object), [field.key]: value }
  switch (field.type) {
    case 'choice':
      return field.options.length > 0 ? set(field.options[move.value % field.options.length]!.value) : inputs
    case 'growth':
      return set(AMOUNTS_MM[move.value % AMOUNTS_MM.length])
    case 'length':
      return set(Math.abs(AMOUNTS_MM[move.value % AMOUNTS_MM.length]!))
    case 'switch':
      return set(move.value % 2 === 0)
    case 'count':
      return set(move.value % (Math.min(field.max, 5) + 1))
    case 'piece':
      return kind.withPiece?.(garment, inputs, garment.pieces[move.value % garment.pieces.length]!.id, context) ?? inputs
    default:
      return inputs
  }
}

describe('whatever is set in a form', () => {
  it.each(CHANGE_KINDS.map((k) => k.kind))('of %s is refused in a sentence or gives sound pieces, measured promises and steps', (own) => {
    const earlier = fc.array(stopArbitrary(EARLIER), { maxLength: 2 })
    fc.assert(
      fc.property(fc.nat(GARMENTS.length - 1), earlier, stopArbitrary([own]), (which, first, last) => {
        let garment = GARMENTS[which]!
        for (const stop of [...first, last]) {
          const kind = findKind(stop.kind)!
          const begun = kind.begin(garment, context)
          if (!begun.ok) continue
          const before = garment
          const set = stop.moves.reduce((inputs, move) => setInForm(kind, before, inputs, move), begun.value)
          const inputs =
            stop.moves.length % 2 === 0 && kind.withAmount ? kind.withAmount(garment, set, AMOUNTS_MM[stop.amount]!, context) : set
          const cannot = checkInputs(kind.kind, garment, inputs)
          if (cannot) {
            // Said by the name of the field, and never handed on.
            expect(cannot.where).toMatch(/^“.+”$/)
            continue
          }
          expect(kind.describe(garment, inputs).title).not.toMatch(NOT_A_WORD)
          const done = kind.apply(garment, inputs, context)
          if (!done.ok) {
            expect(`${done.problem.message} ${done.problem.remedy}`).not.toMatch(NOT_A_WORD)
            expect(done.problem.message.length * done.problem.remedy.length).toBeGreaterThan(0)
            continue
          }
          const { value } = done
          expect(checkGarment(value.garment)).toBeNull()
          for (const h of value.held) expect(Number.isFinite(h.before) && Number.isFinite(h.after), h.label).toBe(true)
          for (const c of value.cautions) {
            expect(c.message).not.toMatch(NOT_A_WORD)
            if (c.mend) expect(kind.schema.safeParse(c.mend.inputs).success, c.code).toBe(true)
          }
          for (const h of kind.handles(garment, inputs, value, context))
            expect(Number.isFinite(h.at.x + h.axis.x + h.valueMm), h.id).toBe(true)
          for (const step of kind.paperSteps({ before: garment, inputs, applied: value, context, ruler: 'in' }))
            expect(step.text).not.toMatch(NOT_A_WORD)
          for (const way of kind.choices?.(garment, inputs, context) ?? []) expect(kind.schema.safeParse(way.inputs).success).toBe(true)
          garment = value.garment
        }
        for (const m of measureGarment(garment, 'one', NO_ZONING)) expect(Number.isFinite(m.mm), m.id).toBe(true)
        expect(walkGarment(garment, 'one').seams).toHaveLength(garment.seams.length)
      }),
      { numRuns: 5, seed: seedOf(own) },
    )
  })
})
