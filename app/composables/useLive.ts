import { liveQuery } from 'dexie'
import { onScopeDispose, shallowRef, watch, type Ref, type WatchSource } from 'vue'

/**
 * The result of a database question, kept up to date, also when another tab writes.
 * @param ask run again when `on` changes or the rows it read change
 */
export function useLive<T>(ask: () => Promise<T>, initial: T, on?: WatchSource): Readonly<Ref<T>> {
  const value = shallowRef(initial) as Ref<T>
  let stop = () => {}
  const start = () => {
    stop()
    const subscription = liveQuery(ask).subscribe({ next: (v) => (value.value = v), error: (e) => console.error(e) })
    stop = () => subscription.unsubscribe()
  }
  if (on) watch(on, start)
  start()
  onScopeDispose(() => stop())
  return value
}
