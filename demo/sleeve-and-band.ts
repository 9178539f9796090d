import { measureLength, unit, type Path, type Point } from '../core/geometry'
import { grainOf } from './bodice'
import { at, ruled, solve, swept, type DraftedPiece } from './draft-piece'

/** How much longer the cap is than the armhole, and how wide the band, mm. */
export const CAP_EASE = 22
const BAND_WIDTH = 32

function edgeOf(piece: DraftedPiece, id: string): Path {
  return piece.edges.find((e) => e.id === id)!.path
}

/** A cap over a sleeve that is `half` wide to each side, its top a little in front of the middle; square to its seams. */
export function capOver(half: number, height: number, seamDown: Point): Path {
  const rise = at(seamDown.y, -seamDown.x)
  const top = at(4, -height)
  const backMid = at(-half * 0.55, -height * 0.5)
  const frontMid = at(half * 0.55, -height * 0.44)
  const climb = unit(at(half * 0.46, -height * 0.86))
  const fall = unit(at(half * 0.46, height * 0.98))
  return [
    ...swept(at(-half, 0), at(rise.x, -rise.y), backMid, climb, [0.34, 0.3]),
    ...swept(backMid, climb, top, at(1, 0), [0.34, 0.38]),
    ...swept(top, at(1, 0), frontMid, fall, [0.38, 0.3]),
    ...swept(frontMid, fall, at(half, 0), rise, [0.34, 0.36]),
  ].map((s, i, all) => (i === 0 ? s : { ...s, from: all[i - 1]!.to })) as Path
}

/** Set-in sleeve: the cap's height is solved so that the cap is longer than the armhole by the wanted ease. */
export function sleevePiece(back: DraftedPiece, front: DraftedPiece): DraftedPiece {
  const backMm = measureLength(edgeOf(back, 'armhole'))
  const frontMm = measureLength(edgeOf(front, 'armhole'))
  const half = (backMm + frontMm) * 0.38
  const wrist = half * 0.7
  const length = 428
  const seamDown = unit(at(-(half - wrist), length))
  // The cap begins and ends square to the underarm seams, so that it runs on across the sewn seam.
  const height = solve((h) => measureLength(capOver(half, h, seamDown)) - (backMm + frontMm + CAP_EASE), 40, 260)
  const path = capOver(half, height, seamDown)
  const capMm = measureLength(path)
  const hemPath = swept(at(wrist, length), at(-seamDown.y, seamDown.x), at(-wrist, length), at(-seamDown.y, -seamDown.x), [0.3, 0.3])
  return {
    id: 'sleeve',
    name: 'Sleeve',
    kind: 'sleeve',
    count: 2,
    mirrored: true,
    edges: [
      { id: 'cap', name: 'cap', role: 'cap', path, corner: 'back underarm' },
      {
        id: 'seam-front',
        name: 'front underarm seam',
        role: 'underarm',
        path: ruled(at(half, 0), at(wrist, length)),
        corner: 'front underarm',
      },
      { id: 'hem', name: 'wrist hem', role: 'hem', path: hemPath, corner: 'wrist at front' },
      {
        id: 'seam-back',
        name: 'back underarm seam',
        role: 'underarm',
        path: ruled(at(-wrist, length), at(-half, 0)),
        corner: 'wrist at back',
      },
    ],
    notches: [
      { id: 'back', name: 'back cap', edgeId: 'cap', place: { from: 'start', distanceMm: 96 } },
      { id: 'top', name: 'shoulder', edgeId: 'cap', place: { from: 'start', distanceMm: backMm + CAP_EASE / 2 } },
      { id: 'front', name: 'front cap', edgeId: 'cap', place: { from: 'start', distanceMm: capMm - 86 } },
    ],
    lines: [
      { id: 'bicep', name: 'bicep line', role: 'bicep', path: ruled(at(-half + 8, 4), at(half - 8, 4)) },
      { id: 'shorten', name: 'lengthen or shorten line', role: 'shorten', path: ruled(at(-half + 40, 215), at(half - 40, 215)) },
    ],
    grain: grainOf(-height * 0.4, length - 50, 0),
  }
}

/** Neckband, half of it on the fold at centre back: as long as both necklines. */
export function neckband(back: DraftedPiece, front: DraftedPiece): DraftedPiece {
  const backMm = measureLength(edgeOf(back, 'neck'))
  const total = backMm + measureLength(edgeOf(front, 'neck'))
  return {
    id: 'neckband',
    name: 'Neckband',
    kind: 'band',
    count: 2,
    mirrored: false,
    edges: [
      { id: 'outer', name: 'outer edge', role: 'band', path: ruled(at(0, 0), at(total, 0)), corner: 'outer edge at centre back' },
      {
        id: 'end',
        name: 'centre front end',
        role: 'band-end',
        path: ruled(at(total, 0), at(total, BAND_WIDTH)),
        corner: 'outer edge at centre front',
      },
      {
        id: 'neck',
        name: 'neck edge',
        role: 'neck',
        path: ruled(at(total, BAND_WIDTH), at(0, BAND_WIDTH)),
        corner: 'neck edge at centre front',
      },
      {
        id: 'fold',
        name: 'centre back',
        role: 'centre-back',
        path: ruled(at(0, BAND_WIDTH), at(0, 0)),
        corner: 'neck edge at centre back',
        fold: true,
      },
    ],
    notches: [{ id: 'shoulder', name: 'shoulder', edgeId: 'neck', place: { from: 'end', distanceMm: backMm } }],
    grain: { from: at(total / 2, 4), to: at(total / 2, BAND_WIDTH - 4) },
  }
}
