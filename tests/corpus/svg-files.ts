import { toPathData } from '../../core/formats'
import { mapPath } from '../../core/geometry'
import { chances } from './garments'
import { BASE_SIZE_NAME, type Item, type Role, type Sheet } from './sheet'

/** The manners of writing an SVG file that are met with. */
export const SVG_MANNERS = ['by-hand', 'layers', 'points', 'office', 'flat', 'size-layers', 'sizes-shared', 'size-looks'] as const
export type SvgManner = (typeof SVG_MANNERS)[number]

const escape = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;')
const n = (v: number) => String(Math.round(v * 1000) / 1000)
const data = (item: Item, by: number) =>
  toPathData(
    mapPath(item.path!, (p) => ({ x: p.x * by, y: p.y * by })),
    item.closed === true,
  )
const slug = (name: string) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
const turned = (item: Item, by: number) =>
  item.turnDeg ? ` transform="rotate(${item.turnDeg} ${n(item.at!.x * by)} ${n(item.at!.y * by)})"` : ''

/** The turn of a text as the first four figures of a matrix. */
function turnOf({ turnDeg = 0 }: Item): string {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  return [c, s, -s, c].map(n).join(' ')
}

const NAMES: Record<Role, string> = {
  cut: 'Cut',
  seam: 'Sew',
  grain: 'Arrows',
  notch: 'Marks',
  dart: 'Sew',
  line: 'Guides',
  fold: 'Fold',
  words: 'Text',
  background: 'Page',
  frame: 'Sheet',
  title: 'Sheet',
  legend: 'Sheet',
  'test-square': 'Scale',
  'scale-bar': 'Scale',
  logo: 'Sheet',
  grid: 'Grid',
  inner: 'Guides',
}

