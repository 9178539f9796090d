import {
  add,
  applyAffine,
  line,
  mapPath,
  measureLength,
  mix,
  placeAt,
  rotateAbout,
  scale,
  subtract,
  turnRad,
  unit,
  type Affine,
  type Path,
} from '../../geometry'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import {
  armholesWithSleeve,
  closeDartsIn,
  findArmholes,
  findNecklines,
  HALVES,
  joinRuns,
  layCrotch,
  layTogether,
  measureArmhole,
  shoulderAbove,
  type Armhole,
  type BodyCurve,
  type Crotch,
  type PanelShoulder,
} from '../../seams'
import { lengthToken } from '../../units'
import type { SewnPicture } from '../types'
import { capAlongArmhole } from './cap-along-armhole'

type Stroke = SewnPicture['strokes'][number]

const carried = (path: Path, m: Affine | null): Path => (m ? mapPath(path, (p) => applyAffine(m, p)) : path)

/** Where the back lies when it is laid beside the front along the shoulder, from its outer end. */
function backAtShoulder(garment: Garment, armhole: Armhole, sizeId: string): Affine | null {
  const { shoulder } = armhole
  if (!shoulder) return null
  const frontId = armhole.front[0]!.pieceId
  const isFirst = shoulder.sides[0].some((r) => r.pieceId === frontId)
  const seam = isFirst ? shoulder : { ...shoulder, sides: [shoulder.sides[1], shoulder.sides[0]] as typeof shoulder.sides }
  const own = shoulderAbove(garment, armhole.front, sizeId).shoulder
  const outer = own[own.length - 1]!
  // The tip lies at that end of the seam where its outermost edge is walked last.
  const runs = seam.sides[0]
  const at = runs[runs.length - 1]!.edgeId === outer.edgeId && (runs.length > 1 || runs[0]!.reversed === outer.reversed) ? 'end' : 'start'
  return layTogether(garment, seam, at, sizeId)
}

/** The shoulder and the neckline of a piece beyond a panel seam, laid beside the piece with the armhole. */
function laidPanel({ piece, lay, shoulder }: PanelShoulder, sizeId: string): { shoulder: Path; necks: Path[] } {
  const shape = shapeOf(piece, sizeId)
  const laid = (path: Path) => mapPath(path, (p) => applyAffine(lay, p))
  const necks = piece.edges.filter((e) => e.role === 'neck').map((e) => laid(edgePath(shape, e.id)))
  return { shoulder: laid(joinRuns(shape, [shoulder])), necks }
}

/** Front and back laid together at the shoulder, before and after: armhole and neckline as they run on across it. */
function shoulderStrokes(before: Garment, after: Garment, sizeId: string): Stroke[] {
  const strokesOf = (garment: Garment, kind: 'was' | 'is'): Stroke[] => {
    const [own] = findArmholes(garment)
    if (!own) return []
    const back = backAtShoulder(garment, own, sizeId)
    return HALVES.flatMap((half): Stroke[] => {
      const { piece, shoulder, armhole: runs, panel } = shoulderAbove(garment, own[half], sizeId)
      const shape = shapeOf(piece, sizeId)
      const at = half === 'back' ? back : null
      const first = shoulder.findIndex((s) => s.isLeg)
      // A dart in the shoulder is shown closed: what lies between it and the neck turned about its tip.
      const closed = (path: Path): Path => {
        if (first < 0) return carried(path, at)
        const [a, b] = [joinRuns(shape, shoulder.slice(first, first + 1)), joinRuns(shape, shoulder.slice(first + 1, first + 2))]
        const tip = a[a.length - 1]!.to
        const turn = turnRad(subtract(a[0]!.from, tip), subtract(b[b.length - 1]!.to, tip))
        return carried(
          mapPath(path, (p) => rotateAbout(p, tip, turn)),
          at,
        )
      }
      const beyond = panel && laidPanel(panel, sizeId)
      const necks = beyond?.necks ?? piece.edges.filter((e) => e.role === 'neck').map((e) => edgePath(shape, e.id))
      const [inner, outer] = first < 0 ? [[], shoulder] : [shoulder.slice(0, first), shoulder.slice(first + 2)]
      const ownSeams = [...inner.map((s) => closed(joinRuns(shape, [s]))), carried(joinRuns(shape, outer), at)]
      const seams = kind === 'was' ? [] : [...(beyond ? [carried(beyond.shoulder, at)] : []), ...ownSeams]
      return [
        { path: carried(joinRuns(closeDartsIn(piece, shape, runs, 'first').shape, runs), at), kind },
        ...necks.map((path): Stroke => ({ path: closed(path), kind })),
        ...seams.filter((path) => path.length > 0).map((path): Stroke => ({ path, kind: 'seam' })),
      ]
    })
  }
  return [...strokesOf(before, 'was'), ...strokesOf(after, 'is')]
}

