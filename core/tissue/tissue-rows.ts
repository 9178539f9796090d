import type { AskedGiven } from '../advice'
import { figureMm, type MeasureSet } from '../body'
import { finishedMm, findZones, levelOfCorner } from '../measure'
import { cornersBetween, shapeOf, type Garment } from '../pattern'
import { capital, lengthToken } from '../units'
import { hangPieces, type View } from './hang-pieces'

/** One thing to look at, from the top down. */
export interface TissueRow {
  id: string
  name: string
  view: View | 'side'
  /** Round the body, along it, or only to be looked at. */
  what: 'zone' | 'length' | 'look'
  bodyMm: number | null
  /** What is asked: the body and the ease wanted. */
  askedMm: number | null
  patternMm: number | null
  /** Pattern less what is asked, mm; null where nothing has to be met. */
  offMm: number | null
  verdict: 'agrees' | 'off' | 'look'
  /** What to look at, or why it is off: a sentence with lengths as tokens. */
  says: string
}

/** Where each measure is looked at, from the top down (craft 9). */
const ORDER: readonly [id: string, view: View][] = [
  ['shoulder', 'front'],
  ['neck', 'front'],
  ['high-bust', 'front'],
  ['underarm-to-waist', 'back'],
  ['bust', 'front'],
  ['front-to-waist', 'front'],
  ['back-neck-to-waist', 'back'],
  ['waist', 'front'],
  ['waist-to-hip', 'front'],
  ['hip', 'front'],
  ['crotch', 'front'],
  ['thigh', 'front'],
  ['waist-to-hem-back', 'back'],
  ['waist-to-hem-side', 'front'],
  ['waist-to-hem-front', 'front'],
  ['waist-to-knee', 'front'],
  ['knee', 'front'],
]

const NAMES: Record<string, string> = {
  shoulder: 'Shoulder and its end',
  neck: 'Neck',
  'underarm-to-waist': 'Under the arm',
  'front-to-waist': 'Waist level, in front',
  'back-neck-to-waist': 'Waist level, at the back',
  'waist-to-hip': 'Hip level',
  'waist-to-knee': 'Knee level',
  'waist-to-hem-back': 'Hem, centre back',
  'waist-to-hem-side': 'Hem, side',
  'waist-to-hem-front': 'Hem, centre front',
}

function rowOf(given: AskedGiven, view: View): TissueRow {
  const offMm = given.askedMm === null ? null : given.givenMm - given.askedMm
  // More room than was asked for is the design's, and only looked at.
  const isRoomy = given.what === 'zone' && offMm !== null && offMm > 0 && given.reason !== null
  const isOff = given.reason !== null && !isRoomy
  const says =
    offMm === null
      ? 'As its maker drew it: hold it against the body.'
      : given.reason !== null
        ? given.reason
        : given.what === 'zone'
          ? 'The ease is what was asked for.'
          : 'The levels agree.'
  return {
    id: given.id,
    name: capital(NAMES[given.id] ?? given.name),
    view,
    what: given.what,
    bodyMm: given.bodyMm,
    askedMm: given.askedMm,
    patternMm: given.givenMm,
    offMm,
    verdict: isOff ? 'off' : offMm === null || isRoomy || given.sides ? 'look' : 'agrees',
    says: [says, given.sides].filter(Boolean).join(' '),
  }
}

/** The apex below the shoulder at the neck, as the front has it: no measure of the body tells it. */
function apexRow(garment: Garment, set: MeasureSet | null): TissueRow[] {
  const hung = hangPieces(garment, set).find((p) => p.view === 'front' && p.apex)
  const piece = hung && garment.pieces.find((p) => p.id === hung.pieceId)!
  if (!hung || !piece) return []
  const shape = shapeOf(piece, garment.baseSizeId)
  const [corner] = cornersBetween(piece, ['neck'], ['shoulder'])
  const [waist] = cornersBetween(piece, ['waist'], ['centre-front'])
  const top = corner === undefined ? null : levelOfCorner(piece, shape, corner)
  if (top === null) return []
  const front = figureMm(set, 'front-to-waist')
  const mm = hung.apex!.y + (front ?? 0)
  if (front === undefined && waist === undefined) return []
  return [
    {
      id: 'apex',
      name: 'Bust level, at the apex',
      view: 'front',
      what: 'look',
      bodyMm: null,
      askedMm: null,
      patternMm: mm,
      offMm: null,
      verdict: 'look',
      says: `The apex lies ${lengthToken(mm)} below the shoulder at the neck and ${lengthToken(Math.abs(hung.apex!.x))} from the centre: hold it against the fullest part. A dart that misses it is raised, lowered or turned.`,
    },
  ]
}

