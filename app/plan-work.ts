import { reactive } from 'vue'

/** Is the plan of the open fit being worked out, and how far is it? For the foot of every screen, which carries nothing else of it. */
export const planWork = reactive({ isOn: false, words: '' })
