import type { Remote } from 'comlink'
import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import { BASE_SIZE, type Assembled, type PieceDraft } from '~~/core/import'
import type { Tray } from '~/data/tray-row'
import { sayFault } from '~/messages'
import type { ImportJobs } from '~/workers/import-jobs'

type InJobs = <T>(job: (jobs: ImportJobs | Remote<ImportJobs>) => T | Promise<T>) => Promise<T>

const EMPTY: Assembled = {
  garment: { sizes: [{ id: BASE_SIZE, name: BASE_SIZE }], baseSizeId: BASE_SIZE, pieces: [], seams: [] },
  seams: [],
  forCups: [],
  problems: [],
}

/**
 * The outlines of the tray as one garment, worked out in the worker; what was worked out last stays while an outline is changed.
 * @param inJobs has something done by the jobs of the import
 */
export function useTrayNest(state: ComputedRef<Tray>, inJobs: InJobs) {
  const drafts = computed(() => state.value.pieces.filter((p) => p.taken && !p.trouble).map((p) => p.draft))
  /** As text, which also parts it from the database’s row: what is not changed is not worked out anew. */
  const wanted = computed(() => JSON.stringify(drafts.value))
  const made = shallowRef<{ of: string; as: Assembled }>({ of: '[]', as: EMPTY })
  const problems = computed(() => new Map(made.value.as.problems))
  /** Outlines that were changed, or came in, since they were last looked at. */
  const fresh = computed(() => {
    if (made.value.of === wanted.value) return new Set<string>()
    const seen = new Map((JSON.parse(made.value.of) as PieceDraft[]).map((d) => [d.id, JSON.stringify(d)]))
    return new Set(drafts.value.filter((d) => seen.get(d.id) !== JSON.stringify(d)).map((d) => d.id))
  })

  /** All of it as it is now. @throws Ended where the worker was stopped */
  async function now(): Promise<Assembled> {
    const of = wanted.value
    if (made.value.of !== of) {
      const as = await inJobs((jobs) => jobs.assemble(JSON.parse(of) as PieceDraft[]))
      if (of === wanted.value) made.value = { of, as }
      return as
    }
    return made.value.as
  }
  /** Draws what is there now; where that was stopped or failed it is said, with a way to try again. */
  const draw = (): void =>
    void now().catch((error: unknown) => {
      const why = error instanceof Error ? error.message : String(error)
      sayFault(`The pieces were not drawn: ${why}`, { label: 'Try again', run: draw })
    })
  watch(wanted, draw, { immediate: true })

  return {
    assembled: computed(() => made.value.as),
    problems,
    fresh,
    now,
  }
}
