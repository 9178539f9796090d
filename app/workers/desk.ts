import { z } from 'zod'
import {
  countFaults,
  foldOwnStops,
  listFaults,
  nameProposed,
  planFromBody,
  type AskedGiven,
  type Fault,
  type FaultCount,
  type Proposed,
} from '~~/core/advice'
import {
  ChangeSchema,
  contextAfter,
  findKind,
  handlesOf,
  stepsOf,
  foldPlan,
  type Applied,
  type Change,
  type ChangeContext,
  type FoldedPlan,
  type FoldedStop,
  type Handle,
  type PaperStep,
} from '~~/core/changes'
import { amountOf, FittingSchema, mendPin, mendSign, openQuestions, type FittingMend } from '~~/core/fittings'
import { walkGarment, type WalkedGarment } from '~~/core/match'
import { compareMeasures, type LedgerRow } from '~~/core/measure'
import { GarmentSchema, type Garment } from '~~/core/pattern'
import { tightZones, type SchoolOutcome, type TightZone } from '~~/core/size'
import type { Ruler } from '~~/core/units'
import { readContext, type Asked, type Session } from './desk-session'
import {
  askedGivenFor,
  lengthStopFor,
  notebookFor,
  schoolsFor,
  sideStopFor,
  sizeUpFor,
  type NotebookPage,
  type OfferedStop,
  type SentSized,
} from './desk-sizes'
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
  /** Zones that are smaller than the body. */
  tight: TightZone[]
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

/** What is left to settle in a fit. */
export interface Unsettled {
  faults: FaultCount
  /** Stops that were not applied. */
  stuck: number
  /** What the last stop is called; null as bought. */
  last: string | null
}

const PlanSchema = z.array(ChangeSchema)

/** Sessions that are kept: the open garment, and some beside it. */
const KEPT_SESSIONS = 4

/** Change objects of the last fold are kept where nothing in them changed, so that their stops are reused. */
function keepSame(folded: FoldedPlan | null, plan: readonly Change[]): Change[] {
  return plan.map((change, i) => {
    const old = folded?.stops[i]?.change
    return old && JSON.stringify(old) === JSON.stringify(change) ? old : change
  })
}

/** What can be dragged on a stop; nothing where the program cannot say, so that the pieces are shown all the same. */
function handlesOrNone(
  kind: NonNullable<ReturnType<typeof findKind>>,
  before: Garment,
  change: Change,
  applied: Applied,
  context: ChangeContext,
): Handle[] {
  try {
    return handlesOf(kind, before, change.inputs, applied, context)
  } catch (error) {
    console.error(`no handles for ${change.kind}`, error)
    return []
  }
}

/**
 * The desk at which plans are worked out: in a worker for the page, in the same thread for tests. It keeps a few garments side
 * by side, each under a key, and answers about those alone that it was given.
 */