/** Written by a person: a group for each piece, classes, millimetres. */
function byHand({ items, garment, width, height, placed }: Sheet): string {
  const one = (it: Item, dx = 0, dy = 0): string => {
    if (it.text) {
      const at = { x: it.at!.x - dx, y: it.at!.y - dy }
      return `<text x="${n(at.x)}" y="${n(at.y)}" font-size="${it.heightMm}"${it.turnDeg ? ` transform="rotate(${it.turnDeg} ${n(at.x)} ${n(at.y)})"` : ''}>${escape(it.text)}</text>`
    }
    const moved = { ...it, path: mapPath(it.path!, (p) => ({ x: p.x - dx, y: p.y - dy })) }
    return `<path class="${it.dashed ? 'dashed' : it.filled ? 'solid' : 'line'}"${it.arrows ? ' marker-start="url(#head)" marker-end="url(#head)"' : ''}${it.role === 'fold' ? ' id="fold-line-' + String(Math.round(dx)) + '"' : ''} d="${data(moved, 1)}"/>`
  }
  const around = items.filter((i) => i.piece === undefined).map((i) => one(i))
  const pieces = garment.pieces.map((p, k) => {
    const { x, y } = placed[k]!
    return `<g id="${slug(p.name)}" transform="translate(${n(x)} ${n(y)})">\n${items
      .filter((i) => i.piece === k)
      .map((i) => one(i, x, y))
      .join('\n')}\n</g>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">
<style>.line{fill:none;stroke:#222;stroke-width:.5}.dashed{fill:none;stroke:#222;stroke-width:.4;stroke-dasharray:4 2}.solid{fill:#222}</style>
<defs><marker id="head" markerWidth="6" markerHeight="6" refX="5" refY="3" orient="auto-start-reverse"><path d="M0 0L6 3L0 6z"/></marker></defs>
${[...around, ...pieces].join('\n')}
</svg>`
}

/** A drawing program with layers: one for each sort of line, moved and labelled in a namespace of its own. */
function layers({ items, width, height }: Sheet, bySize: boolean): string {
  const layerOf = (it: Item) => (bySize && it.size ? `Size ${it.size}` : NAMES[it.role])
  const names = [...new Set(items.map(layerOf))]
  const one = (it: Item, k: number): string =>
    it.text
      ? `<text id="text${k}" xml:space="preserve" style="font-size:${it.heightMm}px;fill:#000000;stroke:none"${turned(it, 1)} x="${n(it.at!.x)}" y="${n(it.at!.y)}"><tspan d:role="line" x="${n(it.at!.x)}" y="${n(it.at!.y)}">${escape(it.text)}</tspan></text>`
      : `<path id="path${k}" style="fill:${it.filled ? '#ffffff' : 'none'};stroke:#000000;stroke-width:0.6${it.dashed ? ';stroke-dasharray:5, 3' : ''}${it.arrows ? ';marker-start:url(#m);marker-end:url(#m)' : ''}" d="${data(it, 1)}"/>`
  const groups = names.map(
    (name, k) =>
      `<g id="layer${k + 1}" d:label="${name}" d:groupmode="layer" transform="translate(12,-7.5)"><g transform="matrix(1,0,0,1,-12,7.5)">\n${items
        .flatMap((it, i) => (layerOf(it) === name ? [one(it, i)] : []))
        .join('\n')}\n</g></g>`,
  )
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}" version="1.1" id="svg1" xmlns="http://www.w3.org/2000/svg" xmlns:d="urn:drawing">
<d:namedview id="base" pagecolor="#ffffff"/><defs id="defs2"/>
${groups.join('\n')}
</svg>`
}

/** A drawing program in points, with short class names, texts moved by a matrix, and one layer for everything. */
function points({ items, width, height }: Sheet): string {
  const by = 72 / 25.4
  const one = (it: Item): string =>
    it.text
      ? `<text transform="matrix(${turnOf(it)} ${n(it.at!.x * by)} ${n(it.at!.y * by)})" class="st4 st5" style="font-size:${n(it.heightMm! * by)}px;">${escape(it.text)}</text>`
      : it.path!.every((s) => s.kind === 'line') && it.path!.length === 1
        ? `<line class="${it.dashed ? 'st1' : 'st0'}"${it.arrows ? ' marker-end="url(#a)"' : ''} x1="${n(it.path![0]!.from.x * by)}" y1="${n(it.path![0]!.from.y * by)}" x2="${n(it.path![0]!.to.x * by)}" y2="${n(it.path![0]!.to.y * by)}"/>`
        : it.closed && it.path!.every((s) => s.kind === 'line')
          ? `<polygon class="${it.filled ? (it.role === 'background' ? 'st3' : 'st2') : it.dashed ? 'st1' : 'st0'}" points="${it.path!.map((s) => `${n(s.from.x * by)},${n(s.from.y * by)}`).join(' ')} "/>`
          : `<path class="${it.dashed ? 'st1' : it.filled ? 'st2' : 'st0'}" d="${data(it, by)}"/>`
  // Every piece is a group without a name; several texts of one piece are one group, too.
  const pieces = [...new Set(items.map((i) => i.piece))].map((k) => {
    const own = items
      .filter((i) => i.piece === k)
      .map(one)
      .join('\n\t')
    return k === undefined ? own : `<g>\n\t${own}\n</g>`
  })
  return `<?xml version="1.0" encoding="utf-8"?>
<svg version="1.1" id="Layer_1" xmlns="http://www.w3.org/2000/svg" x="0px" y="0px" width="${n(width * by)}pt" height="${n(height * by)}pt" viewBox="0 0 ${n(width * by)} ${n(height * by)}" style="enable-background:new 0 0 10 10;" xml:space="preserve">
<style type="text/css">
	.st0{fill:none;stroke:#231F20;stroke-width:1.4;}
	.st1{fill:none;stroke:#231F20;stroke-width:0.7;stroke-dasharray:8,4;}
	.st2{fill:#231F20;}
	.st3{fill:#FFFFFF;}
	.st4{font-family:'Sans';}
	.st5{letter-spacing:0.5;}
</style>
${pieces.join('\n')}
</svg>`
}

/** An office program: hundredths of a millimetre, every thing in groups of its own with an unseen box round it. */
function office({ items, width, height }: Sheet): string {
  const by = 100
  let id = 2
  const one = (it: Item): string => {
    id += 1
    if (it.text) {
      const [x, y] = [n(it.at!.x * by), n(it.at!.y * by)]
      return `<g class="office.TextShape"><g id="id${id}"><rect class="BoundingBox" stroke="none" fill="none" x="${x}" y="${n((it.at!.y - it.heightMm!) * by)}" width="${n(it.text.length * it.heightMm! * 60)}" height="${n(it.heightMm! * 130)}"/><text class="SVGTextShape"${turned(it, by)}><tspan class="TextParagraph" font-size="${n(it.heightMm! * by)}px"><tspan class="TextPosition" x="${x}" y="${y}"><tspan fill="rgb(0,0,0)" stroke="none">${escape(it.text)}</tspan></tspan></tspan></text></g></g>`
    }
    const xs = it.path!.map((s) => s.from.x)
    const ys = it.path!.map((s) => s.from.y)
    const unseen = `<rect class="BoundingBox" stroke="none" fill="none" x="${n(Math.min(...xs) * by)}" y="${n(Math.min(...ys) * by)}" width="${n((Math.max(...xs) - Math.min(...xs)) * by + 1)}" height="${n((Math.max(...ys) - Math.min(...ys)) * by + 1)}"/>`
    return `<g class="office.ClosedBezierShape"><g id="id${id}">${unseen}<path${it.arrows ? ' marker-end="url(#a)"' : ''} fill="${it.filled ? 'rgb(255,255,255)' : 'none'}" stroke="${it.role === 'background' ? 'none' : 'rgb(0,0,0)'}" d="${data(it, by)}"/></g></g>`
  }
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg version="1.2" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width * by)} ${n(height * by)}" preserveAspectRatio="xMidYMid" fill-rule="evenodd" stroke-width="28.222" stroke-linejoin="round" xmlns="http://www.w3.org/2000/svg">
<defs class="ClipPathGroup"><clipPath id="clip_1"><rect x="0" y="0" width="${n(width * by)}" height="${n(height * by)}"/></clipPath></defs>
<g class="SlideGroup"><g><g id="container-id1"><g id="id1" class="Slide" clip-path="url(#clip_1)"><g class="Page">
${items.map(one).join('\n')}
</g></g></g></g></g>
</svg>`
}

/** No groups and no order at all; millimetres on the page, 96 to the inch within. */
function flat({ items, width, height }: Sheet, seed: number): string {
  const by = 96 / 25.4
  const chance = chances(seed)
  const mixed = items.map((it) => ({ it, at: chance() })).sort((a, b) => a.at - b.at)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width * by)} ${n(height * by)}">
${mixed
  .map(({ it }) =>
    it.text
      ? `<text x="${n(it.at!.x * by)}" y="${n(it.at!.y * by)}" font-size="${n(it.heightMm! * by)}"${turned(it, by)}>${escape(it.text)}</text>`
      : `<path d="${data(it, by)}"${it.arrows ? ' marker-end="url(#a)"' : ''} fill="${it.filled ? 'black' : 'none'}" stroke="black"${it.dashed ? ' stroke-dasharray="10 6"' : ''}/>`,
  )
  .join('\n')}
</svg>`
}

/** Looks that tell sizes from each other: by dashes, by colours, by weight. */
const LOOKS: ((k: number) => string)[] = [
  (k) => `stroke="#000" stroke-width="0.5"${k > 0 ? ` stroke-dasharray="${['6 2', '2 2', '8 2 2 2', '10 4'][k - 1]}"` : ''}`,
  (k) => `stroke="${['#c03020', '#2050b0', '#208040', '#a06000', '#803090'][k]}" stroke-width="0.5"`,
  (k) => `stroke="#000" stroke-width="${0.4 + 0.25 * k}"`,
]

/** No layers: every size is drawn in a look of its own. */
function sizeLooks({ items, hand, width, height }: Sheet, seed: number): string {
  const sizes = [BASE_SIZE_NAME, ...hand.sizes]
  // Two lines of two weights may as well be cut line and seam line.
  const look = LOOKS[seed % (sizes.length > 2 ? LOOKS.length : LOOKS.length - 1)]!
  const drawn = (it: Item): string =>
    it.size !== undefined ? look(sizes.indexOf(it.size)) : `stroke="#000" stroke-width="0.3"${it.dashed ? ' stroke-dasharray="4 2"' : ''}`
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">
${items
  .map((it) =>
    it.text
      ? `<text x="${n(it.at!.x)}" y="${n(it.at!.y)}" font-size="${n(it.heightMm!)}"${turned(it, 1)}>${escape(it.text)}</text>`
      : `<path d="${data(it, 1)}"${it.arrows ? ' marker-end="url(#a)"' : ''} fill="${it.filled ? (it.role === 'background' ? 'white' : 'black') : 'none'}" ${drawn(it)}/>`,
  )
  .join('\n')}
</svg>`
}

/** A sheet as an SVG file in one of the manners. */
export function toSvgFile(sheet: Sheet, manner: SvgManner, seed: number): string {
  switch (manner) {
    case 'by-hand':
      return byHand(sheet)
    case 'layers':
      return layers(sheet, false)
    case 'size-layers':
    case 'sizes-shared':
      return layers(sheet, true)
    case 'size-looks':
      return sizeLooks(sheet, seed)
    case 'points':
      return points(sheet)
    case 'office':
      return office(sheet)
    case 'flat':
      return flat(sheet, seed)
  }
}
