import { familyOf, findPiece, shapeOf, sizeBeyond, timesRound, type Garment, type Piece, type Shape } from '../../pattern'
import { findZones, finishedMm, sideChains, zoneWidth, type Zone, type ZoneId, type ZonePart } from '../../measure'
import { LENGTH_FOUND_MM } from '../../tolerances'
import type { ChangeContext } from '../types'
import { cardinalsOf } from './cardinals'
import { gradeShape } from './grade-shape'
import { askedPart, rulesOn, tableOf } from './rules'
import type { Cardinal, GradeInputs, Rule } from './schema'
import { settleCaps } from '../../seams'
import { evenSides } from '../shared/even-sides'
import { SIDE_KEYS, widenSides, type SideAmounts, type SideZone } from '../shared/widen-sides'
import { settleBands } from '../shared/settle-bands'

/** A size that a grade makes, with how much its body is larger than the size it starts from, mm. */
export interface GradedSize {
  id: string
  name: string
  fromId: string
  totalMm: number
}

/** The interval of each step in one direction, nearest to the pattern first, mm. */
export function intervalsOf(inputs: GradeInputs, direction: 'up' | 'down'): number[] {
  const own = direction === 'up' ? inputs.upIntervalsMm : inputs.downIntervalsMm
  return Array.from({ length: direction === 'up' ? inputs.up : inputs.down }, (_, i) => own[i] ?? inputs.intervalMm)
}

/** The next size's name: a figure counts on, any other name says how many steps. */
const nameOf = (from: string, steps: number): string =>
  /^\d+$/.test(from) ? String(Number(from) + steps) : `${from} ${steps > 0 ? '+' : '−'}${Math.abs(steps)}`

/** The sizes that a grade adds, smallest first: below the smallest and above the largest that are there. */
export function gradedSizes(garment: Garment, inputs: GradeInputs): { below: GradedSize[]; above: GradedSize[] } {
  const list = (from: Garment['sizes'][number], direction: 'up' | 'down'): GradedSize[] => {
    const sign = direction === 'up' ? 1 : -1
    let totalMm = 0
    return intervalsOf(inputs, direction).map((mm, i) => {
      totalMm += sign * mm
      const steps = sign * (i + 1)
      return { id: sizeBeyond(from.id, Math.sign(steps) * (i + 1)), name: nameOf(from.name, steps), fromId: from.id, totalMm }
    })
  }
  return {
    below: list(garment.sizes[0]!, 'down').reverse(),
    above: list(garment.sizes[garment.sizes.length - 1]!, 'up'),
  }
}

/** The points whose rules say how much a zone grows on a piece, and of these the ones that set it right. */
interface Carriers {
  asked: Cardinal[]
  moved: Cardinal[]
}

/** Corners of the piece that carry a zone; on a leg the hip lies inside the outseam and the crotch opposite stays by its rule. */
function carriersOf(piece: Piece, zone: ZoneId): Carriers | null {
  const corners = cardinalsOf(piece).filter((c) => c !== null)
  const here = (list: Cardinal[]) => corners.filter((c) => list.includes(c))
  if (zone === 'hip' && familyOf(piece) === 'leg') return { asked: ['hip-side', 'crotch-point'], moved: ['hip-side'] }
  const list =
    zone === 'bust'
      ? here(['underarm'])
      : zone === 'waist'
        ? here(['waist-side', 'waist-centre'])
        : zone === 'hip'
          ? here(['hem-side'])
          : []
  return list.length > 0 ? { asked: list, moved: list } : null
}

/** Rounds of setting right what slanting and curved lines lose or gain; each leaves less than a tenth of the error. */
const ROUNDS = 6

/** How much further from the centre than by their rules single points of a piece go, mm, by the piece's id. */
type OutByPiece = Map<string, Partial<Record<Cardinal, number>>>

/** What a grade finds on a garment once for all its sizes. */
interface Laid {
  zones: readonly Zone[]
  rulesFor: (piece: Piece) => Partial<Record<Cardinal, Rule>> | null
}

function layOut(garment: Garment, inputs: Pick<GradeInputs, 'centre' | 'rules'>): Laid {
  const inForce = new Map(garment.pieces.map((piece) => [piece.id, rulesOn(garment, piece, inputs)]))
  return { zones: findZones(garment), rulesFor: (piece) => inForce.get(piece.id)! }
}

/** What the last size needed, in proportion: the next one is set right in fewer rounds. Nothing on the other side of the range. */
function foreseen(last: { out: OutByPiece; totalMm: number } | null, { totalMm }: GradedSize): OutByPiece {
  if (!last || last.totalMm * totalMm < 0) return new Map()
  const grown = (own: Partial<Record<Cardinal, number>>) =>
    Object.fromEntries(Object.entries(own).map(([c, mm]) => [c, (mm * totalMm) / last.totalMm]))
  return new Map([...last.out].map(([id, own]) => [id, grown(own)]))
}

/**
 * One size made from another and added to every piece; caps and bands follow what they are sewn to. The points that
 * carry bust, waist and hip are moved out a little more or less than their rule says, until the finished measure has
 * grown by exactly what the rules ask: an edge that slants or curves grows otherwise than its corners move.
 *
 * @param out how much further they go than their rules say, to begin with; in the end it says how much it was
 */
