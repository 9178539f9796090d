import {
  CHANGE_KINDS,
  findKind,
  foldPlan,
  LEFT_OVER,
  newStop,
  PHASES,
  type Phase,
  withId,
  type AskedByBody,
  type Change,
  type ChangeContext,
  type FoldedPlan,
  type FoldedStop,
  type NewChange,
  withLargest,
} from '../changes'
import { keepSizes, type Garment } from '../pattern'
import { bodyLengths, makeWorksheet, measureRow, sizesToCut, type LengthRow, type Worksheet } from '../size'
import { EQUAL_MM } from '../tolerances'
import { changeForLength, LENGTH_MM, stopForMeasure } from './stop-for-measure'

/** The length of a sleeve with its cap, by the id of its measure. */
const SLEEVE = 'arm-length'

/** The length in which a crotch seam is changed, in front and at the back. */
const RISE = 'waist-to-hip'
/** A crotch seam runs over a front and a back. */
const HALVES_OF_CROTCH = 2
/** More is not put in between waist and hip for it, mm: our own figure. What is missing still is its curve's, or was measured otherwise. */
const MOST_FOR_CROTCH_MM = 60

/** Lengths that are changed at lines in a plan, each where no other one of them is: above the waist, below it, in the leg. */
const PLANNED = ['back-neck-to-waist', RISE, 'waist-to-knee']

/**
 * The lengths that a plan looks at. Where nobody measured how deep the hip lies, a body's crotch length tells: what its seam is short of
 * is put in between waist and hip, half of it in front and half at the back (craft 4). A longer seam is left as its maker meant it.
 *
 * @param asked how much each length is changed already, mm
 */
function plannedLengths(garment: Garment, { body, sizing }: ChangeContext, asked: ReadonlyMap<string, number>): LengthRow[] {
  const crotch = measureRow(garment, body, 'crotch')
  const halfMm = crotch?.bodyMm ? (crotch.bodyMm - crotch.garmentMm) / HALVES_OF_CROTCH : 0
  const putInMm = asked.get(RISE) ?? 0
  const missingMm = Math.min(Math.max(halfMm, -putInMm), MOST_FOR_CROTCH_MM - putInMm)
  return bodyLengths(garment, body, sizing.wantedMm).map((row) =>
    row.id === RISE && row.bodyMm === null && missingMm !== 0 ? { ...row, name: crotch!.name, missingMm } : row,
  )
}

const phaseOf = (stop: NewChange) => findKind(stop.kind as string)!.phase
const aboutOf = (stop: NewChange) => findKind(stop.kind as string)!.onePiece?.(stop.inputs) ?? null

/** A garment after stops of a plan; one that is refused leaves it as it was. */
const after = (garment: Garment, stops: readonly NewChange[], context: ChangeContext) =>
  foldPlan(
    garment,
    stops.map((c, i) => withId(c, `${i}`)),
    context,
  )

/** A plan while it is proposed: the stops so far, and the garment as they leave it, worked out when it is asked for. */
interface Draft {
  garmentNow(): Garment
  stops: NewChange[]
}

/**
 * Stops taken into the plan. One that asks for more than the pieces bear is asked for as far as it goes, and says so; one that has
 * no place at all is left out.
 */
function taken(draft: Draft, stops: readonly NewChange[], context: ChangeContext): Draft {
  if (stops.length === 0) return draft
  const was = draft.garmentNow()
  const fits = stops.reduce<{ garment: Garment; stops: NewChange[] }>(
    (now, stop) => {
      const [folded] = after(now.garment, [stop], context).stops
      if (folded!.status === 'applied') return { garment: folded!.garment, stops: [...now.stops, stop] }
      const less = asFarAsItGoes(now.garment, stop, folded!, context)
      if (!less) return now
      return { garment: after(now.garment, [less], context).garment, stops: [...now.stops, less] }
    },
    { garment: was, stops: [] },
  )
  return { garmentNow: () => fits.garment, stops: [...draft.stops, ...fits.stops] }
}

/** A refused stop with the largest amount that works, or null where none does. */
function asFarAsItGoes(garment: Garment, stop: NewChange, { problem }: FoldedStop, context: ChangeContext): NewChange | null {
  const mm = problem?.largestMm
  const kind = findKind(stop.kind as string)!
  if (!mm) return null
  const inputs = withLargest(kind, garment, stop.inputs, mm, context)
  if (inputs === null || !kind.schema.safeParse(inputs).success) return null
  return newStop(stop.kind, inputs, `${stop.note} ${LEFT_OVER}`.trim(), 'body')
}

