import { readonly, shallowRef } from 'vue'

/** What the program answers to something that was done: one at a time, on the line at the foot of every screen. */
export interface Message {
  kind: 'said' | 'done' | 'fault'
  text: string
  action: { label: string; run: () => void } | null
}

const shown = shallowRef<Message | null>(null)

/** The message that stands on the line; null when nothing is left to say. */
export const message = readonly(shown)

const put =
  (kind: Message['kind']) =>
  (text: string, action: Message['action'] = null) =>
    void (shown.value = { kind, text, action })

/** Says what happened. */
export const say = put('said')
/** Says that something was done as it was asked for. */
export const sayDone = put('done')
/** Says what could not be done, and what to do. */
export const sayFault = put('fault')

/** Takes the message away: its matter is settled once something else is done, or taken back. */
export const settleMessage = (): void => void (shown.value = null)
