import { ref } from 'vue'

/** Is everything kept here that the application consists of, so that it opens without a network? */
export const opensOffline = ref(false)
