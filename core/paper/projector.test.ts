import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calibrate, SQUARE_PX, throwMatrix, type Throw } from './index'

const sheet = { widthMm: 800, heightMm: 1200 }
const apply = ([a, b, c, d, e, f]: number[], x: number, y: number) => ({ x: a! * x + c! * y + e!, y: b! * x + d! * y + f! })

describe('calibrating a projector', () => {
  it('makes a millimetre a millimetre: the square measured is as long as it was said', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 900, noNaN: true }), fc.double({ min: 0.85, max: 1.15, noNaN: true }), (across, ratio) => {
        const read = calibrate(across, across * ratio)
        expect(read.ok).toBe(true)
        if (!read.ok) return
        expect(read.value.pxPerMmX * across).toBeCloseTo(SQUARE_PX, 6)
        expect(read.value.pxPerMmY * across * ratio).toBeCloseTo(SQUARE_PX, 6)
        expect(read.value.isAskew).toBe(Math.max(ratio, 1 / ratio) > 1.01)
      }),
    )
  })
  it.each([
    [0, 200],
    [200, Number.NaN],
    [9999, 9999],
    [200, 300],
  ])('refuses %d by %d with a sentence', (across, down) => {
    const read = calibrate(across, down)
    expect(!read.ok && read.problem.remedy).toMatch(/again/)
  })
})

describe('the thrown drawing', () => {
  const projector = { pxPerMmX: 1.9, pxPerMmY: 2.1 }
  const lies: Throw[] = ([0, 90, 180, 270] as const).flatMap((turnDeg) =>
    [false, true].map((isMirrored) => ({ turnDeg, isMirrored, dxMm: 35, dyMm: -20 })),
  )
  it.each(lies)('turned by $turnDeg, mirrored $isMirrored: every length on the table is true, its corner where it was moved', (lie) => {
    const m = throwMatrix(lie, projector, sheet)
    const onTable = (x: number, y: number) => {
      const p = apply(m, x, y)
      return { x: p.x / projector.pxPerMmX, y: p.y / projector.pxPerMmY }
    }
    const corners = [onTable(0, 0), onTable(800, 0), onTable(800, 1200), onTable(0, 1200)]
    expect(Math.min(...corners.map((p) => p.x))).toBeCloseTo(35, 9)
    expect(Math.min(...corners.map((p) => p.y))).toBeCloseTo(-20, 9)
    const [p, q] = [onTable(100, 140), onTable(130, 180)]
    expect(Math.hypot(q.x - p.x, q.y - p.y)).toBeCloseTo(50, 9)
    // A mirrored drawing turns the other way round.
    const turn =
      (corners[1]!.x - corners[0]!.x) * (corners[3]!.y - corners[0]!.y) - (corners[1]!.y - corners[0]!.y) * (corners[3]!.x - corners[0]!.x)
    expect(Math.sign(turn)).toBe(lie.isMirrored ? -1 : 1)
  })
})
