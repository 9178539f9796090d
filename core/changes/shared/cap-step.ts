import type { Garment } from '../../pattern'
import { armholesWithSleeve, measureArmhole } from '../../seams'
import { formatLength, type Ruler } from '../../units'

/** What the hands do with the cap once its armhole was redrawn: by how long it must be; a garment without sleeves has an edge to finish. */
export function capStep(before: Garment, after: Garment, sizeId: string, ruler: Ruler): string {
  const pairs = armholesWithSleeve(before)
  if (!pairs.ok) return 'Bind or face the new armhole by its new length.'
  const { cap } = measureArmhole(after, pairs.value[0]!, sizeId)
  return `Redraw the cap so that it measures ${formatLength(cap.front, ruler)} in front and ${formatLength(cap.back, ruler)} at the back, its ease as before; the sleeve seams keep their lengths.`
}
