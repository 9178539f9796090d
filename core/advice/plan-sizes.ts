import {
  cupsFor,
  dartsOf,
  findKind,
  foldPlan,
  proposeBust,
  withId,
  type AddAtEdgeInputs,
  type BlendInputs,
  type BustAmountInputs,
  type Change,
  type ChangeContext,
  type FinishDartInputs,
  type FoldedPlan,
  type FoldedStop,
  type GradeInputs,
  type LengthenInputs,
  type Level,
  type NewChange,
  type TakeCupInputs,
} from '../changes'
import { lineLevel, finishedMm, type ZoneId } from '../measure'
import { alongGrain, tipBackMm } from '../moves'
import { cornerPoint, dartFigures, findPiece, grainDirection, neighbours, shapeOf, sizeBeyond, type Garment, type Piece } from '../pattern'
import { adviseCup, makeWorksheet, type LengthRow, type Worksheet, type WorksheetRow } from '../size'

/** A length is changed from this difference on, mm: less is within how exactly a body is measured. */
const LENGTH_MM = 5

/** The level along the grain of the corner between two roles, or null. */
function cornerLevel(piece: Piece, sizeId: string, a: string, b: string): { id: string; at: number } | null {
  const shape = shapeOf(piece, sizeId)
  const i = piece.edges.findIndex((e) => {
    const roles: string[] = [e.role, neighbours(piece, e.id).before.role]
    return roles.includes(a) && roles.includes(b)
  })
  if (i < 0) return null
  const { id } = piece.corners[i]!
  return { id, at: alongGrain(cornerPoint(piece, shape, id)!, grainDirection(shape)) }
}

/** Where a length is put in or taken out: at the printed line between its two places, else half way below the upper one. */
function levelFor(garment: Garment, row: LengthRow): Level | null {
  const piece = findPiece(garment, row.pieceId)!
  const shape = shapeOf(piece, garment.baseSizeId)
  const tops: Record<LengthRow['from'], { id: string; at: number } | null> = {
    neck: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    shoulder: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    underarm: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    waist: cornerLevel(piece, garment.baseSizeId, 'waist', 'side') ?? cornerLevel(piece, garment.baseSizeId, 'waist', 'outseam'),
  }
  const top = tops[row.from]
  const bottom = row.toLevelMm
  const line = piece.lines.find((l) => {
    const at = l.role === 'shorten' ? lineLevel(shape, l.id) : null
    return at !== null && (!top || at > top.at) && at < bottom
  })
  if (line) return { id: 'line-1', share: 1, mark: { by: 'line', id: line.id }, belowMm: 0 }
  if (!top) return null
  return { id: 'line-1', share: 1, mark: { by: 'corner', id: top.id }, belowMm: (bottom - top.at) / 2 }
}

/**
 * The change that brings one length of the garment to the body's: at lines above the waist or in the leg, at the hem for
 * the lengths down to it.
 * @returns null when nothing is missing, or no place for it is found
 */
export function changeForLength(garment: Garment, row: LengthRow, context: ChangeContext): NewChange | null {
  const missing = row.missingMm
  if (missing === null || Math.abs(missing) < LENGTH_MM) return null
  const note = `${row.name}: the body measures more or less than the pattern gives.`
  if (row.to === 'hem') {
    if (findKind('uneven-hem').begin(garment, context).ok === false) return null
    const inputs = { centreFrontMm: 0, sideMm: 0, centreBackMm: 0 }
    const key = row.id.endsWith('back') ? 'centreBackMm' : row.id.endsWith('front') ? 'centreFrontMm' : 'sideMm'
    return { kind: 'uneven-hem', on: true, note, inputs: { ...inputs, [key]: missing } }
  }
  const level = levelFor(garment, row)
  if (!level) return null
  const inputs: LengthenInputs = { amountMm: missing, pieceId: row.pieceId, levels: [level], leftOut: [] }
  return { kind: 'lengthen', on: true, note, inputs }
}

/** Less than this at an edge is left as it is, mm: a pencil line on each side. */
const EDGE_MM = 0.5

/** Lengths that are changed in a plan, each where no other one of them is: above the waist, in the leg. */
const PLANNED = ['back-neck-to-waist', 'waist-to-knee']

/**
 * From a body to an ordered plan: the cup's own piece first, then lengths, so that the zones sit at the body's levels, the
 * bust where the size was chosen by the high bust, the sizes blended (craft 1 and 6.6), then what all that leaves over.
 *
 * @param garment the pieces that it starts from
 * @param context without the body's figures nothing is planned
 * @param own stops that the garment has gone through already: a bust that one of them changed is not changed again
 */
