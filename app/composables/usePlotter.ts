import { createSharedComposable, useStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { PenChoiceSchema, plotOf, usualPens, type PenChoice } from '~~/core/formats'
import { arrange, ROLL_MM } from '~~/core/paper'
import { useSheets } from '~/composables/useSheets'
import { usePrefs } from '~/stores/prefs'

/** Strokes and letters of one request: what the machine takes in at once. */
const STROKES_AT_ONCE = 12
const LETTERS_AT_ONCE = 40_000

interface Answer {
  trouble?: string
  job?: string | null
  done?: number
  seconds?: number
  paperMm?: number
  drawing?: { since: number; strokes: { pen: number; points: string }[] }
  problem?: { code: string; message: string }
}

/** The open fit's sheet for the plotter: its lines, how far the machine is with them, and going on from where it stopped. */
export const usePlotter = createSharedComposable(() => {
  const { drawn: pieces } = useSheets()
  const { place } = usePrefs()
  const keptPens = useStorage<PenChoice>('tidal-seam-pens', usualPens(), place)
  // What cannot be read is begun anew.
  const pens = computed({ get: () => PenChoiceSchema.safeParse(keptPens.value).data ?? usualPens(), set: (own) => (keptPens.value = own) })
  const keptWidth = useStorage('tidal-seam-plotter-width', ROLL_MM.usual, place)
  const widthMm = computed({
    get: () => (keptWidth.value >= ROLL_MM.least && keptWidth.value <= ROLL_MM.most ? keptWidth.value : ROLL_MM.usual),
    set: (mm) => (keptWidth.value = mm),
  })
  /** The pieces laid out for the width of its paper. */
  const sheet = computed(() => arrange(pieces.value, widthMm.value))
  const plot = computed(() => plotOf(sheet.value, pens.value))
  const trouble = ref('none')
  /** The same lines are the same job, also after the page was loaded again: by their number and their letters. */
  const job = computed(() => {
    let hash = 5381
    for (const { command } of plot.value.strokes)
      for (let i = 0; i < command.length; i++) hash = ((hash << 5) + hash + command.charCodeAt(i)) | 0
    return `plot-${plot.value.strokes.length}-${(hash >>> 0).toString(36)}`
  })
  const done = ref(0)
  const seconds = ref(0)
  const isSending = ref(false)
  const problem = ref('')
  const drawn = shallowRef<{ pen: number; points: string }[]>([])

  async function ask(body?: unknown, since?: number): Promise<Answer> {
    const query = since === undefined ? '' : `?since=${since}`
    const answer = await fetch(
      `/api/plotter${query}`,
      body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
    )
    return (await answer.json()) as Answer
  }
  /** How far the machine is with this plot, as it says itself. */
  async function look(): Promise<void> {
    const state = await ask(undefined, drawn.value.length)
    trouble.value = state.trouble ?? 'none'
    const isMine = state.job === job.value
    done.value = isMine ? (state.done ?? 0) : 0
    seconds.value = isMine ? (state.seconds ?? 0) : 0
    drawn.value = isMine ? [...drawn.value.slice(0, state.drawing?.since ?? 0), ...(state.drawing?.strokes ?? [])] : []
  }
  /** The next strokes that go in one request. */
  function nextStrokes(): string[] {
    const out: string[] = []
    let letters = 0
    for (const { command } of plot.value.strokes.slice(done.value, done.value + STROKES_AT_ONCE)) {
      if (out.length > 0 && letters + command.length > LETTERS_AT_ONCE) break
      out.push(command)
      letters += command.length
    }
    return out
  }
  /** What the machine was told last: nothing is sent before it has heard that. */
  let told: Promise<unknown> = Promise.resolve()
  /** Sends what is not drawn yet, until all is, or something stops it. */
  async function send(): Promise<void> {
    isSending.value = true
    problem.value = ''
    const mine = job.value
    try {
      await told
      await look()
      if (done.value >= plot.value.strokes.length) {
        // All of it lies there already: it is drawn once more.
        done.value = 0
        drawn.value = []
      }
      while (isSending.value && mine === job.value && done.value < plot.value.strokes.length) {
        const answer = await ask({ job: mine, from: done.value, of: plot.value.strokes.length, strokes: nextStrokes() })
        if (answer.problem) {
          problem.value = `Stopped at line ${done.value + 1}: ${answer.problem.message}`
          break
        }
        await look()
      }
      if (problem.value) await look()
    } catch {
      problem.value = 'The plotter does not answer: look at its line, then go on. Nothing is lost.'
    } finally {
      isSending.value = false
    }
  }
  const stop = () => (isSending.value = false)
  /** What somebody at the machine does to it: a stand-in for a jam, an empty roll, a pulled plug. */
  async function setTrouble(wanted: string): Promise<void> {
    trouble.value = wanted
    told = ask({ trouble: wanted }).catch(() => null)
    await told
  }
  watch(job, () => {
    isSending.value = false
    problem.value = ''
    drawn.value = []
    void look().catch(() => (done.value = 0))
  })
  // Nobody sees any more how it goes: it goes on from here when it is looked at again.
  onScopeDispose(stop)
  return { pens, widthMm, sheet, plot, trouble, job, done, seconds, isSending, problem, drawn, send, stop, setTrouble, look }
})
