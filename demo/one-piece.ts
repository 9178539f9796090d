import { mapPath, reversePath, type Path, type Point } from '../core/geometry'
import type { Garment } from '../core/pattern'
import { at, ruled, sewn, swept, toGarment, type DraftEdge, type DraftedPiece } from './draft-piece'

/** Bather's one-piece, mm, our own formulas: front and back as whole pieces for a knit, mirrored about x = 0. */
interface HalfFigures {
  neckDepth: number
  neckPoint: Point
  tip: Point
  underarm: Point
  waist: Point
  legTop: Point
  legCut: [Point, Point]
  crotch: Point
}

const FRONT: HalfFigures = {
  neckDepth: 150,
  neckPoint: at(92, 0),
  tip: at(132, 8),
  underarm: at(206, 218),
  waist: at(172, 392),
  legTop: at(214, 560),
  legCut: [at(150, 574), at(52, 690)],
  crotch: at(36, 728),
}
const BACK: HalfFigures = { ...FRONT, neckDepth: 196, legCut: [at(124, 580), at(88, 716)] }

const mirror = (path: Path): Path => reversePath(mapPath(path, (p) => at(-p.x, p.y)))

function wholePiece(id: 'front' | 'back', name: string, f: HalfFigures): DraftedPiece {
  const neckHalf = swept(at(0, f.neckDepth), at(1, 0), f.neckPoint, at(0.12, -1), [0.6, 0.45])
  const shoulder = ruled(f.neckPoint, f.tip)
  const armhole = swept(f.tip, at(-0.12, 1), f.underarm, at(1, 0.19), [0.62, 0.4])
  const side: Path = [
    ...swept(f.underarm, at(-0.19, 1), f.waist, at(0, 1), [0.32, 0.36]),
    ...swept(f.waist, at(0, 1), f.legTop, at(0.22, 1), [0.36, 0.32]),
  ]
  const leg = swept(f.legTop, at(-1, 0.22), f.crotch, at(0, 1), [0.45, 0.42])
  const bent = leg.map((s) => (s.kind === 'cubic' ? { ...s, c1: f.legCut[0], c2: at(f.crotch.x, f.legCut[1].y) } : s))
  const pair = (edge: string, label: string, role: DraftEdge['role'], path: Path, start: string, end: string) => ({
    right: { id: `${edge}-right`, name: `right ${label}`, role, path, corner: start },
    left: { id: `${edge}-left`, name: `left ${label}`, role, path: mirror(path), corner: end },
  })
  const sh = pair('shoulder', 'shoulder', 'shoulder', shoulder, 'right neck point', 'left shoulder tip')
  const ar = pair('armhole', 'armhole', 'armhole', armhole, 'right shoulder tip', 'left underarm')
  const si = pair('side', 'side seam', 'side', side, 'right underarm', 'left leg top')
  const le = pair('leg', 'leg opening', 'leg-opening', bent, 'right leg top', 'left crotch corner')
  const allowance = (e: DraftEdge): DraftEdge =>
    e.role === 'leg-opening' || e.role === 'armhole' || e.role === 'neck' ? { ...e, allowanceMm: 8 } : e
  const edges: DraftEdge[] = [
    { id: 'neck', name: 'neckline', role: 'neck', path: [...mirror(neckHalf), ...neckHalf], corner: 'left neck point' },
    sh.right,
    ar.right,
    si.right,
    le.right,
    {
      id: 'crotch',
      name: 'crotch seam',
      role: 'crotch',
      path: ruled(f.crotch, at(-f.crotch.x, f.crotch.y)),
      corner: 'right crotch corner',
    },
    le.left,
    si.left,
    ar.left,
    sh.left,
  ]
  return {
    id,
    name,
    kind: id,
    count: 1,
    mirrored: false,
    edges: edges.map(allowance),
    notches: [
      { id: 'waist-right', name: 'right waist', edgeId: 'side-right', place: { from: 'start', distanceMm: 178 } },
      { id: 'waist-left', name: 'left waist', edgeId: 'side-left', place: { from: 'end', distanceMm: 178 } },
    ],
    lines: [
      { id: 'bust', name: 'bust line', role: 'bust', path: ruled(at(-150, 250), at(150, 250)) },
      { id: 'shorten', name: 'lengthen or shorten line', role: 'shorten', path: ruled(at(-150, 360), at(150, 360)) },
    ],
    grain: { from: at(0, f.neckDepth + 40), to: at(0, 660) },
  }
}

/** Bather's one-piece: what is right on the front's paper meets what is left on the back's. */
export function draftOnePiece(): Garment {
  const seam = (id: string, name: string, front: string, back: string) => sewn(id, name, [['front', front]], [['back', back]])
  const side = (id: string, name: string, front: string, back: string, notches: [string, string]) => ({
    ...sewn(id, name, [['front', front]], [['back', back]]),
    marks: [
      [
        { pieceId: 'front', notchId: notches[0] },
        { pieceId: 'back', notchId: notches[1] },
      ],
    ] as Garment['seams'][number]['marks'],
  })
  return toGarment(
    [wholePiece('front', 'Front', FRONT), wholePiece('back', 'Back', BACK)],
    [
      seam('shoulder-a', 'shoulder seam, first', 'shoulder-right', '-shoulder-left'),
      seam('shoulder-b', 'shoulder seam, second', '-shoulder-left', 'shoulder-right'),
      side('side-a', 'side seam, first', 'side-right', '-side-left', ['waist-right', 'waist-left']),
      side('side-b', 'side seam, second', '-side-left', 'side-right', ['waist-left', 'waist-right']),
      seam('crotch', 'crotch seam', 'crotch', '-crotch'),
    ],
  )
}
