import { computed } from 'vue'
import { useTray } from '~/stores/tray'
import { useWardrobe } from '~/stores/wardrobe'
import { useWork } from '~/stores/work'

/** What is undone, done again and logged on this page: the open fit, the import tray, or the wardrobe. */
export function useScope() {
  const route = useRoute()
  const [work, tray, wardrobe] = [useWork(), useTray(), useWardrobe()]
  return computed(() => (route.path.startsWith('/garment/') ? work : route.path === '/import' ? tray : wardrobe))
}
