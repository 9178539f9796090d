import { proxy, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch, watchEffect } from 'vue'
import { planWith, type LaidOn, type Proposed } from '~~/core/advice'
import { contextOf, findKind, nestBefore, type Change, type ChangeContext } from '~~/core/changes'
import type { Wearer } from '~~/core/body'
import type { Fitting } from '~~/core/fittings'
import { stopsOf, type Project } from '~~/core/formats'
import type { Garment } from '~~/core/pattern'
import { lengthToken, type Ruler } from '~~/core/units'
import { planWork } from '~/plan-work'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'
import type { ComparedWay, Computed, ComputedStop, Desk, SentResult } from '~/workers/desk'
import type { Asked } from '~/workers/desk-session'
import type { Sized } from '~/workers/desk-sizes'
import { planAnswers } from '~/stores/plan-answers'
import { Bench, Ended } from '~/workers/bench'
import { openWorker } from '~/workers/open-worker'
import { Shelf } from '~/workers/parcel'

/** A plan that takes longer than this is said to be worked on, ms: shorter would only flicker. */
const SLOW_MS = 250

/** A plan without a sign of life for so long will not come to an end, ms: the worker is ended. */
const SILENT_MS = 30_000
/** From here on it can be stopped by hand, ms. */
const LONG_MS = 4000

let onProgress: NonNullable<ChangeContext['progress']> = () => {}

const bench = new Bench<Desk>(
  () => openWorker('fold'),
  (remote) => {
    const tell = proxy<typeof onProgress>((what, done, of) => {
      bench.alive()
      onProgress(what, done, of)
    })
    remote.tellProgress(tell).catch(() => {
      // The worker ended before it heard: the next one is told again.
    })
    // What the page holds is numbered by the worker that sent it.
    shelves = newShelves()
  },
)

/** What came from the worker last. */
const newShelves = () => ({ garments: new Shelf<Garment>(), stops: new Shelf<ComputedStop>(), traced: new Shelf<Garment>() })
let shelves = newShelves()

/** A result with the parts that the page held already: what no stop has changed is the same object as before. */
function unpacked({ garments, stops, ...rest }: SentResult): Computed {
  const all = shelves.garments.unpack(garments)
  return { ...rest, garments: all.slice(0, -1), beforeSizes: all.at(-1)!, stops: shelves.stops.unpack(stops) }
}

