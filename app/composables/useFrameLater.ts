import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'

/**
 * A list of things that are dear to draw, one frame after what changes with them: the two would not fit into one.
 * @param ground when this changes nothing is shown until then, so that the old things are not drawn on new ground first
 */
export function useFrameLater<T>(list: () => readonly T[], ground: () => unknown): Readonly<Ref<readonly T[]>> {
  const shown = shallowRef<readonly T[]>([])
  let latest: readonly T[] = []
  let frame = 0
  const show = () => {
    frame = 0
    shown.value = latest
  }
  watch(
    [list, ground],
    ([now, on], [, before]) => {
      latest = now
      if (on !== before) shown.value = []
      // The first of the two is the frame in which the rest is drawn.
      if (!frame) frame = requestAnimationFrame(() => (frame = requestAnimationFrame(show)))
    },
    { immediate: true },
  )
  onScopeDispose(() => cancelAnimationFrame(frame))
  return shown
}
