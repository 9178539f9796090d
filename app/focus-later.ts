import { nextTick } from 'vue'

/** Times that a field is looked for, and how long apart, ms: what was just stored is drawn once it was read again. */
const TRIES = 20
const APART_MS = 25

/** Puts the cursor into a field as soon as it is drawn; one that does not come is not waited for. */
export async function focusLater(find: () => HTMLElement | null | undefined): Promise<void> {
  for (let i = 0; i < TRIES; i++) {
    await nextTick()
    const field = find()
    if (field) return field.focus()
    await new Promise((resolve) => setTimeout(resolve, APART_MS))
  }
}
