import { openFitId } from '~/open-fit'
import { useActs } from './useActs'

/** What is undone, done again and logged on this page: the open fit, the import tray, or the wardrobe. */
export function useScope() {
  const route = useRoute()
  return useActs(() => (route.path.startsWith('/garment/') ? openFitId.value : route.path === '/import' ? 'tray' : 'wardrobe'))
}
