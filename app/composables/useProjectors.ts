import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { z } from 'zod'
import { ProjectorSchema, type Projector } from '~~/core/paper'
import { usePrefs } from '~/stores/prefs'

const KeptSchema = z.strictObject({ projectors: z.array(ProjectorSchema).max(20), chosen: z.string().max(60) })
type Kept = z.infer<typeof KeptSchema>

/** Projectors that were measured on this machine, and the one that is used. What cannot be read is forgotten. */
export function useProjectors() {
  const kept = useStorage<Kept>('tidal-seam-projectors', { projectors: [], chosen: '' }, usePrefs().place)
  const read = computed((): Kept => KeptSchema.safeParse(kept.value).data ?? { projectors: [], chosen: '' })
  const projectors = computed(() => read.value.projectors)
  const projector = computed(() => projectors.value.find((p) => p.name === read.value.chosen) ?? null)
  const choose = (name: string) => (kept.value = { ...read.value, chosen: name })
  /** Keeps a projector as it was measured last. */
  function keep(own: Projector) {
    const others = projectors.value.filter((p) => p.name !== own.name)
    kept.value = { projectors: [...others.slice(-19), own], chosen: own.name }
  }
  return { projectors, projector, choose, keep }
}
