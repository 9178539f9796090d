import type { Sheet } from '../paper'
import { TEST_SQUARE_MM } from '../tolerances'
import { DEG } from '../units'
import { toPathData } from './path-data'

const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)

const idOf = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'piece'

/** The cross of a mark, from its middle. */
const CROSS = 'm-3 0h6m-3 -3v6'

/** Rim around the drawing, mm; the test square stands below it. */
const RIM_MM = 10

/**
 * Writes a sheet as SVG in true millimetres: a group per piece, and in it named groups for the cut line, the seam line,
 * the grain, the notches, the inner lines and the text.
 */
export function writeSvg(sheet: Sheet, title: string): string {
  const width = Math.max(sheet.widthMm, TEST_SQUARE_MM) + 2 * RIM_MM
  const height = sheet.heightMm + TEST_SQUARE_MM + 4 * RIM_MM
  const out: string[] = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${-RIM_MM} ${-RIM_MM} ${width} ${height}" fill="none" stroke="#14213d" stroke-width="0.35" font-family="sans-serif">`,
    `<title>${escape(title)}</title>`,
  ]
  const used = new Map<string, number>()
  for (const p of sheet.pieces) {
    const name = idOf(p.piece.name)
    const times = (used.get(name) ?? 0) + 1
    used.set(name, times)
    const id = times === 1 ? name : `${name}-${times}`
    out.push(`<g id="${id}" data-part="piece" aria-label="${escape(p.piece.name)}">`)
    out.push(`<g id="${id}-cut-line" data-part="cut line"><path d="${toPathData(p.cutLine, true)}"/></g>`)
    out.push(
      `<g id="${id}-seam-line" data-part="seam line" stroke-dasharray="3 1.5" stroke-width="0.2"><path d="${toPathData(p.seamLine, true)}"/></g>`,
    )
    out.push(`<g id="${id}-grain" data-part="grain"><path d="M${p.grain.from.x} ${p.grain.from.y}L${p.grain.to.x} ${p.grain.to.y}"/></g>`)
    if (p.folds.length > 0)
      out.push(`<g id="${id}-fold" data-part="fold">${p.folds.map((f) => `<path d="${toPathData(f)}"/>`).join('')}</g>`)
    out.push(
      `<g id="${id}-notches" data-part="notches" stroke-width="0.5">${p.notches.map((n) => `<path d="${toPathData(n)}"/>`).join('')}</g>`,
    )
    out.push(
      `<g id="${id}-lines" data-part="lines" stroke-dasharray="6 2 1 2" stroke-width="0.2">${p.innerLines.map((l) => `<path d="${toPathData(l.path)}"><title>${escape(l.name)}</title></path>`).join('')}</g>`,
    )
    for (const [i, o] of p.others.entries()) {
      const dashes = `stroke-dasharray="${i + 2} ${(i % 3) + 1}"`
      out.push(
        `<g id="${id}-other-${i + 1}" data-part="other line" stroke-width="0.3"><title>${escape(o.name)}</title>`,
        `<g data-part="cut line" ${dashes}><path d="${toPathData(o.cutLine, true)}"/></g>`,
        `<g data-part="seam line" ${dashes} stroke-width="0.1"><path d="${toPathData(o.seamLine, true)}"/></g>`,
        `<g data-part="notches">${o.notches.map((n) => `<path d="${toPathData(n)}"/>`).join('')}</g></g>`,
      )
    }
    const named = (list: readonly { name: string; at: { x: number; y: number } }[], sign: string) =>
      list.map(({ name: own, at }) => `<path d="M${at.x} ${at.y}${sign}"><title>${escape(own)}</title></path>`).join('')
    if (p.points.length > 0) out.push(`<g id="${id}-marks" data-part="marks" stroke-width="0.25">${named(p.points, CROSS)}</g>`)
    // Corners are named and not drawn.
    out.push(`<g id="${id}-corners" data-part="corners" stroke="none">${named(p.corners, 'h0')}</g>`)
    const words = p.words.map(({ text, at, turnRad, sizeMm, bold }) => {
      const turn = turnRad === 0 ? '' : ` transform="rotate(${turnRad * DEG} ${at.x} ${at.y})"`
      return `<text x="${at.x}" y="${at.y}" font-size="${sizeMm}"${bold ? ' font-weight="700"' : ''}${turn}>${escape(text)}</text>`
    })
    out.push(`<g id="${id}-text" data-part="text" fill="#14213d" stroke="none">${words.join('')}</g>`)
    out.push('</g>')
  }
  const y = sheet.heightMm + RIM_MM
  out.push(
    `<g id="test-square" data-part="test square"><path d="M0 ${y}h${TEST_SQUARE_MM}v${TEST_SQUARE_MM}h${-TEST_SQUARE_MM}z"/><text x="14" y="${y + 27}" font-size="4.4" fill="#14213d" stroke="none">5 cm</text><text x="${TEST_SQUARE_MM + 6}" y="${y + 8}" font-size="4.4" fill="#14213d" stroke="none">Measure the square and sew a mock-up before cutting fabric.</text></g>`,
  )
  out.push('</svg>', '')
  return out.join('\n')
}