/** The plan of the garment that is open, as the worker computes it: the pieces after each stop, what is proposed, ways side by side. */
export const usePlanSession = defineStore('plan-session', () => {
  const prefs = usePrefs()
  const work = useWork()

  const computedPlan = shallowRef<Computed | null>(null)
  /** The stops that the body and the worksheet propose; null while they are being worked out for figures that changed. */
  const proposed = shallowRef<Proposed[] | null>(null)
  /** A stop while a handle of it is being moved, before it is written. */
  const draft = shallowRef<Change | null>(null)
  /** The worker has been at it long enough to say so. */
  const working = ref(false)
  /** It has been at it so long that one may want to stop it. */
  const long = ref(false)
  /** How far it has come, in words, where a change tells. */
  const progress = ref('')
  watchEffect(() => Object.assign(planWork, { isOn: working.value, words: progress.value }))
  /** The stop that the worker is at, by its place in the plan. */
  let at = -1
  onProgress = (what, done, of) => {
    if (what === 'stop') at = done
    progress.value = `${what} ${done + (what === 'stop' ? 1 : 0)} of ${of}`
  }
  /** Why the plan could not be worked out, and the stop that it was at. */
  const trouble = shallowRef<{ sentence: string; stopId: string | null } | null>(null)

  /** What the worker is asked with; plain data. */
  const askedFor = (row: Project): Asked => ({
    wearer: work.wearer ?? null,
    sizing: JSON.parse(JSON.stringify(row.sizing)) as unknown,
    tolerances: { ...prefs.tolerances },
  })
  /** What changes of these pieces are seen with, here as in the worker. */
  const contextFor = (garment: Garment): ChangeContext => ({
    ...contextOf(garment, work.project, work.wearer, prefs.tolerances),
    bought: work.project?.garment ?? garment,
    nest: nestBefore(computedPlan.value?.garments ?? [], garment),
  })

  /** Which pieces the worker has under the key of the garment. */
  let givenBefore = ''
  /** What the shown result was computed for. */
  let computedFor = ''
  let baseGarment: unknown = null
  let garmentText = ''
  let busy = false
  let again = false
  function givenBy(row: Project): string {
    if (row.garment !== baseGarment) {
      baseGarment = row.garment
      garmentText = JSON.stringify(row.garment)
    }
    return `${row.id}:${garmentText}`
  }
  /** Gives the worker the pieces as bought, where it has not got them: a new one knows nothing yet. */
  async function give(worker: Remote<Desk>, row: Project): Promise<void> {
    const given = givenBy(row)
    if (given === givenBefore) return
    await worker.setBase(row.id, row.garment)
    givenBefore = given
  }

  async function recompute(): Promise<void> {
    if (!work.project) {
      computedPlan.value = null
      return
    }
    if (busy) {
      again = true
      return
    }
    busy = true
    const slow = setTimeout(() => (working.value = true), SLOW_MS)
    const endless = setTimeout(() => (long.value = true), LONG_MS)
    at = -1
    let planned: readonly Change[] = []
    try {
      const row = work.project
      const given = givenBy(row)
      const dragged = draft.value
      const all = stopsOf(row)
      const last = dragged ? all.findIndex((c) => c.id === dragged.id) : -1
      // While an amount is dragged only the pieces after its own stop are seen: later stops wait for the drop.
      const shown = last < 0 ? all : all.slice(0, last + 1)
      const plan = shown.map((c) => (dragged?.id === c.id ? dragged : c))
      planned = plan
      const asked = [plan, askedFor(row)] as const
      // A row is read again when another of its table was written: what was computed for the same is not computed twice.
      const askedText = JSON.stringify(asked)
      if (askedText === computedFor && given === givenBefore && computedPlan.value) {
        trouble.value = null
        return
      }
      const sent = await bench.run(async (worker) => {
        await give(worker, row)
        return worker.compute(row.id, { garments: shelves.garments.held, stops: shelves.stops.held }, ...asked)
      }, SILENT_MS)
      const result = unpacked(sent)
      computedFor = askedText
      if (work.fitId === row.id) computedPlan.value = result
      trouble.value = null
    } catch (error) {
      const sentence =
        error instanceof Ended ? error.message : `the program failed (${error instanceof Error ? error.message : String(error)}).`
      trouble.value = { sentence, stopId: (planned[at] ?? planned.at(-1))?.id ?? null }
      // What waited meanwhile would only hang again: it is for a person to say what is to be done.
      again = false
      // A new worker knows nothing yet.
      givenBefore = ''
      computedFor = ''
    } finally {
      clearTimeout(slow)
      clearTimeout(endless)
      working.value = false
      long.value = false
      progress.value = ''
      busy = false
      if (again) {
        again = false
        void recompute()
      }
    }
  }
  /** The ways of a stop that are shown side by side; null while none are. */
  const ways = shallowRef<{ changeId: string; list: ComparedWay[] } | null>(null)

  watch([() => work.project, () => work.wearer, draft, () => prefs.tolerances], () => void recompute())
  watch(
    () => work.fitId,
    () => {
      // First, or what was compared would be asked of the next garment.
      ways.value = null
      computedPlan.value = null
      proposed.value = null
      draft.value = null
      sized.value = null
    },
    { flush: 'sync' },
  )

  /** A stop that was dragged has been written. */
  const dropped = (changeId: string): void => {
    if (draft.value?.id === changeId) draft.value = null
  }

  /** Ends what the worker is at; the page says so, and offers to leave the stop out. */
  const stopWorking = () => bench.stop()

  async function tryAgain(): Promise<void> {
    trouble.value = null
    await recompute()
    if (computedPlan.value && !trouble.value) await propose()
  }

  /** For a question that the worker could not answer: says so, unless the page names a stop at fault already; gives null. */
  const cannot = (what: string) => (error: unknown) => {
    if (trouble.value?.stopId == null)
      trouble.value = { sentence: `${what}: ${error instanceof Error ? error.message : String(error)}`, stopId: null }
    return null
  }

  /** Stops that taking proposed ones into the plan would cost; null where that cannot be worked out, which is said on the page. */
  const lostBy = async (laid: readonly LaidOn[]) => {
    const { plan } = planWith(laid, work.stops, () => crypto.randomUUID())
    const plain = JSON.parse(JSON.stringify(plan)) as unknown
    return ask('the plan cannot be tried', (worker, key) => worker.lost(key, plain))
  }

  /** The plan as steps with ruler and scissors; null where they could not be had, which is said on the page. */
  const paperSteps = async (ruler: Ruler) => {
    await recompute()
    return ask('its steps on paper cannot be written', (worker, key) => worker.steps(key, ruler))
  }

  /** What may mend the open signs and pins of a fitting; null where that cannot be worked out, which is said on the page. */
  const mendsOf = async (fitting: Fitting) => {
    const plain = JSON.parse(JSON.stringify(fitting)) as unknown
    return ask('what may mend it cannot be worked out', (worker, key) => worker.mend(key, plain))
  }

  /** The pieces of any fit after any stops; null where that cannot be worked out, which is said on the page. */
  const alteredBy = async (row: Project, wearer: Wearer | null, stops: readonly Change[]) => {
    const plain = JSON.parse(JSON.stringify([row.garment, stops, row.sizing, wearer])) as unknown[]
    const asked: Asked = { wearer: plain[3], sizing: plain[2], tolerances: { ...prefs.tolerances } }
    return bench.run((worker) => worker.altered(plain[0], plain[1], asked), SILENT_MS).catch(cannot('these pieces cannot be worked out'))
  }

  /** Asks the worker something about the open fit; null where it could not answer, which is said on the page, or another fit was opened. */
  async function ask<R>(what: string, question: (worker: Remote<Desk>, key: string, asked: Asked) => Promise<R>): Promise<R | null> {
    const row = work.project
    if (!row) return null
    const asked = askedFor(row)
    const answer = await bench
      .run(async (worker) => {
        await give(worker, row)
        return question(worker, row.id, asked)
      }, SILENT_MS)
      .catch((error: unknown) => (work.fitId === row.id ? cannot(what)(error) : null))
    return work.fitId === row.id ? answer : null
  }

  /** What Size shows; null until it was worked out for this fit. */
  const sized = shallowRef<Sized | null>(null)
  let sizings = 0
  async function sizeUp(): Promise<void> {
    if (!work.project || (!computedPlan.value && !trouble.value)) return
    const own = ++sizings
    const sent = await ask('the worksheet cannot be worked out', (worker, key, asked) => worker.sizeUp(key, shelves.traced.held, asked))
    if (own === sizings && sent) sized.value = { ...sent, traced: shelves.traced.unpack(sent.traced)[0]! }
  }

  let proposals = 0
  async function propose(): Promise<void> {
    if (!work.project || !computedPlan.value) return
    const own = ++proposals
    proposed.value = null
    const list = await ask('no plan can be proposed', (worker, key, asked) => worker.propose(key, asked))
    // What cannot be worked out is said, and is no plan: the one that is there stays.
    if (own === proposals) proposed.value = list
  }

  async function compareWays(changeId: string | null): Promise<void> {
    if (changeId === null) return void (ways.value = null)
    const list = await ask('its ways cannot be compared', (worker, key) => worker.compare(key, changeId))
    ways.value = { changeId, list: list ?? [] }
  }
  // What is compared follows the figures of the stop.
  watch(computedPlan, () => void (ways.value && compareWays(ways.value.changeId)))

  /** What a stop is called, with its amount, where it stands in the plan; one that is new, at its end. */
  const wordsOf = (change: Change): string => {
    const { stops = [], garments = [] } = computedPlan.value ?? {}
    const garment = garments[stops.findIndex((s) => s.change.id === change.id)] ?? garments.at(-1) ?? work.project?.garment
    const words = garment && findKind(change.kind)?.describe(garment, change.inputs)
    if (!words) return `“${change.kind}”`
    return words.amountMm === null ? `“${words.title}”` : `“${words.title}” ${lengthToken(words.amountMm)}`
  }

  return {
    computedPlan,
    draft,
    dropped,
    working,
    progress,
    long,
    trouble,
    stopWorking,
    tryAgain,
    contextFor,
    wordsOf,
    paperSteps,
    lostBy,
    mendsOf,
    alteredBy,
    proposed,
    propose,
    sized,
    sizeUp,
    ...planAnswers(ask),
    ways,
    compareWays,
  }
})
