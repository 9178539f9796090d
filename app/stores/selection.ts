import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { useWork } from '~/stores/work'

/** What is looked at of the garment that is open: on the tideline, and in the form. */
export const useSelection = defineStore('selection', () => {
  const work = useWork()
  /** The stop whose inputs are shown; null shows the whole plan. */
  const stopId = ref<string | null>(null)
  /** What a field of the form is about, by the name that it has on the pieces: lit up there while it is at hand. */
  const lit = ref<string | null>(null)
  /** A stop that was just begun without an amount: which field asks for it, and which way a figure typed there is meant. */
  const begun = shallowRef<{ stopId: string; field: string | null; towards: 1 | 0 | -1 } | null>(null)
  // Once another stop was looked at, nothing is asked for any more.
  watch(
    stopId,
    (id) => {
      if (begun.value?.stopId !== id) begun.value = null
    },
    { flush: 'sync' },
  )
  watch(
    () => work.fitId,
    () => {
      stopId.value = null
      lit.value = null
      begun.value = null
    },
    { flush: 'sync' },
  )
  return { stopId, lit, begun }
})
