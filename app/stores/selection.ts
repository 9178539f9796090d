import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { useWork } from '~/stores/work'

/** What is looked at of the garment that is open: on the tideline, and in the form. */
export const useSelection = defineStore('selection', () => {
  const work = useWork()
  /** The stop whose inputs are shown; null shows the whole plan. */
  const stopId = ref<string | null>(null)
  /** What a field of the form is about, by the name that it has on the pieces: lit up there while it is at hand. */
  const lit = ref<string | null>(null)
  watch(
    () => work.fitId,
    () => {
      stopId.value = null
      lit.value = null
    },
    { flush: 'sync' },
  )
  return { stopId, lit }
})
