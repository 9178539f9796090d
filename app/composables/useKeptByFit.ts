import { useStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { usePrefs } from '~/stores/prefs'

/** Fits of which something is remembered; those longest ago are forgotten. */
const KEPT_FITS = 60

/**
 * What was chosen for each fit on this machine: it stays as it was, also when the page is left or loaded again.
 *
 * @param read makes choices of what was kept, whatever it is; undefined where nothing was
 */
export function useKeptByFit<T>(name: string, fitId: Ref<string | null>, read: (kept: unknown) => T) {
  const kept = useStorage<Record<string, unknown>>(name, {}, usePrefs().place)
  return computed<T>({
    get: () => read(kept.value[fitId.value ?? '']),
    set: (choices) => {
      const others = Object.entries(kept.value).filter(([id]) => id !== fitId.value)
      kept.value = Object.fromEntries([...others.slice(-KEPT_FITS), [fitId.value ?? '', choices]])
    },
  })
}
