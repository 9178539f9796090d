import { cutPath, findRoot, measureLength, placeAt, reversePath, type Path } from '../core/geometry'
import type { Garment } from '../core/pattern'
import { EQUAL_MM } from '../core/tolerances'
import { backPiece, bodySeams, frontPiece } from './blouse'
import { grainOf, type BodyFigures } from './bodice'
import { at, ruled, sewn, solve, swept, toGarment, type DraftedPiece } from './draft-piece'
import { CAP_EASE, capOver } from './sleeve-and-band'

/** The sleeve: its length below the underarm, how far its two seams lie from the middle, as parts of half its width. */
const LENGTH = 440
const BACK_SEAM = 0.52
const FRONT_SEAM = 0.62
/** How far the back seam comes in toward the wrist on each piece, and how far the front seam is hollowed at the elbow, mm. */
const TAPER = 34
const HOLLOW = 9
/** Sideways to down, of the back seam at the wrist; the hem meets it square. */
const WRIST_SLANT = 0.14

/** Length along a path at which it reaches an x, mm. */
const lengthAt = (path: Path, x: number): number =>
  findRoot((mm) => placeAt(path, mm).point.x - x, 0, measureLength(path), EQUAL_MM / 1000)!

/**
 * A sleeve in two pieces: drawn as a tube, parted by a back and a front seam; the two strips under the arm are laid together at
 * the underarm and make the under sleeve.
 */
function twoPieceSleeve(back: DraftedPiece, front: DraftedPiece): [DraftedPiece, DraftedPiece] {
  const pathOf = (piece: DraftedPiece, id: string) => piece.edges.find((e) => e.id === id)!.path
  const backMm = measureLength(pathOf(back, 'armhole'))
  const total = backMm + measureLength(pathOf(front, 'armhole')) + CAP_EASE
  const half = (total - CAP_EASE) * 0.37
  const height = solve((h) => measureLength(capOver(half, h, at(0, 1))) - total, 40, 260)
  const cap = capOver(half, height, at(0, 1))
  const [backX, frontX] = [-half * BACK_SEAM, half * FRONT_SEAM]
  const [backAt, frontAt] = [lengthAt(cap, backX), lengthAt(cap, frontX)]
  const [backTop, frontTop] = [placeAt(cap, backAt).point, placeAt(cap, frontAt).point]
  /** Down the seams: the front one hollowed alike on both pieces, the back one coming in on each. */
  const frontSeam = (shift: number): Path => {
    const elbow = at(frontX - HOLLOW + shift, LENGTH * 0.42)
    return [
      ...swept(at(frontTop.x + shift, frontTop.y), at(-0.08, 1), elbow, at(0, 1), [0.34, 0.34]),
      ...swept(elbow, at(0, 1), at(frontX + shift, LENGTH), at(0, 1), [0.34, 0.34]),
    ]
  }
  const backSeam = (topX: number, inward: 1 | -1): Path => {
    const elbow = at(topX + inward * 3, LENGTH * 0.42)
    return [
      ...swept(at(topX, backTop.y), at(0, 1), elbow, at(inward * 0.05, 1), [0.34, 0.34]),
      ...swept(elbow, at(inward * 0.05, 1), at(topX + inward * TAPER, LENGTH), at(inward * WRIST_SLANT, 1), [0.34, 0.34]),
    ]
  }
  const shift = (path: Path, x: number): Path =>
    path.map((s) => {
      const by = (p: { x: number; y: number }) => at(p.x + x, p.y)
      return s.kind === 'line'
        ? { ...s, from: by(s.from), to: by(s.to) }
        : { ...s, from: by(s.from), c1: by(s.c1), c2: by(s.c2), to: by(s.to) }
    })
  const wristBack = backX + TAPER
  const upper: DraftedPiece = {
    id: 'upper-sleeve',
    name: 'Upper sleeve',
    kind: 'sleeve',
    count: 2,
    mirrored: true,
    edges: [
      { id: 'cap', name: 'cap', role: 'cap', path: cutPath(cap, backAt, frontAt), corner: 'back seam at the cap' },
      { id: 'seam-front', name: 'front sleeve seam', role: 'underarm', path: frontSeam(0), corner: 'front seam at the cap' },
      {
        id: 'hem',
        name: 'wrist hem',
        role: 'hem',
        path: swept(at(frontX, LENGTH), at(-1, 0), at(wristBack, LENGTH), at(-1, WRIST_SLANT), [0.3, 0.3]),
        corner: 'wrist at the front seam',
      },
      {
        id: 'seam-back',
        name: 'back sleeve seam',
        role: 'underarm',
        path: reversePath(backSeam(backX, 1)),
        corner: 'wrist at the back seam',
      },
    ],
    notches: [{ id: 'top', name: 'shoulder', edgeId: 'cap', place: { from: 'start', distanceMm: backMm + CAP_EASE / 2 - backAt } }],
    lines: [
      { id: 'bicep', name: 'bicep line', role: 'bicep', path: ruled(at(backX + 10, 0), at(frontX - 10, 0)) },
      { id: 'shorten', name: 'lengthen or shorten line', role: 'shorten', path: ruled(at(backX + 20, 150), at(frontX - 25, 150)) },
    ],
    grain: grainOf(-height * 0.3, LENGTH - 50, 0),
  }
  const underBack = half + backX
  const under: DraftedPiece = {
    id: 'under-sleeve',
    name: 'Under sleeve',
    kind: 'sleeve',
    count: 2,
    mirrored: true,
    edges: [
      {
        id: 'cap-front',
        name: 'front cap',
        role: 'cap',
        path: shift(cutPath(cap, frontAt, total), -half),
        corner: 'front seam at the cap',
      },
      { id: 'cap-back', name: 'back cap', role: 'cap', path: shift(cutPath(cap, 0, backAt), half), corner: 'underarm' },
      { id: 'seam-back', name: 'back sleeve seam', role: 'underarm', path: backSeam(underBack, -1), corner: 'back seam at the cap' },
      {
        id: 'hem',
        name: 'wrist hem',
        role: 'hem',
        path: swept(at(underBack - TAPER, LENGTH), at(-1, -WRIST_SLANT), at(frontX - half, LENGTH), at(-1, 0), [0.3, 0.3]),
        corner: 'wrist at the back seam',
      },
      {
        id: 'seam-front',
        name: 'front sleeve seam',
        role: 'underarm',
        path: reversePath(frontSeam(-half)),
        corner: 'wrist at the front seam',
      },
    ],
    notches: [
      { id: 'front', name: 'front cap', edgeId: 'cap-front', place: { from: 'end', distanceMm: 86 } },
      { id: 'back', name: 'back cap', edgeId: 'cap-back', place: { from: 'start', distanceMm: 96 } },
    ],
    lines: [
      { id: 'bicep', name: 'bicep line', role: 'bicep', path: ruled(at(frontX - half + 8, 4), at(underBack - 8, 4)) },
      {
        id: 'shorten',
        name: 'lengthen or shorten line',
        role: 'shorten',
        path: ruled(at(frontX - half + 10, 150), at(underBack - 12, 150)),
      },
    ],
    grain: grainOf(40, LENGTH - 50, 0),
  }
  return [upper, under]
}

