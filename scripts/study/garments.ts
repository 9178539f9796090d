import type { Project } from '../../core/formats'
import { demoWardrobe } from '../../demo/wardrobe'

const STUDIED = ['demo-blouse', 'demo-tapered', 'demo-dress', 'demo-jacket', 'demo-tunic']

/** The garments of the demo that have sizes, each as bought. */
export const studiedGarments = (): Project[] => demoWardrobe(new Date('2026-01-01')).projects.filter((p) => STUDIED.includes(p.id))
