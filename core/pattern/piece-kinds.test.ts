import { describe, expect, it } from 'vitest'
import { familyOf, halfOf, isBody, isLimb, KIND_FACTS } from './piece-kinds'
import { PIECE_KINDS } from './schema'

describe('kinds of piece', () => {
  it('have a row each, and a name that no other has', () => {
    expect(Object.keys(KIND_FACTS).sort()).toEqual([...PIECE_KINDS].sort())
    expect(new Set(Object.values(KIND_FACTS).map((f) => f.name)).size).toBe(PIECE_KINDS.length)
  })
  it.each([
    ['front', 'bodice', 'front', true, false],
    ['back', 'bodice', 'back', true, false],
    ['skirt-back', 'skirt', 'back', true, false],
    ['leg-front', 'leg', 'front', true, true],
    ['sleeve', 'sleeve', null, false, true],
    ['band', 'band', null, false, false],
    ['other', 'other', null, false, false],
  ] as const)('a %s is of the %s, half %s; body %s, limb %s', (kind, family, half, body, limb) => {
    expect([familyOf({ kind }), halfOf({ kind }), isBody({ kind }), isLimb({ kind })]).toEqual([family, half, body, limb])
  })
  it('come in pairs: what covers a half of the body has the other half beside it', () => {
    const bodies = PIECE_KINDS.filter((kind) => isBody({ kind }))
    for (const kind of bodies) {
      const other = bodies.filter((k) => familyOf({ kind: k }) === familyOf({ kind }) && halfOf({ kind: k }) !== halfOf({ kind }))
      expect(other).toHaveLength(1)
    }
  })
})