/** Front and back of a zone, finished, mm. */
function halves(garment: Garment, zoneId: string): { front: number; back: number } | null {
  const zone = findZones(garment).find((z) => z.id === zoneId)
  if (!zone) return null
  const of = (view: 'front' | 'back') => {
    const parts = zone.parts.filter((p) => garment.pieces.find((x) => x.id === p.pieceId)!.kind.includes(view))
    return parts.length === 0 ? null : finishedMm(garment, { ...zone, parts }, garment.baseSizeId)
  }
  const [front, back] = [of('front'), of('back')]
  return front === null || back === null ? null : { front, back }
}

/** More than this between two levels and the side seam no longer hangs upright, mm on each side. */
const UPRIGHT_MM = 6

/** The side seen from the side: how wide front and back are at each level, and how far behind the middle of them the side seam lies. */
export const sideLevels = (garment: Garment): { id: 'bust' | 'waist' | 'hip'; frontMm: number; backMm: number; behindMm: number }[] =>
  (['bust', 'waist', 'hip'] as const).flatMap((id) => {
    const h = halves(garment, id)
    return h ? [{ id, frontMm: h.front, backMm: h.back, behindMm: (h.front - h.back) / 4 }] : []
  })

/** Whether the side hangs upright: how the front’s share of the width changes from one level to the next. */
function sideRow(garment: Garment): TissueRow[] {
  const levels = sideLevels(garment)
  if (levels.length < 2) return []
  const [first, ...rest] = levels
  const worst = rest.reduce((a, b) => (Math.abs(b.behindMm - first!.behindMm) > Math.abs(a.behindMm - first!.behindMm) ? b : a))
  const mm = worst.behindMm - first!.behindMm
  const isOff = Math.abs(mm) > UPRIGHT_MM
  return [
    {
      id: 'side-upright',
      name: 'Side seam upright',
      view: 'side',
      what: 'look',
      bodyMm: null,
      askedMm: null,
      patternMm: mm,
      offMm: null,
      verdict: 'look',
      says: isOff
        ? `From ${first!.id} to ${worst.id} the side seam runs ${lengthToken(Math.abs(mm))} to the ${mm > 0 ? 'back' : 'front'}. If it should hang upright on this body, move width between front and back there.`
        : 'By front and back widths the side seam hangs upright, where the body is as deep in front as behind.',
    },
  ]
}

/** Back length against front length, body and pattern. */
function balanceRow(given: readonly AskedGiven[]): TissueRow[] {
  const [front, back] = ['front-to-waist', 'back-neck-to-waist'].map((id) => given.find((g) => g.id === id))
  if (!front || !back) return []
  const [body, pattern] = [front.bodyMm - back.bodyMm, front.givenMm - back.givenMm]
  const off = pattern - body
  const isOff = Math.abs(off) > 3
  return [
    {
      id: 'balance',
      name: 'Back against front',
      view: 'side',
      what: 'length',
      bodyMm: body,
      askedMm: body,
      patternMm: pattern,
      offMm: off,
      verdict: isOff ? 'off' : 'agrees',
      says: isOff
        ? `Against the back, the front is ${lengthToken(Math.abs(off))} too ${off > 0 ? 'long' : 'short'}: it takes or gives that at the side dart, or the back takes a wedge at its centre.`
        : 'The front is longer than the back by what the body asks.',
    },
  ]
}

/**
 * What is looked at when the pieces are held against the body, from the top down: shoulder, neck, bust, waist, hip and hem levels,
 * then whether the side hangs upright, then back against front (craft 9).
 *
 * @param garment the pieces that are hung, in their base size
 * @param given what they give beside what the body asks
 */
export function tissueRows(garment: Garment, given: readonly AskedGiven[], set: MeasureSet | null): TissueRow[] {
  const rows = ORDER.flatMap(([id, view]) => {
    const row = given.find((g) => g.id === id)
    return row ? [rowOf(row, view)] : []
  })
  const bust = rows.findIndex((r) => r.id === 'bust')
  const apex = apexRow(garment, set)
  return [
    ...rows.slice(0, bust < 0 ? 0 : bust),
    ...(bust < 0 ? [] : apex),
    ...rows.slice(bust < 0 ? 0 : bust),
    ...sideRow(garment),
    ...balanceRow(given),
  ]
}