export function planSizes(garment: Garment, context: ChangeContext, own: readonly Change[] = []): NewChange[] {
  const { body: set, sizing } = context
  const { cups, traced } = traceCups(garment, context)
  const worksheet = makeWorksheet(traced, sizing, set)
  const lengths = PLANNED.flatMap((id) => {
    const row = worksheet.lengths.find((r) => r.id === id)
    return row ? (changeForLength(traced, row, context) ?? []) : []
  })
  const isBustDone = own.some((c) => c.kind === 'bust-amount' && c.on)
  const bust = isBustDone ? [] : planBust(after(traced, lengths, context), worksheet, context)
  const { stops: grown, sizeOf } = growRange(traced, worksheet)
  const base = traced.baseSizeId
  const first = sizeOf('bust') ?? sizeOf('waist') ?? sizeOf('hip') ?? base
  const inputs: BlendInputs = {
    bust: sizeOf('bust') ?? first,
    waist: sizeOf('waist') ?? first,
    hip: sizeOf('hip') ?? sizeOf('waist') ?? first,
    startMm: 0,
    endMm: 0,
  }
  const differs = [inputs.bust, inputs.waist, inputs.hip].some((id) => id !== base)
  const blended: NewChange[] =
    differs && findKind('blend').begin(traced, context).ok
      ? [{ kind: 'blend', on: true, note: 'A size for each zone, from the worksheet.', inputs }]
      : []
  const cut = [...lengths, ...bust, ...grown, ...blended]
  return [...cups, ...cut, ...remainders(after(traced, cut, context), worksheet, context)].filter(canBeKept)
}

/** A body far off the pattern asks for more than a change may give: such a stop is not proposed. */
const canBeKept = (stop: NewChange): boolean => findKind(stop.kind)?.schema.safeParse(stop.inputs).success ?? false

const fold = (garment: Garment, stops: readonly NewChange[], context: ChangeContext): FoldedPlan =>
  foldPlan(
    garment,
    stops.map((c, i) => withId(c, `${i}`)),
    context,
  )

/** A garment after stops of a plan; one that is refused leaves it as it was. */
const after = (garment: Garment, stops: readonly NewChange[], context: ChangeContext): Garment => fold(garment, stops, context).garment

/** A stop that is proposed, and what it is called after those before it. */
export interface Proposed {
  change: NewChange
  words: FoldedStop['words']
}

/** Proposed stops with what each is called where it will stand: a blend by the sizes that a grade before it makes. */
export function nameProposed(garment: Garment, list: readonly NewChange[], context: ChangeContext): Proposed[] {
  const { stops } = fold(garment, list, context)
  return list.map((change, i) => ({ change, words: stops[i]!.words }))
}

/**
 * The pattern's own pieces for the cup that the body takes, where others lie there, and the garment with those traced: what a
 * worksheet for that body is made of.
 */
export function traceCups(garment: Garment, context: ChangeContext): { cups: NewChange[]; traced: Garment } {
  const { sizing } = context
  const advice = adviseCup(context.body, sizing.cups)
  // Beyond the largest cup the bust is changed on that one.
  const cup = advice?.cup ?? (advice?.change ? sizing.cups.at(-1)?.name : undefined)
  if (!cup) return { cups: [], traced: garment }
  const cups = garment.pieces
    .filter((p) => p.cup !== cup && cupsFor(garment, p.id).some((c) => c.cup === cup))
    .map((p): NewChange => {
      const inputs: TakeCupInputs = { pieceId: p.id, cup }
      return { kind: 'take-cup', on: true, note: 'Full bust less high bust picks this cup.', inputs }
    })
  return { cups, traced: after(garment, cups, context) }
}

/**
 * By high bust the size fits above the bust; what a large difference to the full bust asks for is a change of the bust
 * (craft 4), measured in the size that is cut there, and its dart finished.
 */
