import { expose } from 'comlink'
import { z } from 'zod'
import { listFaults, nameProposed, planSizes, stopsBeforeSizes, type Fault, type Proposed } from '~~/core/advice'
import { WearerSchema } from '~~/core/body'
import {
  ChangeSchema,
  contextOf,
  findKind,
  foldPlan,
  type Applied,
  type Change,
  type ChangeContext,
  type FoldedPlan,
  type FoldedStop,
  type Handle,
  type PaperStep,
} from '~~/core/changes'
import { walkGarment, type Tolerances, type WalkedGarment } from '~~/core/match'
import { compareMeasures, type LedgerRow } from '~~/core/measure'
import { GarmentSchema, type Garment } from '~~/core/pattern'
import { SizingSchema } from '~~/core/size'
import type { UnitSystem } from '~~/core/units'
import { pack, type Parcel } from './parcel'

export interface ComputedStop extends Omit<FoldedStop, 'garment'> {
  ledger: LedgerRow[]
  handles: Handle[]
}

/** Everything the stations show of a plan, computed off the page. */
export interface Computed {
  /** garments[0] as bought, garments[i + 1] after stop i. */
  garments: Garment[]
  stops: ComputedStop[]
  /** After all stops but those that give each zone its size: what the worksheet is worked out on. */
  beforeSizes: Garment
  /** As bought against as altered. */
  ledger: LedgerRow[]
  walked: WalkedGarment
  faults: Fault[]
}

/** The same on its way to the page: what is large only where the page does not hold it from before. */
export type SentResult = Omit<Computed, 'garments' | 'beforeSizes' | 'stops'> & {
  /** As in `Computed`, and the one before the sizes last. */
  garments: Parcel<Garment>
  stops: Parcel<ComputedStop>
}

/** What the page holds from before, by number. */
export interface Held {
  garments: number[]
  stops: number[]
}

/** One way of doing a stop, beside the others. */
export interface ComparedWay {
  label: string
  inputs: unknown
  chosen: boolean
  garment: Garment
  ledger: LedgerRow[]
}

const PlanSchema = z.array(ChangeSchema)

let base: { key: string; garment: Garment } | null = null
let folded: FoldedPlan | null = null
/** What the last fold was made with. */
let context: ChangeContext | null = null
let foldedBeforeSizes: FoldedPlan | null = null
/** The context of the last fold, as text. */
let foldedFor = ''

/** What the pieces are seen with: whose body, what is wanted, what counts as matching. */
export interface Asked {
  wearer: unknown
  sizing: unknown
  tolerances: Tolerances
}

const readContext = (garment: Garment, { wearer, sizing, tolerances }: Asked): ChangeContext =>
  contextOf(garment, { sizing: SizingSchema.parse(sizing) }, WearerSchema.nullable().parse(wearer), tolerances)
const kept = new WeakMap<FoldedStop, ComputedStop>()

/** Change objects of the last fold are kept where nothing in them changed, so that their stops are reused. */
function keepSame(plan: readonly Change[]): Change[] {
  return plan.map((change, i) => {
    const old = folded?.stops[i]?.change
    return old && JSON.stringify(old) === JSON.stringify(change) ? old : change
  })
}

/** What can be dragged on a stop; nothing where the program cannot say, so that the pieces are shown all the same. */
function handlesOf(
  kind: NonNullable<ReturnType<typeof findKind>>,
  before: Garment,
  change: Change,
  applied: Applied,
  context: ChangeContext,
): Handle[] {
  try {
    return kind.handles(before, change.inputs, applied, context)
  } catch (error) {
    console.error(`no handles for ${change.kind}`, error)
    return []
  }
}

let progress: ChangeContext['progress']

