import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nestOf } from '../../demo/nest'
import { foldPlan, type Change } from '../changes'
import { finishedMm, findZones } from '../measure'
import { adviseOrder } from './index'
import { contextWith, stopWith } from '../changes/test-context'

const garment = nestOf(draftBlouse())
const stop = (id: string, kind: string, inputs: unknown): Change => stopWith(kind, inputs, id)
const blend = stop('blend', 'blend', { bust: 'one', waist: 'one+1', hip: 'one+2', startMm: 0, endMm: 0 })
const shorten = (leftOut: string[] = []) =>
  stop('shorten', 'lengthen', {
    amountMm: -20,
    pieceId: 'front',
    leftOut,
    levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
  })
const sides = stop('sides', 'add-at-edge', { bustMm: 0, waistMm: 5, hipMm: 5 })
const grade = stop('grade', 'grade', {
  intervalMm: 40,
  up: 1,
  down: 0,
  upIntervalsMm: [],
  downIntervalsMm: [],
  centre: 'none',
  rules: {},
  school: 'shift',
})

describe('the order of work', () => {
  it.each<[string, Change[]]>([
    ['lengths, sizes, sides', [shorten(), blend, sides]],
    ['sizes made first', [grade, shorten(), blend]],
    ['one stop', [blend]],
    ['none', []],
  ])('%s: nothing to say', (_, plan) => {
    expect(adviseOrder(plan, garment)).toEqual([])
  })
  it('says what a length after a blend costs, and where it would go', () => {
    const [advice, ...rest] = adviseOrder([blend, sides, shorten()], garment)
    expect(rest).toEqual([])
    expect(advice).toMatchObject({ changeId: 'shorten', moveTo: 0 })
    expect(advice!.message).toMatch(/^This comes after “Blend 4 bust, 5 waist, 6 hip”: the sizes were blended at the old levels/)
  })
  it('says that darts get their height after the bust, on the same piece, and that a cup is taken before all else', () => {
    const raise = stop('raise', 'raise-dart', { dart: 'front side-dart', amountMm: 10 })
    const bust = (pieceId: string) => stop('bust', 'bust-amount', { pieceId, amountMm: 12, waist: 'keep', opening: 'dart', tipBackMm: 38 })
    const cup = stop('cup', 'take-cup', { pieceId: 'front', cup: 'C' })
    expect(adviseOrder([raise, bust('front')], garment)).toMatchObject([{ changeId: 'bust', moveTo: 0 }])
    expect(adviseOrder([raise, bust('other')], garment)).toEqual([])
    expect(adviseOrder([bust('front'), raise], garment)).toEqual([])
    expect(adviseOrder([shorten(), blend, cup], garment).find((a) => a.changeId === 'cup')).toMatchObject({ moveTo: 0 })
  })
  it('leaves out what is switched off, and a length that mends one seam', () => {
    expect(adviseOrder([{ ...blend, on: false }, shorten()], garment)).toEqual([])
    expect(adviseOrder([blend, shorten(['back'])], garment)).toEqual([])
  })
  it('is right about a blend after the sides: it takes back what they were let out by', () => {
    const hip = findZones(garment).find((z) => z.id === 'hip')!
    const after = (plan: Change[]) => finishedMm(foldPlan(garment, plan, contextWith()).garment, hip, 'one')
    expect(adviseOrder([sides, blend], garment).map((a) => a.changeId)).toEqual(['blend'])
    const whole = finishedMm(garment, hip, 'one+2')
    expect(after([blend, sides])).toBeCloseTo(whole + 20, 0)
    expect(after([sides, blend])).not.toBeCloseTo(whole, 0)
  })
})
