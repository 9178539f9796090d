import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { openOut } from '../moves'
import { halfNames, shapeOf, type EdgeRole, type Piece } from '.'
import { runsOfEdges } from './runs-of-edges'

/** A piece of which only the roles of its edges count. */
const withRoles = (...roles: EdgeRole[]): Piece => {
  const blouse = draftBlouse().pieces[0]!
  return { ...blouse, edges: roles.map((role, i) => ({ ...blouse.edges[0]!, id: `e${i}`, role })) }
}
const ids = (piece: Piece, role: EdgeRole, over?: 'nothing') =>
  runsOfEdges(piece, (e) => e.role === role, over).map((run) => run.map((e) => e.id).join(' '))

describe('runs of edges of a sort', () => {
  it('go over a dart as if it was closed, or are parted by it', () => {
    const piece = withRoles('neck', 'side', 'dart-leg', 'dart-leg', 'side', 'hem')
    expect(ids(piece, 'side')).toEqual(['e1 e4'])
    expect(ids(piece, 'side', 'nothing')).toEqual(['e1', 'e4'])
  })
  it('go on over the first edge, begin where another sort ends, and stand in the order of their beginnings', () => {
    const piece = withRoles('side', 'hem', 'side', 'side', 'neck', 'side')
    expect(ids(piece, 'side')).toEqual(['e2 e3', 'e5 e0'])
  })
  it('of an outline that is all of one sort is one, from its first edge', () => {
    expect(ids(withRoles('hem', 'hem', 'hem'), 'hem')).toEqual(['e0 e1 e2'])
    expect(ids(withRoles('dart-leg', 'dart-leg', 'hem'), 'hem')).toEqual(['e2'])
  })
  it('are none where there is no such edge', () => {
    expect(ids(withRoles('neck', 'hem'), 'side')).toEqual([])
  })
  it('are one side on a half front, and two on the same front opened out', () => {
    const blouse = draftBlouse()
    const front = blouse.pieces.find((p) => p.id === 'front')!
    const sides = (piece: Piece) => runsOfEdges(piece, (e) => e.role === 'side')
    expect(sides(front)).toHaveLength(1)
    const opened = openOut(blouse, 'front', halfNames(front, shapeOf(front, 'one'))).pieces.find((p) => p.id === 'front')!
    expect(sides(opened)).toHaveLength(2)
    expect(sides(opened).map((run) => run.length)).toEqual([sides(front)[0]!.length, sides(front)[0]!.length])
  })
})
