import { onScopeDispose, shallowRef, watch, type Ref, type WatchSource } from 'vue'
import { loadDb } from '~/data/db'
import { readFailed, storage } from '~/data/storage'

/**
 * The result of a database question, kept up to date, also when another tab writes, and when the page has to go on without
 * the browser's storage.
 * @param ask run again when `on` changes or the rows it read change
 */
export function useLive<T>(ask: () => Promise<T>, initial: T, on?: WatchSource): Readonly<Ref<T>> {
  const value = shallowRef(initial) as Ref<T>
  let stop = () => {}
  const start = () => {
    stop()
    let subscription: { unsubscribe: () => void } | null = null
    let isOver = false
    stop = () => {
      isOver = true
      subscription?.unsubscribe()
    }
    const watchRows = ({ liveQuery }: Awaited<ReturnType<typeof loadDb>>) => {
      if (!isOver) subscription = liveQuery(ask).subscribe({ next: (v) => (value.value = v), error: readFailed })
    }
    // That it could not be fetched is said where it is fetched first (plugins/storage.ts).
    void loadDb().then(watchRows, () => {})
  }
  if (on) watch(on, start)
  // Read again from where rows are kept now.
  watch(() => storage.turn, start)
  start()
  onScopeDispose(() => stop())
  return value
}