function addGradedSize(
  garment: Garment,
  inputs: Pick<GradeInputs, 'centre' | 'rules'>,
  size: GradedSize,
  { zones, rulesFor }: Laid,
  out: OutByPiece,
): Garment {
  /** Shapes as they were made last: a piece that nothing is set right on is made once. */
  const made = new Map<string, Shape>()
  const make = (): Garment => {
    const pieces = garment.pieces.map((piece) => {
      const from = shapeOf(piece, size.fromId)
      const rules = rulesFor(piece)
      const shape = made.get(piece.id) ?? (rules ? gradeShape(piece, from, rules, size.totalMm, out.get(piece.id)) : from)
      made.set(piece.id, shape)
      return { ...piece, shapes: { ...piece.shapes, [size.id]: shape } }
    })
    return evenSides(garment, { ...garment, pieces }, size.id, { from: [size.fromId] }).garment
  }
  const wanted = zones.flatMap((zone) => zone.parts.flatMap((part) => wantedOn(garment, zone, part, rulesFor, size) ?? []))
  let grown = make()
  for (let round = 0; round < ROUNDS; round++) {
    let worst = 0
    for (const { part, wantedMm, free } of wanted) {
      const off = wantedMm - zoneWidth(grown, part, size.id)
      worst = Math.max(worst, Math.abs(off))
      const own = out.get(part.pieceId) ?? {}
      for (const c of new Set(free)) own[c] = (own[c] ?? 0) + off / free.length
      out.set(part.pieceId, own)
      made.delete(part.pieceId)
    }
    if (worst <= LENGTH_FOUND_MM) break
    grown = make()
  }
  grown = widenSides(grown, missingInside(garment, grown, zones, inputs, size), size.id)
  const capped = settleCaps(garment, grown, size.fromId, size.id)
  // A cap that no height would fit stays as it is, and the promise of its ease says so.
  return settleBands(garment, capped.ok ? capped.value.garment : grown, size.fromId, size.id)
}

/** How wide a part of a zone is to become, and the corners that are moved for it, by their points; null where none is free to move. */
function wantedOn(
  garment: Garment,
  zone: Zone,
  part: ZonePart,
  rulesFor: (piece: Piece) => Partial<Record<Cardinal, Rule>> | null,
  size: GradedSize,
): { part: ZonePart; wantedMm: number; free: Cardinal[] } | null {
  const piece = findPiece(garment, part.pieceId)!
  const rules = rulesFor(piece)
  const carriers = carriersOf(piece, zone.id as ZoneId)
  if (!rules || !carriers) return null
  // Points on the centre stay there.
  const free = carriers.moved.filter((c) => (rules[c]?.across ?? 0) !== 0)
  const asked = carriers.asked.reduce((sum, c) => sum + (rules[c]?.across ?? 0) * size.totalMm, 0)
  return free.length === 0 ? null : { part, wantedMm: zoneWidth(garment, part, size.fromId) + asked, free }
}

/** What a zone of the trunk still misses an edge where no corner with a rule of its own carries it: a waist drawn inside the side. */
function missingInside(
  garment: Garment,
  grown: Garment,
  zones: readonly Zone[],
  inputs: Pick<GradeInputs, 'centre' | 'rules'>,
  size: GradedSize,
): SideAmounts {
  const amounts: SideAmounts = { bustMm: 0, waistMm: 0, hipMm: 0 }
  for (const zone of zones) {
    const key = SIDE_KEYS[zone.id as SideZone]
    const pieces = zone.parts.map((p) => findPiece(garment, p.pieceId)!)
    if (!key || pieces.some((p) => !tableOf(p) || carriersOf(p, zone.id as ZoneId))) continue
    const edges = pieces.reduce((sum, p) => sum + sideChains(p, shapeOf(p, size.fromId)).length * timesRound(garment, p), 0)
    const asked =
      size.totalMm *
      askedPart(
        garment,
        pieces.map((p) => p.id),
        inputs,
      )
    const grew = finishedMm(grown, zone, size.id) - finishedMm(garment, zone, size.fromId)
    if (edges > 0) amounts[key] = (asked - grew) / edges
  }
  return amounts
}

/** The sizes that are drawn, smallest first: those that differ from what they start from, and of these the ones that are looked at. */
export function drawnSizes(
  garment: Garment,
  inputs: GradeInputs,
  lookedAt?: readonly string[],
): { below: GradedSize[]; above: GradedSize[] } {
  const isDrawn = (s: GradedSize) => s.totalMm !== 0 && (!lookedAt || lookedAt.includes(s.id))
  const { below, above } = gradedSizes(garment, inputs)
  return { below: below.filter(isDrawn), above: above.filter(isDrawn) }
}

/**
 * Makes whole sizes above and below those that a garment has (craft 6.5), all in one nest; each is drawn from the last one there was.
 * @param lookedAt the ids of the only sizes that are drawn; all of them where they are not given
 * @param progress is told after each size how many of how many are done
 */
export function gradeGarment(
  garment: Garment,
  inputs: GradeInputs,
  { lookedAt, progress }: Pick<ChangeContext, 'lookedAt'> & { progress?: (done: number, of: number) => void } = {},
): Garment {
  const { below, above } = drawnSizes(garment, inputs, lookedAt)
  const all = [...below, ...above]
  if (all.length === 0) return garment
  const laid = layOut(garment, inputs)
  let last: Parameters<typeof foreseen>[0] = null
  const grown = all.reduce((g, size, i) => {
    const out = foreseen(last, size)
    const next = addGradedSize(g, inputs, size, laid, out)
    last = { out, totalMm: size.totalMm }
    progress?.(i + 1, all.length)
    return next
  }, garment)
  const named = (list: GradedSize[]) => list.map(({ id, name }) => ({ id, name }))
  return { ...grown, sizes: [...named(below), ...garment.sizes, ...named(above)] }
}
