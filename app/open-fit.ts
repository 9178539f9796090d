import { ref } from 'vue'

/** The fit that is open, by its id; null while none is. It stands apart from the store of it, so that every screen can ask without carrying all that a garment needs. */
export const openFitId = ref<string | null>(null)
