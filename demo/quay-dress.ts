import { measureLength, placeAt, unit, subtract } from '../core/geometry'
import type { Garment } from '../core/pattern'
import {
  armhole,
  armholeDepth,
  endDirection,
  foldEdge,
  grainOf,
  neckline,
  neckWidth,
  quarter,
  SLOPE_BACK,
  SLOPE_FRONT,
  type BodyFigures,
} from './bodice'
import { sleevePiece } from './sleeve-and-band'
import { at, ruled, sewn, swept, toGarment, type DraftedPiece } from './draft-piece'

/** Quay dress, mm: bodice with straight sides, joined at the waist to a skirt with flared straight sides. */
const BODY: BodyFigures = { bust: 900, ease: 100, shoulder: 118, backToWaist: 404, waistShaping: 12 }
const SKIRT_LENGTH = 640
const FLARE = 96

function bodice(id: 'bodice-front' | 'bodice-back'): DraftedPiece {
  const front = id === 'bodice-front'
  const w = neckWidth(BODY)
  const q = quarter(BODY)
  const slope = front ? SLOPE_FRONT : SLOPE_BACK
  const direction = at(Math.cos(slope), Math.sin(slope))
  const tip = at(w + direction.x * BODY.shoulder, direction.y * BODY.shoulder)
  const neckDepth = front ? w + 26 : 22
  const underarm = at(q, armholeDepth(BODY) + 22)
  const waistSide = at(q - BODY.waistShaping, BODY.backToWaist + 16)
  const side = ruled(underarm, waistSide)
  const down = endDirection(side)
  const foldY = waistSide.y + 2
  const waist = swept(waistSide, at(-down.y, down.x), at(0, foldY), at(-1, 0), [0.3, 0.4])
  return {
    id,
    name: front ? 'Bodice front' : 'Bodice back',
    kind: front ? 'front' : 'back',
    count: 1,
    mirrored: false,
    edges: [
      {
        id: 'neck',
        name: 'neckline',
        role: 'neck',
        path: neckline(neckDepth, w, direction),
        corner: front ? 'neck at centre front' : 'neck at centre back',
      },
      { id: 'shoulder', name: 'shoulder', role: 'shoulder', path: ruled(at(w, 0), tip), corner: 'neck point' },
      {
        id: 'armhole',
        name: 'armhole',
        role: 'armhole',
        path: armhole(tip, direction, underarm, placeAt(side, 0).tangent, front ? 18 : 10),
        corner: 'shoulder tip',
      },
      { id: 'side', name: 'side seam', role: 'side', path: side, corner: 'underarm' },
      { id: 'waist', name: 'waist edge', role: 'waist', path: waist, corner: 'waist at side' },
      foldEdge(front ? 'centre front' : 'centre back', foldY, neckDepth, 'waist at centre'),
    ],
    notches: [
      {
        id: 'armhole',
        name: front ? 'front armhole' : 'back armhole',
        edgeId: 'armhole',
        place: { from: 'end', distanceMm: front ? 86 : 96 },
      },
    ],
    lines: [{ id: 'bust', name: 'bust line', role: 'bust', path: ruled(at(14, underarm.y + 20), at(q - 18, underarm.y + 20)) }],
    grain: grainOf(160, 380, 70),
  }
}

function skirt(id: 'skirt-front' | 'skirt-back', bodicePiece: DraftedPiece): DraftedPiece {
  const front = id === 'skirt-front'
  const want = measureLength(bodicePiece.edges.find((e) => e.id === 'waist')!.path)
  const q = quarter(BODY) - BODY.waistShaping
  const build = (width: number) => {
    const top = at(width, 0)
    const hem = at(width + FLARE, SKIRT_LENGTH)
    const down = unit(subtract(hem, top))
    return { top, hem, down, waist: swept(at(0, 12), at(1, 0), top, at(down.y, -down.x), [0.4, 0.3]) }
  }
  // The waist edge is as long as the bodice's: its width is found by stepping the difference in.
  let width = q
  for (let i = 0; i < 20; i++) width += want - measureLength(build(width).waist)
  const { top, hem, down, waist } = build(width)
  const foldY = SKIRT_LENGTH + 16
  return {
    id,
    name: front ? 'Skirt front' : 'Skirt back',
    kind: id,
    count: 1,
    mirrored: false,
    edges: [
      { id: 'waist', name: 'waist edge', role: 'waist', path: waist, corner: 'waist at centre' },
      { id: 'side', name: 'side seam', role: 'side', path: ruled(top, hem), corner: 'waist at side' },
      {
        id: 'hem',
        name: 'hem',
        role: 'hem',
        path: swept(hem, at(-down.y, down.x), at(0, foldY), at(-1, 0), [0.3, 0.45]),
        corner: 'hem at side',
      },
      { ...foldEdge(front ? 'centre front' : 'centre back', foldY, 12, 'hem at centre') },
    ],
    notches: [{ id: 'hip', name: 'hip', edgeId: 'side', place: { from: 'start', distanceMm: 200 } }],
    lines: [{ id: 'hip-line', name: 'hip line', role: 'hip', path: ruled(at(14, 200), at(q, 200)) }],
    grain: grainOf(100, 520, 90),
  }
}

/** Quay dress: bodice front and back, skirt front and back, set-in sleeve. */
export function draftQuayDress(): Garment {
  const bodiceFront = bodice('bodice-front')
  const bodiceBack = bodice('bodice-back')
  return toGarment(
    [bodiceFront, bodiceBack, skirt('skirt-front', bodiceFront), skirt('skirt-back', bodiceBack), sleevePiece(bodiceBack, bodiceFront)],
    [
      sewn('shoulder', 'shoulder seam', [['bodice-front', 'shoulder']], [['bodice-back', 'shoulder']]),
      sewn('side', 'bodice side seam', [['bodice-front', 'side']], [['bodice-back', 'side']]),
      sewn(
        'skirt-side',
        'skirt side seam',
        [['skirt-front', 'side']],
        [['skirt-back', 'side']],
        [
          [
            { pieceId: 'skirt-front', notchId: 'hip' },
            { pieceId: 'skirt-back', notchId: 'hip' },
          ],
        ],
      ),
      sewn(
        'armhole',
        'armhole seam',
        [['sleeve', 'cap']],
        [
          ['bodice-back', '-armhole'],
          ['bodice-front', 'armhole'],
        ],
        [
          [
            { pieceId: 'sleeve', notchId: 'back' },
            { pieceId: 'bodice-back', notchId: 'armhole' },
          ],
          [
            { pieceId: 'sleeve', notchId: 'top' },
            { pieceId: 'bodice-front', cornerId: 'at-armhole' },
          ],
          [
            { pieceId: 'sleeve', notchId: 'front' },
            { pieceId: 'bodice-front', notchId: 'armhole' },
          ],
        ],
        [15, 30],
      ),
      sewn('sleeve', 'sleeve seam', [['sleeve', 'seam-front']], [['sleeve', '-seam-back']]),
      sewn('waist-front', 'front waist seam', [['bodice-front', '-waist']], [['skirt-front', 'waist']]),
      sewn('waist-back', 'back waist seam', [['bodice-back', '-waist']], [['skirt-back', 'waist']]),
    ],
  )
}
