import { describe, expect, it } from 'vitest'
import { changedBy, contextFor, DEMO, done } from '../../demo/test-kinds'
import { findKind, type ChangeKind } from '../changes'
import { measureLength } from '../geometry'
import { edgePath, findPiece, shapeOf, type Garment } from '../pattern'
import { sideOfPart } from '../seams'
import { answerWish } from './answer-wish'
import { sideIn } from './on-one-side'

describe('the side of the body in a wish', () => {
  it.each([
    ['right shoulder 3/8 lower', 'right', 'shoulder 3/8 lower'],
    ['lower the left shoulder 1/2, please', 'left', 'lower shoulder 1/2, please'],
    ['sleeve 1 longer, left side only', 'left', 'sleeve 1 longer'],
    ['take 1/2 in on the right hand side', 'right', 'take 1/2 in'],
    ['let out the left side seam 1/2', 'left', 'let out side seam 1/2'],
    ['one shoulder is lower than the other by 1/4', 'one', 'shoulder is lower by 1/4'],
    ['left and right sleeves 1 longer', 'both', 'sleeves 1 longer'],
  ])('is read from “%s”', (text, side, rest) => {
    expect(sideIn(text)).toEqual({ side, rest })
  })

  it('is none where “right” says how near, or left and right are told apart', () => {
    for (const text of [
      '1 wider right at the waist',
      '2 in too long, but the knee is right',
      'shorten to the right length',
      'shorten by 1',
      'left shoulder 1/4 lower, right shoulder 1/4 higher',
    ])
      expect(sideIn(text)).toBeNull()
  })
})

describe('a wish for one side of a garment whose pieces were opened out', () => {
  const jacket = DEMO.find(([name]) => name.includes('jacket'))![1]
  const opened = changedBy('bicep-width', jacket, { amountMm: 20, side: 'right' })
  const sleeveLengths = (garment: Garment) =>
    Object.fromEntries(
      garment.pieces
        .filter((p) => p.kind === 'sleeve')
        .map((p) => [
          p.name,
          Math.max(...p.edges.map((e) => measureLength(edgePath(shapeOf(findPiece(garment, p.id)!, garment.baseSizeId), e.id)))),
        ]),
    )
  const doneAs = (text: string) => {
    const answer = answerWish(text, 'in', opened, contextFor(opened))
    if (answer.how !== 'does') throw new Error(`${text}: ${answer.how}`)
    const { kind, inputs } = answer.offer.change
    return { inputs, applied: done(findKind(kind) as ChangeKind<unknown>, opened, inputs) }
  }

  it.each([
    ['left sleeve 1/2 shorter', 'left'],
    ['right sleeve 1/2 longer', 'right'],
    ['Upper sleeve, left 1/2 longer', 'left'],
  ])('“%s” changes the pieces of that side alone', (text, side) => {
    const { applied } = doneAs(text)
    const [was, is] = [sleeveLengths(opened), sleeveLengths(applied.garment)]
    for (const name of Object.keys(was)) expect(Math.abs(is[name]! - was[name]!) > 10, name).toBe(name.endsWith(side))
    for (const t of applied.touched) expect(findPiece(applied.garment, t.pieceId)!.name).toContain(side)
  })

  it('and one for both changes both', () => {
    const { applied } = doneAs('shorten the sleeves 1/2')
    const [was, is] = [sleeveLengths(opened), sleeveLengths(applied.garment)]
    for (const name of Object.keys(was)) expect(is[name]! - was[name]!, name).toBeLessThan(-10)
  })

  it('finds arms and side seams by the side, and not by the names that opening out gave', () => {
    for (const text of ['left upper arm 1 fuller', 'let out the left side seam 1/2']) {
      const { inputs, applied } = doneAs(text)
      expect(inputs).toMatchObject({ side: 'left' })
      for (const piece of applied.garment.pieces)
        for (const edge of piece.edges)
          if (sideOfPart(piece, edge.id) === 'right')
            expect(measureLength(edgePath(shapeOf(piece, opened.baseSizeId), edge.id)), `${text}: ${piece.name}, ${edge.name}`).toBeCloseTo(
              measureLength(edgePath(shapeOf(findPiece(opened, piece.id)!, opened.baseSizeId), edge.id)),
              6,
            )
    }
  })
})
