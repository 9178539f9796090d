import { PDFDict, PDFHexString, PDFName, PDFOperator, PDFOperatorNames, type PDFDocument, type PDFPage, type PDFRef } from 'pdf-lib'

/** Layers of a document (optional content, ISO 32000-1, 8.11): each can be switched off in a reader before printing. */
export interface PdfLayers {
  /** What a drawing writes within a layer, on one page. */
  within(page: PDFPage, name: string, draw: () => void): void
}

/** Gives a document its layers, in the order in which a reader lists them: those that are shown, and those that are switched off. */
export function addLayers(doc: PDFDocument, shown: readonly string[], off: readonly string[] = []): PdfLayers {
  const names = [...shown, ...off]
  const refs = new Map<string, PDFRef>()
  for (const name of names) {
    const group = doc.context.obj({ Type: 'OCG' }) as PDFDict
    group.set(PDFName.of('Name'), PDFHexString.fromText(name))
    refs.set(name, doc.context.register(group))
  }
  const all = [...refs.values()]
  const states = { ON: all.slice(0, shown.length), OFF: all.slice(shown.length) }
  doc.catalog.set(PDFName.of('OCProperties'), doc.context.obj({ OCGs: all, D: { Order: all, ...states } }))
  const keys = new Map(names.map((name, i) => [name, `Layer${i}`]))
  const push = (page: PDFPage, name: PDFOperatorNames, ...args: PDFName[]) => page.pushOperators(PDFOperator.of(name, args))
  return {
    within(page, name, draw) {
      const key = PDFName.of(keys.get(name)!)
      const resources = page.node.Resources()!
      const kept = resources.lookupMaybe(PDFName.of('Properties'), PDFDict) ?? (doc.context.obj({}) as PDFDict)
      kept.set(key, refs.get(name)!)
      resources.set(PDFName.of('Properties'), kept)
      push(page, PDFOperatorNames.BeginMarkedContentSequence, PDFName.of('OC'), key)
      draw()
      push(page, PDFOperatorNames.EndMarkedContent)
    },
  }
}

/** Names of the layers, in the order in which they are listed. */
export const LAYERS = {
  cut: 'Cut line',
  seam: 'Seam line',
  marks: 'Grain, folds and notches',
  inner: 'Lines and marks within',
  words: 'Words',
  pages: 'Page marks',
  front: 'Squares and map',
  cloth: 'Cloth',
} as const

/** The layers of a size, or of a person, whose lines are drawn over those in full. */
export const otherCut = (name: string): string => `${name}, cut line`
/** It is switched off: on paper each is cut along its cut line. */
export const otherSeam = (name: string): string => `${name}, seam line`
