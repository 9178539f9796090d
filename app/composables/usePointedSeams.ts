import { computed, type ComputedRef, type Ref } from 'vue'
import { sewEdges } from '~~/core/import'
import type { Garment } from '~~/core/pattern'
import type { Result } from '~~/core/result'
import type { AddedSeam, Tray } from '~/data/tray-row'

/** Edges are counted along the outline: with one more or one less the seams of a piece no longer know theirs. */
export function dropSeamsOf(tray: Tray, pieceId: string): void {
  tray.addedSeams = tray.addedSeams?.filter((a) => !a.sides.flat().some((e) => e.pieceId === pieceId))
}

/**
 * Seams of the import tray whose edges were pointed at.
 * @param whole the pieces that are ready
 * @param act does something to the tray, as an act of its own
 */
export function usePointedSeams(
  state: Ref<Tray>,
  whole: ComputedRef<Garment>,
  act: (label: string, recipe: (tray: Tray) => void) => Promise<Result<void>>,
) {
  /** As far as their edges are there. */
  const added = computed(() =>
    (state.value.addedSeams ?? []).flatMap((a) => {
      const seam = sewEdges(whole.value, a.id, a.sides, a.turned)
      return seam ? [{ ...a, seam }] : []
    }),
  )
  const addSeam = (sides: AddedSeam['sides']) =>
    act('sew edges together', (tray) => {
      // JSON: what is written is plain data, never a reactive proxy.
      const plain = JSON.parse(JSON.stringify(sides)) as AddedSeam['sides']
      tray.addedSeams = [...(tray.addedSeams ?? []), { id: `pointed-${crypto.randomUUID()}`, sides: plain, turned: false }]
    })
  const turnSeam = (id: string) =>
    act('turn a side of a seam round', (tray) => {
      const seam = tray.addedSeams?.find((a) => a.id === id)
      if (seam) seam.turned = !seam.turned
    })
  const removeSeam = (id: string) => act('take a seam out', (tray) => void (tray.addedSeams = tray.addedSeams?.filter((a) => a.id !== id)))
  return { added, addSeam, turnSeam, removeSeam }
}