/** A front that opens in the middle: two of it are cut. */
const openedFront = (front: DraftedPiece): DraftedPiece => ({
  ...front,
  count: 2,
  mirrored: true,
  edges: front.edges.map((e) => (e.fold ? { ...e, fold: false, allowanceMm: 30 } : e)),
})

/** The harbour master's jacket: darted front that opens in the middle, back with a shoulder dart, sleeve in two pieces. */
export function draftJacket(body?: BodyFigures): Garment {
  const back = backPiece(body)
  const front = openedFront(frontPiece(back, true, body))
  const [upper, under] = twoPieceSleeve(back, front)
  return toGarment(
    [front, back, upper, under],
    [
      ...bodySeams(true),
      sewn(
        'armhole',
        'armhole seam',
        [
          ['under-sleeve', 'cap-back'],
          ['upper-sleeve', 'cap'],
          ['under-sleeve', 'cap-front'],
        ],
        [
          ['back', '-armhole'],
          ['front', 'armhole'],
        ],
        [
          [
            { pieceId: 'under-sleeve', notchId: 'back' },
            { pieceId: 'back', notchId: 'armhole' },
          ],
          [
            { pieceId: 'upper-sleeve', notchId: 'top' },
            { pieceId: 'front', cornerId: 'at-armhole' },
          ],
          [
            { pieceId: 'under-sleeve', notchId: 'front' },
            { pieceId: 'front', notchId: 'armhole' },
          ],
        ],
        [15, 30],
      ),
      sewn('sleeve-front', 'front sleeve seam', [['upper-sleeve', 'seam-front']], [['under-sleeve', '-seam-front']]),
      sewn('sleeve-back', 'back sleeve seam', [['upper-sleeve', '-seam-back']], [['under-sleeve', 'seam-back']]),
    ],
  )
}
