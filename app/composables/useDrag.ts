import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'
import type { Point } from '~~/core/geometry'

/**
 * Drags things of a drawing by a pointer: what was grabbed keeps the pointer until it is let go, wherever the hand goes.
 * Listens only while something is held, and stops with the component.
 * @param does.move where the hand is since it took hold, dots of the screen
 * @param does.drop let go there; `by` is null where the pointer was taken away (a call, a second finger) and nothing is meant
 */
export function useDrag<T>(does: {
  move: (thing: T, by: Point, event: PointerEvent) => void
  drop?: (thing: T, by: Point | null) => void
}) {
  const held = shallowRef<{ thing: T; x: number; y: number } | null>(null)
  /** A shape of a drawing; listened to as any element is. */
  const target = shallowRef<HTMLElement | null>(null)
  const byOf = (event: PointerEvent): Point => ({ x: event.clientX - held.value!.x, y: event.clientY - held.value!.y })

  function grab(event: PointerEvent, thing: T) {
    const on = event.currentTarget as HTMLElement
    on.setPointerCapture(event.pointerId)
    held.value = { thing, x: event.clientX, y: event.clientY }
    target.value = on
  }
  function end(event: PointerEvent) {
    if (!held.value) return
    const { thing } = held.value
    const by = event.type === 'pointercancel' ? null : byOf(event)
    held.value = null
    target.value = null
    does.drop?.(thing, by)
  }
  useEventListener(target, 'pointermove', (event) => held.value && does.move(held.value.thing, byOf(event), event))
  useEventListener(target, ['pointerup', 'pointercancel'], end)
  return { grab }
}

const ARROWS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
}

/** The way of an arrow key, which then scrolls nothing; null for another key. Down and to the right are positive. */
export function arrowOf(event: KeyboardEvent): Point | null {
  const way = ARROWS[event.key]
  if (!way) return null
  event.preventDefault()
  return way
}

/** How much of a drawing, in its own units, lies under one dot of the screen; nothing where it is not seen. */
export function unitsPerDot(drawing: SVGGraphicsElement | null): number {
  const dots = drawing?.getScreenCTM()?.a ?? 0
  return dots > 0 ? 1 / dots : 0
}