function planBust(garment: Garment, worksheet: Worksheet, plan: ChangeContext): NewChange[] {
  const row = worksheet.rows.find((r) => r.zone.id === 'bust')
  if (worksheet.school !== 'high-bust' || !worksheet.cup?.change || !row?.chosen) return []
  const context = { ...plan, sizeId: row.chosen.sizeId }
  const proposed = proposeBust(garment, context)
  const begun = findKind('bust-amount').begin(garment, context)
  if (!proposed || !begun.ok) return []
  const inputs: BustAmountInputs = { ...(begun.value as BustAmountInputs), amountMm: proposed.mm, waist: 'side' }
  const note = 'The size was chosen by the high bust; the full bust needs more than it gives.'
  const stop: NewChange = { kind: 'bust-amount', on: true, note, inputs }
  return [stop, ...finishDartOf(after(garment, [stop], plan), inputs.pieceId)]
}

/** The side dart of a front finished afresh: its legs made equal, its tip where it belongs. */
function finishDartOf(garment: Garment, pieceId: string): NewChange[] {
  const shape = shapeOf(findPiece(garment, pieceId)!, garment.baseSizeId)
  const side = dartsOf(garment).find((d) => d.piece.id === pieceId && dartFigures(d.piece, shape, d.dart).before.role === 'side')
  if (!side) return []
  const inputs: FinishDartInputs = { dart: side.ref, tipBackMm: tipBackMm('side'), legs: 'equal', pressTo: side.dart.pressTo }
  return [{ kind: 'finish-dart', on: true, note: 'The fuller bust moved its legs.', inputs }]
}

/** Zones whose size is cut; limbs follow the upper body. */
const CUT_ZONES = ['bust', 'waist', 'hip'] as const

/** Most sizes that are drawn on beyond a range: further out the shapes no longer follow from the rules. */
const MOST_BEYOND = 6

/** A body beyond the range gets sizes drawn on from the last step, before they are blended (craft 4). */
function growRange(garment: Garment, worksheet: Worksheet): { stops: NewChange[]; sizeOf: (zone: ZoneId) => string | undefined } {
  const rows = worksheet.rows.filter((r) => (CUT_ZONES as readonly string[]).includes(r.zone.id))
  const beyond = (r: WorksheetRow) => Math.max(-MOST_BEYOND, Math.min(MOST_BEYOND, r.chosen?.beyond ?? 0))
  const up = Math.max(0, ...rows.map(beyond))
  const down = Math.max(0, ...rows.map((r) => -beyond(r)))
  const stepOf = (r: WorksheetRow, above: boolean) => {
    const mm = r.sizes.map((s) => s.mm)
    return above ? mm[mm.length - 1]! - mm[mm.length - 2]! : mm[1]! - mm[0]!
  }
  const widest = rows.find((r) => beyond(r) !== 0)
  const sizeOf = (zone: ZoneId): string | undefined => {
    const row = rows.find((r) => r.zone.id === zone)
    if (!row?.chosen) return undefined
    const n = beyond(row)
    return sizeBeyond(row.chosen.sizeId, n)
  }
  if (!widest) return { stops: [], sizeOf }
  const interval = (above: boolean) => Math.round(stepOf(widest, above))
  const inputs: GradeInputs = {
    intervalMm: interval(up > 0),
    up,
    down,
    upIntervalsMm: Array.from({ length: up }, () => interval(true)),
    downIntervalsMm: Array.from({ length: down }, () => interval(false)),
    centre: 'none',
    rules: {},
    school: 'shift',
  }
  const note = 'The body lies beyond the printed sizes: they are drawn on from the last step.'
  return { stops: [{ kind: 'grade', on: true, note, inputs }], sizeOf }
}

/**
 * What the pieces still miss in each zone once the sizes are cut, or give too much, is let out or taken in at the sides,
 * alike on every edge (craft 4).
 */
function remainders(garment: Garment, worksheet: Worksheet, context: ChangeContext): NewChange[] {
  const each = (zone: string): number => {
    const row = worksheet.rows.find((r) => r.zone.id === zone)
    if (row?.bodyMm == null || !row.chosen) return 0
    const easeMm = finishedMm(garment, row.zone, garment.baseSizeId, context.sizing.shiftsMm[zone]) - row.bodyMm
    return (row.wantedMm - easeMm) / row.edges
  }
  const inputs: AddAtEdgeInputs = { bustMm: each('bust'), waistMm: each('waist'), hipMm: each('hip') }
  if (Math.max(Math.abs(inputs.bustMm), Math.abs(inputs.waistMm), Math.abs(inputs.hipMm)) < EDGE_MM) return []
  if (!findKind('add-at-edge').begin(garment, context).ok) return []
  return [{ kind: 'add-at-edge', on: true, note: 'What the sizes leave to be wished for in each zone, from the worksheet.', inputs }]
}