/** What the kinds of one phase ask for, taken into the plan one after the other. */
function propose(draft: Draft, phase: (typeof PHASES)[number], asked: Omit<AskedByBody, 'stops'>, own: readonly Change[]): Draft {
  const stopsOf = (list: readonly NewChange[], isNew: boolean) =>
    list.filter((s) => s.on).map((s) => ({ phase: phaseOf(s), pieceId: aboutOf(s), isNew }))
  return CHANGE_KINDS.filter((k) => k.phase === phase && k.proposes).reduce((now, kind) => {
    const stops = [...stopsOf(own, false), ...stopsOf(now.stops, true)]
    const list = kind.proposes!(now.garmentNow, { ...asked, stops })
      // A body far off the pattern asks for more than a change may give: such a stop is not proposed.
      .filter(({ inputs }) => kind.schema.safeParse(inputs).success)
      .map(({ inputs, note }) => newStop(kind.kind, inputs, note, 'body'))
    return taken(now, list, asked.context)
  }, draft)
}

/** What is chosen for tracing before the worksheet is made of it. */
function trace(garment: Garment, context: ChangeContext, own: readonly Change[]): Draft {
  const sheet = makeWorksheet(garment, context.sizing, context.body, context.bought ?? garment)
  return propose({ garmentNow: () => garment, stops: [] }, 'trace', { context, sheet }, own)
}

/** The pieces as they will be traced for a body: the pattern's own ones for its cup, where others lie there. */
export const tracedFor = (garment: Garment, context: ChangeContext): Garment => trace(garment, context, []).garmentNow()

/**
 * From a body to an ordered plan: what is traced, then lengths, so that the zones sit at the body's levels, then what each kind
 * asks for in the order of work (craft 1): new sizes, a size for each zone, the bust, what all that leaves over.
 *
 * @param garment the pieces that it starts from
 * @param context without the body's figures nothing is planned
 * @param own stops that the garment has gone through already: what one of them did is not done again
 */
export const planSizes = (garment: Garment, context: ChangeContext, own: readonly Change[] = []): NewChange[] =>
  planFromBody(garment, context, own).stops

/** The same plan with the pieces as its stops leave them, one after the other. */
export function planFromBody(garment: Garment, context: ChangeContext, own: readonly Change[] = []): PlanFromBody {
  const traced = trace(garment, context, own)
  const sheet = makeWorksheet(traced.garmentNow(), context.sizing, context.body, context.bought ?? garment)
  const few = planOn(traced, sheet, { ...context, lookedAt: sizesLookedAt(traced.garmentNow(), sheet) }, own)
  // A stop that the sizes looked at bear may be too much for another one of the nest.
  const folded = after(garment, few, context)
  if (folded.stops.every((s) => s.status === 'applied')) return { stops: few, folded }
  const stops = planOn(traced, sheet, context, own)
  return { stops, folded: after(garment, stops, context) }
}

/** Proposed stops, and what becomes of the pieces by them. */
export interface PlanFromBody {
  stops: NewChange[]
  folded: FoldedPlan
}

/** The sizes by which a body's plan is made: the one that lies there, those that were chosen, and the ends of a range that is drawn on. */
function sizesLookedAt({ sizes, baseSizeId }: Garment, sheet: Worksheet): string[] {
  const { sizeOf, up, down } = sizesToCut(sheet)
  const chosen = (['bust', 'waist', 'hip'] as const).flatMap((zone) => sizeOf(zone) ?? [])
  const ends = [...(down > 0 ? sizes.slice(0, 1) : []), ...(up > 0 ? sizes.slice(-1) : [])]
  return [baseSizeId, ...chosen, ...ends.map((s) => s.id)]
}

/** The plan by the sizes that are looked at: those by which sizes are blended, and what follows on the blended size alone. */
function planOn(allTraced: Draft, sheet: Worksheet, context: ChangeContext, own: readonly Change[]): NewChange[] {
  const only = (draft: Draft, ids: readonly string[] | undefined): Draft => {
    const garment = ids && keepSizes(draft.garmentNow(), ids)
    return garment ? { ...draft, garmentNow: () => garment } : draft
  }
  const { lookedAt } = context
  const traced = only(allTraced, lookedAt)
  const first = plannedLengths(traced.garmentNow(), context, new Map())
  const along = (draft: Draft, phases: readonly Phase[], lengths: ReadonlyMap<string, number>) =>
    phases.reduce((now, phase) => {
      const stops =
        phase === 'lengths' ? PLANNED.flatMap((id) => stopForLength(traced.garmentNow(), first, id, lengths.get(id) ?? 0, context)) : []
      return propose(taken(now, stops, context), phase, { context, sheet }, own)
    }, draft)
  const sized = settleLengths((lengths) => along(traced, UP_TO_SIZES, lengths), first, context)
  const fitted = along(only(sized, lookedAt && [traced.garmentNow().baseSizeId]), AFTER_SIZES, new Map())
  const sleeves = taken(fitted, sleeveStops(traced.garmentNow(), fitted.garmentNow(), context), context)
  return inPlace(along(sleeves, TO_TRUE, new Map()).stops, fitted.stops.length, sleeves.stops.length)
}

