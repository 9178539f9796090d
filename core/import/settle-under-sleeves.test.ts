import { describe, expect, it } from 'vitest'
import { applyAffine, cubic, line, mapPath, measureLength, turnAbout, type Path, type Point } from '../geometry'
import type { Draft } from './make-drafts'
import { settleUnderSleeves } from './settle-under-sleeves'

const at = (x: number, y: number): Point => ({ x, y })
/** A sleeve 170 wide with a cap, and its grain; turned on the page. */
function sleeve(id: string, cap: Path, turnDeg = 0): Draft {
  const turn = turnAbout(at(0, 0), (turnDeg * Math.PI) / 180)
  const turned = (path: Path) => mapPath(path, (p) => applyAffine(turn, p))
  const [from, to] = [at(80, 100), at(80, 400)].map((p) => applyAffine(turn, p)) as [Point, Point]
  const [left, right] = [cap[0]!.from, cap.at(-1)!.to]
  const edges = (
    [
      ['cap', cap],
      ['underarm', [line(right, at(150, 460))]],
      ['hem', [line(at(150, 460), at(20, 460))]],
      ['underarm', [line(at(20, 460), left)]],
    ] as const
  ).map(([role, path]) => ({ role, path: turned(path), fold: false, allowanceMm: 10 }))
  const draft = { id, name: id, kind: 'sleeve', grain: { from, to }, edges, sizes: [] }
  return { draft, aside: null, trouble: null, doubts: [] } as unknown as Draft
}
const ROUND = [cubic(at(0, 0), at(40, -150), at(130, -150), at(170, 0))]
/** Lowest at x = 60. */
const HOLLOW = [cubic(at(0, 0), at(25, 34), at(35, 45), at(60, 45)), cubic(at(60, 45), at(95, 45), at(140, 20), at(170, -20))]
const upper = sleeve('Upper sleeve', ROUND)

describe('the cap of an under sleeve', () => {
  it.each([0, 90, 200])('is parted at its lowest place, and that is said: turned by %d degrees', (turnDeg) => {
    const [first, under] = settleUnderSleeves([upper, sleeve('Under sleeve', HOLLOW, turnDeg)])
    expect(first).toBe(upper)
    expect(under!.draft.edges.map((e) => e.role)).toEqual(['cap', 'cap', 'underarm', 'hem', 'underarm'])
    const [one, other] = under!.draft.edges.map((e) => measureLength(e.path))
    expect(one! + other!).toBeCloseTo(measureLength(HOLLOW), 6)
    // To the fineness at which it is looked for.
    expect(Math.abs(one! - measureLength([HOLLOW[0]!]))).toBeLessThan(measureLength(HOLLOW) / 100)
    expect(under!.doubts).toEqual([expect.stringContaining('lowest place of its cap')])
  })
  it('stays whole where there is no other piece with the cap proper, or where it is lowest at an end', () => {
    const under = sleeve('Under sleeve', HOLLOW)
    expect(settleUnderSleeves([under])).toEqual([under])
    const leaning = sleeve('Under sleeve', [cubic(at(0, 60), at(50, 70), at(120, 40), at(170, -60))])
    expect(settleUnderSleeves([upper, leaning])[1]).toBe(leaning)
    const twoRound = [upper, sleeve('Other sleeve', ROUND)]
    expect(settleUnderSleeves(twoRound)).toEqual(twoRound)
  })
})
