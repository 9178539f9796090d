import { useLocalStorage, usePreferredDark, usePreferredReducedMotion } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { formatLength, type FormatOptions, type UnitSystem } from '~~/core/units'

/** How this person reads: units and light. Kept in this browser. */
export const usePrefs = defineStore('prefs', () => {
  const units = useLocalStorage<UnitSystem>('tidal-seam-units', 'in')
  const light = useLocalStorage<'auto' | 'light' | 'dark'>('tidal-seam-light', 'auto')
  const prefersDark = usePreferredDark()
  const motion = usePreferredReducedMotion()
  const dark = computed(() => light.value === 'dark' || (light.value === 'auto' && prefersDark.value))
  const stillness = computed(() => motion.value === 'reduce')
  const length = (mm: number, options?: FormatOptions) => formatLength(mm, units.value, options)
  return { units, light, dark, stillness, length }
})