export function makeDesk() {
  let progress: ChangeContext['progress']
  const sessions = new Map<string, Session>()
  const kept = new WeakMap<FoldedStop, ComputedStop>()

  function sessionOf(key: string): Session {
    const session = sessions.get(key)
    if (!session) throw new Error('this garment was not given to be worked out')
    return session
  }

  return {
    /** Who is told how far a long change has come; set once, since every function handed over opens a channel. */
    tellProgress(listener: NonNullable<ChangeContext['progress']>): void {
      progress = listener
    },

    /** Gives the pieces as bought under a key; what was worked out under it before is forgotten. */
    setBase(key: string, garment: unknown): void {
      sessions.delete(key)
      sessions.set(key, { base: GarmentSchema.parse(garment), folded: null, foldedOwn: null, context: null, foldedFor: '' })
      for (const oldest of sessions.keys()) if (sessions.size > KEPT_SESSIONS) sessions.delete(oldest)
    },

    /** Folds a plan over the pieces and measures what came out. */
    compute(key: string, held: Held, plan: unknown, asked: Asked): SentResult {
      const session = sessionOf(key)
      const { base } = session
      const now = readContext(base, asked)
      // Stops are reused only for the same wearer: what a change warns of and proposes is measured against the body. The listener
      // is left out: it lives on the page, and would be asked how it is written as JSON.
      const contextText = JSON.stringify(now)
      const own = { ...now, progress }
      const isSame = contextText === session.foldedFor
      const folded = foldPlan(base, keepSame(session.folded, PlanSchema.parse(plan)), own, (isSame && session.folded) || undefined)
      const foldedOwn = foldOwnStops(folded, own, (isSame && session.foldedOwn) || undefined)
      Object.assign(session, { folded, foldedOwn, context: own, foldedFor: contextText })
      let before = base
      const stops = folded.stops.map((stop): ComputedStop => {
        let known = kept.get(stop)
        if (!known) {
          const { garment, ...rest } = stop
          const kind = findKind(stop.change.kind)
          known = {
            ...rest,
            ledger: stop.applied ? compareMeasures(before, garment, own.sizeId, own.sizing) : [],
            handles: stop.applied && kind ? handlesOrNone(kind, before, stop.change, stop.applied, own) : [],
          }
          kept.set(stop, known)
        }
        before = stop.garment
        return known
      })
      return {
        garments: pack([folded.base, ...folded.stops.map((s) => s.garment), foldedOwn.garment], held.garments),
        stops: pack(stops, held.stops),
        ledger: compareMeasures(folded.base, folded.garment, own.sizeId, own.sizing),
        walked: walkGarment(folded.garment, own.sizeId, own.tolerances),
        faults: listFaults(folded, own),
        tight: tightZones(folded.garment, own.sizing, own.body),
      }
    },

    /** What a body and a worksheet propose, on the pieces as the user's own stops leave them. */
    propose(key: string, asked: Asked): Proposed[] {
      const { base, foldedOwn } = sessionOf(key)
      const garment = foldedOwn?.garment ?? base
      const own = foldedOwn?.stops.filter((s) => s.status === 'applied').map((s) => s.change)
      const now = readContext(base, asked)
      return nameProposed(planFromBody(garment, now, own))
    },

    // What Size, tissue fitting and the notebook show.
    sizeUp: (key: string, held: number[], asked: Asked): SentSized => sizeUpFor(sessionOf(key), held, asked),
    schools: (key: string, asked: Asked): SchoolOutcome[] => schoolsFor(sessionOf(key), asked),
    lengthStop: (key: string, lengthId: string, asked: Asked): OfferedStop | null => lengthStopFor(sessionOf(key), lengthId, asked),
    sideStop: (key: string, measureId: string, asked: Asked): OfferedStop | null => sideStopFor(sessionOf(key), measureId, asked),
    askedGiven: (key: string, isBought: boolean, asked: Asked): AskedGiven[] => askedGivenFor(sessionOf(key), isBought, asked),
    notebook: (key: string, notes: string, mends: string[], asked: Asked): NotebookPage => notebookFor(sessionOf(key), notes, mends, asked),

    /** Stops that are done now, and would not find what they are about in another plan: the titles and ids of those. */
    lost(key: string, plan: unknown): { id: string; title: string }[] {
      const { base, folded, context: own } = sessionOf(key)
      if (!folded || !own) return []
      const next = foldPlan(base, PlanSchema.parse(plan), own)
      return folded.stops.flatMap(({ change, status, words }) => {
        const then = next.stops.find((s) => s.change.id === change.id)
        const isLost = status === 'applied' && then !== undefined && (then.status === 'orphan' || then.status === 'refused')
        return isLost ? [{ id: change.id, title: words.title }] : []
      })
    },

    /** Other ways to do one stop: each applied to the same garment and measured, for seeing side by side. */
    compare(key: string, changeId: string): ComparedWay[] {
      const { folded, context: own } = sessionOf(key)
      if (!folded || !own) return []
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

    /** What may mend each sign and pin of a fitting that is still open, by its id, on the pieces as altered; and how much a sign asks for, mm. */
    mend(key: string, fitting: unknown): Record<string, FittingMend & { amountMm: number | null }> {
      const { base, folded, context: own } = sessionOf(key)
      if (!own) return {}
      const garment = folded?.garment ?? base
      const now = folded ? contextAfter(folded, own) : own
      const { sightings, pins } = openQuestions(FittingSchema.parse(fitting))
      return Object.fromEntries([
        ...sightings.map((s) => [s.id, { ...mendSign(s, garment, now), amountMm: amountOf(s, garment, now) }]),
        ...pins.map((p) => [p.id, { ...mendPin(p, garment, now), amountMm: null }]),
      ])
    },

    /** The pieces after a plan, whatever garment is given: nothing of it is kept. */
    altered(garment: unknown, plan: unknown, asked: Asked): Garment {
      const base = GarmentSchema.parse(garment)
      return foldPlan(base, PlanSchema.parse(plan), readContext(base, asked)).garment
    },

    /** What is left to settle in a fit, whatever garment is given: nothing of it is kept. */
    unsettled(garment: unknown, plan: unknown, asked: Asked): Unsettled {
      const base = GarmentSchema.parse(garment)
      const context = readContext(base, asked)
      const folded = foldPlan(base, PlanSchema.parse(plan), context)
      return {
        faults: countFaults(listFaults(folded, context)),
        stuck: folded.stops.filter((s) => s.status === 'refused' || s.status === 'orphan').length,
        last: folded.stops.at(-1)?.words.title ?? null,
      }
    },

    /** The plan as ruler-and-scissors steps, stop by stop. */
    steps(key: string, ruler: Ruler): { changeId: string; title: string; steps: PaperStep[] }[] {
      const { folded, context: own } = sessionOf(key)
      if (!folded || !own) return []
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
            steps: stepsOf(kind, { before: garment, inputs: stop.change.inputs, applied: stop.applied, context: own, ruler }),
          },
        ]
      })
    },
  }
}

export type Desk = ReturnType<typeof makeDesk>