/** The armhole as it runs on across the shoulder, before and after, with the ease of each half; and the cap along it. */
export function armholeAsSewn(before: Garment, after: Garment, sizeId: string): SewnPicture[] {
  const [armhole] = findArmholes(after)
  if (!armhole) return []
  const pairs = armholesWithSleeve(after)
  const figures = pairs.ok ? measureArmhole(after, pairs.value[0]!, sizeId) : null
  const back = backAtShoulder(after, armhole, sizeId)
  const paths = HALVES.map((half) => {
    const { piece, armhole: runs } = shoulderAbove(after, armhole[half], sizeId)
    const { shape } = closeDartsIn(piece, shapeOf(piece, sizeId), runs, 'first')
    return carried(joinRuns(shape, runs), half === 'back' ? back : null)
  })
  /** Where the arm is: between both underarms. */
  const arm = mix(paths[0]![paths[0]!.length - 1]!.to, paths[1]![paths[1]!.length - 1]!.to, 0.5)
  const labels = HALVES.map((half, i) => ({
    at: mix(placeAt(paths[i]!, measureLength(paths[i]!) * 0.55).point, arm, TOWARD_ARM),
    text: figures ? `${half}, ease ${lengthToken(figures.ease[half])}` : half,
  }))
  const shoulder: SewnPicture = {
    title: 'As sewn: front and back at the shoulder',
    strokes: shoulderStrokes(before, after, sizeId),
    labels,
  }
  return [shoulder, ...capAlongArmhole(after, sizeId)]
}

/** The neckline as it runs on across the shoulder, before and after, with the length of each half. */
export function necklineAsSewn(before: Garment, after: Garment, sizeId: string): SewnPicture[] {
  const [armhole] = findArmholes(after)
  const found = findNecklines(after)
  if (!armhole || !found.ok) return []
  const back = backAtShoulder(after, armhole, sizeId)
  const necks = HALVES.flatMap((half) => {
    const neckline = found.value.find((n) => n.half === half && !n.facing)
    if (!neckline) return []
    const path = joinRuns(shapeOf(neckline.piece, sizeId), neckline.runs)
    return [{ half, path: carried(path, half === 'back' ? back : null) }]
  })
  const ends = necks.map(({ path }) => path[0]!.from)
  const middle = mix(ends[0]!, ends[ends.length - 1]!, 0.5)
  // Beyond the ends at the centre, where no line runs.
  const labels = necks.map(({ half, path }, i) => ({
    at: add(ends[i]!, scale(unit(subtract(ends[i]!, middle)), BEYOND_CENTRE_MM)),
    text: `${half}, ${lengthToken(measureLength(path))}`,
  }))
  return [{ title: 'As sewn: the neckline across the shoulder', strokes: shoulderStrokes(before, after, sizeId), labels }]
}

/** How far beyond the end of its line a label stands, mm. */
const BEYOND_CENTRE_MM = 22

/** How far toward the arm a label stands off its curve, as a part of the way. */
const TOWARD_ARM = 0.6

/** Both legs laid together at the inseam, the crotch line before and after, and the body’s own curve over them. */
export function crotchAsSewn(before: Garment, after: Garment, crotch: Crotch, curve: BodyCurve | null, sizeId: string): SewnPicture[] {
  const draw = (garment: Garment, kind: 'was' | 'is'): Stroke[] => {
    const laid = layCrotch(garment, crotch, sizeId)
    const waists = HALVES.flatMap((half) => {
      const piece = findPiece(garment, crotch[half].piece.id)!
      const shape = shapeOf(piece, sizeId)
      return piece.edges.filter((e) => e.role === 'waist').map((e) => carried(edgePath(shape, e.id), half === 'back' ? laid.back : null))
    })
    return [
      { path: laid.frontPath, kind },
      { path: laid.backPath, kind },
      ...(kind === 'is' ? waists.map((path): Stroke => ({ path, kind: 'seam' })) : []),
    ]
  }
  const body: Stroke[] = curve
    ? [curve.front, curve.back].map((points) => ({ path: points.slice(1).map((p, i) => line(points[i]!, p)), kind: 'body' as const }))
    : []
  const laid = layCrotch(after, crotch, sizeId)
  const middle = (path: Path) => placeAt(path, measureLength(path) * 0.4).point
  const [front, back] = [middle(laid.frontPath), middle(laid.backPath)]
  const between = mix(front, back, 0.5)
  return [
    {
      title: 'As sewn: both legs at the inseam, under the body’s curve',
      strokes: [...draw(before, 'was'), ...draw(after, 'is'), ...body],
      labels: [
        { at: mix(front, between, 0.45), text: 'front' },
        { at: mix(back, between, 0.45), text: 'back' },
      ],
    },
  ]
}
