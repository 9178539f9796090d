import { createSharedComposable, useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { usualCloth } from '~~/core/cloth'
import { ManyChoicesSchema, type ManyChoices } from '~~/core/many/choices'
import { MARGIN_MM, ROLL_MM } from '~~/core/paper'
import { usePrefs } from '~/stores/prefs'

/** The paper and the cloth of this workshop: what every fit is printed on and cut from where nothing else is chosen for it. */
export const useWorkshop = createSharedComposable(() => {
  const prefs = usePrefs()
  const kept = useStorage<Partial<ManyChoices>>('tidal-seam-workshop', {}, prefs.place)
  const atFirst = computed((): ManyChoices => ({
    paper: prefs.units === 'in' ? 'letter' : 'a4',
    rollMm: ROLL_MM.usual,
    marginMm: MARGIN_MM,
    cloth: usualCloth(),
  }))
  // What cannot be read is begun anew.
  return computed<ManyChoices>({
    get: () => ManyChoicesSchema.safeParse(kept.value).data ?? atFirst.value,
    set: (own) => (kept.value = own),
  })
})
