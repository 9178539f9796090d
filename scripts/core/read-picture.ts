import { decode } from 'image-js'
import { imageSize } from 'image-size'
import { keepOutlines } from '../../core/import'
import { joinPhotographs, readPhotograph, SHEETS, type Corners, type Known, type Pixels, type SheetName } from '../../core/photograph'
import { ok, refuse, type Result } from '../../core/result'
import { WrongUse, type Options } from './read-arguments'

/** More dots than any camera takes are not even unpacked. */
const MOST_DOTS = 120_000_000

function pixelsOf(bytes: Uint8Array): Result<Pixels> {
  const bad = (message: string, remedy: string) => refuse('no-photo', 'photograph', message, remedy)
  try {
    const { width, height } = imageSize(bytes)
    if (width * height > MOST_DOTS) return bad(`it has ${width} by ${height} dots.`, 'Save it smaller: 12 million are enough.')
    const image = decode(bytes).convertBitDepth(8).convertColor('RGBA')
    return ok({ width: image.width, height: image.height, data: Uint8ClampedArray.from(image.getRawImage().data) })
  } catch {
    return bad('it cannot be read as a picture.', 'Save it as JPEG or PNG.')
  }
}

/** What is said to lie beside the pieces. */
function knownOf({ beside = 'a4' }: Options): Known {
  if (beside in SHEETS) return { kind: 'sheet', sheet: beside as SheetName }
  const sides = /^(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)$/i.exec(beside)
  if (!sides) throw new WrongUse(`--beside is ${Object.keys(SHEETS).join(', ')}, or two sides in mm, as 300x200.`)
  return { kind: 'rectangle', longMm: Number(sides[1]), shortMm: Number(sides[2]) }
}

function cornersOf({ corners }: Options): Corners | null {
  if (corners === undefined) return null
  const figures = corners.split(',').map(Number)
  if (figures.length !== 8 || !figures.every(Number.isFinite))
    throw new WrongUse('--corners is four places of the photograph in dots, clockwise from the upper left: X,Y,X,Y,X,Y,X,Y.')
  return [0, 2, 4, 6].map((i) => ({ x: figures[i]!, y: figures[i + 1]! })) as unknown as Corners
}

/** What is kept of a photograph of paper pieces; says how well each is known. */
export function readPicture(file: string, bytes: Uint8Array, options: Options, tell: (words: string) => void): Result<string> {
  const [known, corners] = [knownOf(options), cornersOf(options)]
  const pixels = pixelsOf(bytes)
  if (!pixels.ok) return pixels
  const read = readPhotograph(pixels.value, known, corners)
  if (!read.ok) return read
  const { outlines, proportion } = read.value
  if (proportion)
    return refuse(
      'no-sheet',
      'photograph',
      `what lies beside the pieces is ${proportion.seen.toFixed(2)} times as long as it is wide, and not ${proportion.said.toFixed(2)} times.`,
      'Say with --beside what it is.',
    )
  outlines.forEach((o, i) =>
    tell(`outline ${i + 1} is off by up to ${o.errorMm.toFixed(1)} mm${o.isCut ? ', goes on beyond the picture, and is left out' : ''}.`),
  )
  if (!outlines.some((o) => !o.isCut))
    return refuse('no-outline', 'photograph', 'no piece lies whole in it.', 'Take it anew from further away.')
  const whole = joinPhotographs([{ ...read.value, outlines: outlines.filter((o) => !o.isCut) }], [])
  return whole.ok ? ok(keepOutlines({ ...whole.value, name: file.replace(/^.*\/|\.[^.]+$/g, '') })) : whole
}