const api = {
  /** Who is told how far a long change has come; set once, since every function handed over opens a channel. */
  tellProgress(listener: NonNullable<ChangeContext['progress']>): void {
    progress = listener
  },

  /** Sets the pieces as bought; `key` changes whenever they do. */
  setBase(key: string, garment: unknown): void {
    if (base?.key === key) return
    base = { key, garment: GarmentSchema.parse(garment) }
    folded = null
    foldedBeforeSizes = null
  },

  /** Folds a plan over the pieces and measures what came out. */
  compute(held: Held, plan: unknown, asked: Asked): SentResult {
    if (!base) throw new Error('no garment was set')
    const now = readContext(base.garment, asked)
    // Stops are reused only for the same wearer: what a change warns of and proposes is measured against the body. The listener
    // is left out: it lives on the page, and would be asked how it is written as JSON.
    const contextText = JSON.stringify(now)
    context = { ...now, progress }
    const own = context
    const earlier = contextText === foldedFor ? folded : null
    foldedFor = contextText
    folded = foldPlan(base.garment, keepSame(PlanSchema.parse(plan)), own, earlier ?? undefined)
    const first = stopsBeforeSizes(folded.stops.map((s) => s.change))
    foldedBeforeSizes =
      first.length === folded.stops.length ? folded : foldPlan(base.garment, first, own, (earlier && foldedBeforeSizes) ?? undefined)
    let before = base.garment
    const stops = folded.stops.map((stop): ComputedStop => {
      let known = kept.get(stop)
      if (!known) {
        const { garment, ...rest } = stop
        const kind = findKind(stop.change.kind)
        known = {
          ...rest,
          ledger: stop.applied ? compareMeasures(before, garment, own.sizeId, own.sizing) : [],
          handles: stop.applied && kind ? handlesOf(kind, before, stop.change, stop.applied, own) : [],
        }
        kept.set(stop, known)
      }
      before = stop.garment
      return known
    })
    return {
      garments: pack([folded.base, ...folded.stops.map((s) => s.garment), foldedBeforeSizes.garment], held.garments),
      stops: pack(stops, held.stops),
      ledger: compareMeasures(folded.base, folded.garment, own.sizeId, own.sizing),
      walked: walkGarment(folded.garment, own.sizeId, own.tolerances),
      faults: listFaults(folded, own),
    }
  },

  /** What a body and a worksheet propose, on the pieces as the user's own stops leave them. */
  propose(asked: Asked): Proposed[] {
    if (!base) return []
    const garment = foldedBeforeSizes?.garment ?? base.garment
    const own = foldedBeforeSizes?.stops.filter((s) => s.status === 'applied').map((s) => s.change)
    const now = readContext(base.garment, asked)
    return nameProposed(garment, planSizes(garment, now, own), now)
  },

  /** Other ways to do one stop: each applied to the same garment and measured, for seeing side by side. */
  compare(changeId: string): ComparedWay[] {
    if (!folded || !context) return []
    const own = context
    const i = folded.stops.findIndex((s) => s.change.id === changeId)
    const stop = folded.stops[i]
    const kind = stop && findKind(stop.change.kind)
    if (!stop || !kind?.choices) return []
    const before = i > 0 ? folded.stops[i - 1]!.garment : folded.base
    const now = JSON.stringify(stop.change.inputs)
    return kind.choices(before, stop.change.inputs, own).flatMap(({ label, inputs }): ComparedWay[] => {
      const applied = kind.apply(before, inputs, own)
      if (!applied.ok) return []
      return [
        {
          label,
          inputs,
          chosen: JSON.stringify(inputs) === now,
          garment: applied.value.garment,
          ledger: compareMeasures(before, applied.value.garment, own.sizeId, own.sizing),
        },
      ]
    })
  },

  /** The plan as ruler-and-scissors steps, stop by stop. */
  steps(units: UnitSystem): { changeId: string; title: string; steps: PaperStep[] }[] {
    if (!folded || !context) return []
    const own = context
    let before = folded.base
    return folded.stops.flatMap((stop) => {
      const kind = findKind(stop.change.kind)
      const garment = before
      before = stop.garment
      if (!stop.applied || !kind) return []
      return [
        {
          changeId: stop.change.id,
          title: stop.words.title,
          steps: kind.paperSteps({ before: garment, inputs: stop.change.inputs, applied: stop.applied, context: own, units }),
        },
      ]
    })
  },
}

export type FoldWorker = typeof api

expose(api)
