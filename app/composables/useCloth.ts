import { createSharedComposable } from '@vueuse/core'
import { proxy } from 'comlink'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { z } from 'zod'
import {
  ClothSchema,
  cuttingCards,
  layFaults,
  lengthOfLaid,
  lengthToBuy,
  MOST_LAYERS,
  movedBy,
  turnedRound,
  USES,
  USUAL_ROUNDS,
  usualCloth,
  usualCounts,
  type Cloth,
  type Counts,
  type Lay,
  type LaidOnCloth,
  type Use,
} from '~~/core/cloth'
import type { Point } from '~~/core/geometry'
import type { Piece } from '~~/core/pattern'
import { problemSentence, type Result } from '~~/core/result'
import { useKeptByFit } from '~/composables/useKeptByFit'
import { useSheets } from '~/composables/useSheets'
import { useWorkshop } from '~/composables/useWorkshop'
import { useWork } from '~/stores/work'
import { Bench, Ended } from '~/workers/bench'
import type { LayJobs } from '~/workers/lay-jobs'
import { openWorker } from '~/workers/open-worker'

const Count = z.int().min(0).max(MOST_LAYERS)
/** What was settled about the cloth of one fit; a piece without counts is cut as its pattern says. */
const ChoicesSchema = z.object({
  cloths: z.partialRecord(z.enum(USES), ClothSchema),
  counts: z.record(z.string(), z.object({ main: Count, lining: Count, interfacing: Count })),
})
type ClothChoices = z.infer<typeof ChoicesSchema>

/** So many orders are tried where somebody asks for a longer search. */
const LONG_ROUNDS = 10 * USUAL_ROUNDS
/** Without a sign of life for so long the worker is ended, ms. */
const SILENT_MS = 15_000
/** Widths that cloth is sold in, mm. */
const WIDTHS_MM = [900, 1150, 1400, 1500]

const bench = new Bench<LayJobs>(() => openWorker('cloth'))

/** The open fit on its cloths: what is cut from each, how it lies, and how much of it is needed. */
export const useCloth = createSharedComposable(() => {
  const work = useWork()
  const { garment } = useSheets()
  // What cannot be read is begun anew.
  const choices = useKeptByFit(
    'tidal-seam-cloth',
    computed(() => work.fitId),
    (kept): ClothChoices => ChoicesSchema.safeParse(kept).data ?? { cloths: {}, counts: {} },
  )
  const workshop = useWorkshop()
  const use = ref<Use>('main')
  const cloth = computed({
    get: () => choices.value.cloths[use.value] ?? (use.value === 'main' ? workshop.value.cloth : null) ?? usualCloth(),
    set: (own) => (choices.value = { ...choices.value, cloths: { ...choices.value.cloths, [use.value]: own } }),
  })
  const countsOf = (piece: Piece): Counts => choices.value.counts[piece.id] ?? usualCounts(piece)
  const cards = computed(() => cuttingCards(garment.value, garment.value.baseSizeId, countsOf))
  const setCount = (pieceId: string, of: Use, count: number) => {
    const piece = garment.value.pieces.find((p) => p.id === pieceId)
    if (piece) choices.value = { ...choices.value, counts: { ...choices.value.counts, [pieceId]: { ...countsOf(piece), [of]: count } } }
  }
  const counts = computed(() => Object.fromEntries(cards.value.map((c) => [c.pieceId, c.counts[use.value]])))
  const isAsked = computed(() => Object.values(counts.value).some((n) => n > 0))

  const lay = shallowRef<Lay | null>(null)
  const problem = ref('')
  /** How far the search is, 0 to 1; null while nothing is searched. */
  const part = ref<number | null>(null)
  const bestMm = ref<number | null>(null)
  const byWidth = shallowRef<{ widthMm: number; words: number | string }[]>([])
  let asked = 0

  async function search(of: Cloth, rounds: number, tell: (part: number, best: number) => void): Promise<Result<Lay>> {
    const [plain, own, wanted] = [toRaw(garment.value), { ...of }, { ...counts.value }]
    const heard = (done: number, best: number) => {
      bench.alive()
      tell(done, best)
    }
    return bench.run((remote) => remote.lay(plain, wanted, own, rounds, proxy(heard)) as Promise<Result<Lay>>, SILENT_MS)
  }
  /** Lays the pieces anew; what was moved by hand is forgotten. @param rounds orders that are tried */
  async function layOut(rounds = USUAL_ROUNDS): Promise<void> {
    asked += 1
    const mine = asked
    bench.stop()
    problem.value = ''
    byWidth.value = []
    part.value = 0
    bestMm.value = null
    try {
      const made = await search(cloth.value, rounds, (done, best) => {
        if (mine !== asked) return
        part.value = done
        bestMm.value = Number.isFinite(best) ? best : null
      })
      if (mine !== asked) return
      lay.value = made.ok ? made.value : null
      problem.value = made.ok ? '' : problemSentence(made.problem)
    } catch (error) {
      if (mine === asked && !(error instanceof Ended && error.why === 'stopped'))
        problem.value = `The pieces could not be laid: ${error instanceof Error ? error.message : String(error)}`
    } finally {
      if (mine === asked) part.value = null
    }
  }
  /** Ends the search; what lay there before stays. */
  function stop() {
    asked += 1
    bench.stop()
    part.value = null
  }
  /** How much would be needed of cloth in other widths. */
  async function compareWidths(): Promise<void> {
    asked += 1
    const mine = asked
    byWidth.value = []
    for (const [i, widthMm] of WIDTHS_MM.entries()) {
      part.value = i / WIDTHS_MM.length
      try {
        const made = await search({ ...cloth.value, widthMm }, USUAL_ROUNDS, () => {})
        if (mine !== asked) return
        byWidth.value = [...byWidth.value, { widthMm, words: made.ok ? lengthToBuy(made.value) : problemSentence(made.problem) }]
      } catch (error) {
        if (mine !== asked) return
        problem.value = `The widths could not be compared: ${error instanceof Error ? error.message : String(error)}`
        break
      }
    }
    if (mine === asked) part.value = null
  }
  const change = (id: string, how: (l: LaidOnCloth) => LaidOnCloth) => {
    if (!lay.value) return
    const laid = lay.value.laid.map((l) => (l.id === id ? how(l) : l))
    const lengthMm = lengthOfLaid(laid)
    lay.value = { ...lay.value, laid, lengthMm, used: (lay.value.used * lay.value.lengthMm) / lengthMm }
  }
  /** Somebody has looked at the cloth: from then on it is laid anew whenever cloth, pieces or counts are others. */
  const isAwake = ref(false)
  watch([isAwake, garment, cloth, counts], () => {
    if (!isAwake.value) return
    if (isAsked.value) void layOut()
    else {
      stop()
      lay.value = null
      problem.value = ''
    }
  })
  return {
    wake: () => (isAwake.value = true),
    use,
    cloth,
    cards,
    setCount,
    counts,
    isAsked,
    lay,
    problem,
    part,
    bestMm,
    byWidth,
    faults: computed(() => (lay.value ? layFaults(lay.value) : [])),
    layAgain: () => layOut(LONG_ROUNDS),
    stop,
    compareWidths,
    move: (id: string, by: Point) => change(id, (l) => movedBy(l, by)),
    turn: (id: string) => change(id, turnedRound),
  }
})