/** Stops of which some, from one place up to another, were found last: they come where lengths do. */
function inPlace(stops: readonly NewChange[], from: number, to: number): NewChange[] {
  const own = stops.slice(from, to)
  const rest = stops.toSpliced(from, own.length)
  const at = rest.findIndex((s) => PHASES.indexOf(phaseOf(s)) > PHASES.indexOf('lengths'))
  return rest.toSpliced(at < 0 ? rest.length : at, 0, ...own)
}

/**
 * A stop more among the lengths of a plan, where sleeves are too long or too short in the end: sizes, bicep and armhole change how high
 * a cap stands. Of what comes before truing nothing hangs on how long a sleeve is below its cap. Whether a sleeve is meant to reach the
 * wrist is told by the traced one: a cap that became lower makes no short sleeve of it.
 */
function sleeveStops(traced: Garment, garment: Garment, context: ChangeContext): NewChange[] {
  const isLong = measureRow(traced, context.body, SLEEVE)?.missingMm != null
  const row = measureRow(garment, context.body, SLEEVE)
  const missingMm = isLong && row ? row.bodyMm! - row.garmentMm : 0
  if (Math.abs(missingMm) < LENGTH_MM - EQUAL_MM) return []
  const note = `${row!.name}: the body measures ${missingMm > 0 ? 'more' : 'less'} than the sleeve gives.`
  const stop = stopForMeasure(traced, SLEEVE, missingMm, context, note)
  return stop ? [{ ...stop, from: 'body' }] : []
}

/** The phases by which the lengths change: new and blended sizes bring growth of their own along the grain. What follows keeps them. */
const UP_TO_SIZES = PHASES.slice(1, PHASES.indexOf('sizes') + 1)
const AFTER_SIZES = PHASES.slice(PHASES.indexOf('sizes') + 1, PHASES.indexOf('true'))
const TO_TRUE = PHASES.slice(PHASES.indexOf('true'))

/** The stop that changes one length by so much, mm; none where that is nothing, or no place is found. */
function stopForLength(garment: Garment, rows: readonly LengthRow[], id: string, byMm: number, context: ChangeContext): NewChange[] {
  const row = rows.find((r) => r.id === id)
  return row && row.missingMm !== null ? [changeForLength(garment, { ...row, missingMm: byMm }, context, SETTLED_MM / 2) ?? []].flat() : []
}

/** Lengths are brought this near to the body’s at the end of a plan, mm, in so many rounds: one is exact where nothing is solved. */
const SETTLED_MM = 1
const ROUNDS = 2

/**
 * Lengths measured on what the pieces will be: each is asked for once more by what the pieces of the chosen sizes miss, and the sizes
 * are proposed anew. What was asked for once is set right to the last millimetre.
 *
 * @param planned the plan up to the sizes with each length changed by so much, mm
 * @param first what is missing before anything is changed
 */
function settleLengths(
  planned: (lengths: ReadonlyMap<string, number>) => Draft,
  first: readonly LengthRow[],
  context: ChangeContext,
): Draft {
  const asked = new Map<string, number>()
  const missingOf = (rows: readonly LengthRow[]) =>
    rows.filter(
      ({ id, missingMm }) =>
        PLANNED.includes(id) && missingMm !== null && Math.abs(missingMm) >= (asked.has(id) ? SETTLED_MM : LENGTH_MM) - EQUAL_MM,
    )
  const ask = (rows: readonly LengthRow[]) => rows.forEach((r) => asked.set(r.id, (asked.get(r.id) ?? 0) + r.missingMm!))
  ask(missingOf(first))
  let settled = planned(asked)
  for (let round = 0; round < ROUNDS; round++) {
    const missing = missingOf(plannedLengths(settled.garmentNow(), context, asked))
    if (missing.length === 0) break
    ask(missing)
    settled = planned(asked)
  }
  return settled
}
