import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { lengthToken } from '../units'
import { CHANGE_KINDS, checkInputs } from './index'
import { contextWith } from './test-context'

const garment = draftBlouse()
const begun = (kind: string): object => {
  const inputs = CHANGE_KINDS.find((k) => k.kind === kind)!.begin(garment, contextWith())
  if (!inputs.ok) throw new Error(inputs.problem.message)
  return inputs.value as object
}

describe('inputs that a change cannot work with', () => {
  it.each([
    ['finish-dart', { tipBackMm: 508 }, '“Tip short of the apex”', `it can be ${lengthToken(300)} at most.`],
    ['double-dart', { upperMm: 0 }, '“From the widest place to the upper tip”', `it has to be ${lengthToken(5)} at least.`],
    ['move-dart', { sharePct: 1 }, '“Share that goes, %”', 'it has to be 5 at least.'],
    ['finish-dart', { legs: 'crossed' }, '“Legs”', 'it should be one of these: equal, keep.'],
  ])('%s: are named as the form names them, with the limit', (kind, change, where, message) => {
    expect(checkInputs(kind, garment, { ...begun(kind), ...change })).toMatchObject({ code: 'input-out-of-range', where, message })
  })
  it('what a change begins with, and what it is dragged to by a little, can be used', () => {
    for (const kind of CHANGE_KINDS) {
      const inputs = kind.begin(garment, contextWith())
      if (inputs.ok) expect(checkInputs(kind.kind, garment, inputs.value)).toBeNull()
    }
  })
})
