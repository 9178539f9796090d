import { describe, expect, it } from 'vitest'
import { draftsIn } from './test-outlines'

const HALF = '<path d="M40 40 Q150 40 210 30 C240 120 250 200 260 330 Q150 350 40 350 Z"/>'
const SLEEVE = '<path d="M340 130 C380 120 400 40 440 40 C480 40 500 120 540 130 L510 340 L370 340 Z"/>'
const words = (x: number, lines: readonly string[]) =>
  lines.map((l, i) => `<text x="${x}" y="${190 + 16 * i}" font-size="9" fill="#000" stroke="none">${l}</text>`).join('')

/** A half and a sleeve, with words on each. */
const read = (half: readonly string[], sleeve: readonly string[]) =>
  draftsIn(
    `<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="400mm" viewBox="0 0 600 400"><g fill="none" stroke="#000">${HALF}${SLEEVE}${words(90, half)}${words(400, sleeve)}</g></svg>`,
  ).filter((d) => !d.aside)

describe('words in other languages', () => {
  it.each<[string, string[], string[], [string, string]]>([
    ['German', ['Rückenteil', '1x im Stoffbruch zuschneiden', 'Größe 40'], ['Ärmel', '2 x zuschneiden', 'Größe 40'], ['Back', 'Sleeve']],
    [
      'German without its letters',
      ['RUECKENTEIL', '1x im Bruch', 'Groesse 40'],
      ['OBERAERMEL 2x gegengleich', 'Gr. 40'],
      ['Back', 'Upper sleeve'],
    ],
    ['French', ['Dos', 'couper 1 fois au pli', 'Taille 40'], ['Manche', 'couper 2 fois', 'Taille 40'], ['Back', 'Sleeve']],
    ['French in capitals', ['DEVANT – COUPER 1X SUR LA PLIURE', 'TAILLE 40'], ['MANCHE – COUPER 2X', 'TAILLE 40'], ['Front', 'Sleeve']],
    ['Spanish', ['Espalda', 'cortar 1 vez al doblez', 'Talla 40'], ['Manga', 'cortar dos veces', 'Talla 40'], ['Back', 'Sleeve']],
    ['Italian', ['Dietro', 'tagliare 1 volta in piega', 'Taglia 40'], ['Manica', 'tagliare 2 volte', 'Taglia 40'], ['Back', 'Sleeve']],
    ['Dutch', ['Achterpand', 'knip 1x aan de stofvouw', 'Maat 40'], ['Mouw', '2x knippen', 'Maat 40'], ['Back', 'Sleeve']],
  ])('%s: what a piece is, how often it is cut, its fold and its size', (_, half, sleeve, names) => {
    const [first, second] = read(half, sleeve)
    expect([first!.draft.name, second!.draft.name]).toEqual(names)
    expect([first!.draft.kind, second!.draft.kind]).toEqual([names[0].toLowerCase(), 'sleeve'])
    expect([first!.draft.count, second!.draft.count]).toEqual([1, 2])
    expect([first, second].map((d) => d!.draft.edges.some((e) => e.fold))).toEqual([true, false])
    expect([first!.draft.sizeName, second!.draft.sizeName]).toEqual(['40', '40'])
  })

  it.each([
    ['Jupe devant', 'skirt-front'],
    ['Vorderhose', 'leg-front'],
    ['Pantalón espalda', 'leg-back'],
    ['Rok achterpand', 'skirt-back'],
    ['Poignet', 'band'],
    ['Pretina', 'band'],
    ['Taillenbund', 'band'],
    ['Tailleband', 'band'],
  ])('%s is a %s', (name, kind) => {
    expect(read([name], [])[0]!.draft.kind).toBe(kind)
  })

  it('names of several words are written as one', () => {
    expect(read(['PANTALON DEVANT'], ['Rücken'])[0]!.draft.name).toBe('Trouser front')
  })

  it.each([
    ['zweimal zuschneiden', 'Ärmel'],
    ['couper deux fois', 'Manche'],
    ['cortar dos veces', 'Manga'],
    ['tagliare due volte', 'Manica'],
  ])('“%s” is two', (cut, name) => {
    expect(read([], [name, cut]).find((d) => d.draft.kind === 'sleeve')!.draft.count).toBe(2)
  })

  it.each([
    ['Rückenpasse', 'Back yoke'],
    ['Rock hinten', 'Skirt back'],
    ['Jupe arrière', 'Skirt back'],
  ])('%s is the %s', (name, english) => {
    expect(read([name], [name.startsWith('J') ? 'Manche' : 'Ärmel'])[0]!.draft.name).toBe(english)
  })

  it.each(['Caramel coat back', 'La Manche coat back', 'Back / Dos / Rücken'])('“%s” of an English file is not translated', (name) => {
    const [back] = read([name, 'cut 1 on fold'], ['Sleeve', 'cut 2'])
    expect(back!.draft.name).toMatch(/^(?:Caramel coat back|La Manche coat back|Back)$/)
    expect(back!.draft.kind).toBe('back')
  })

  it('a name of an English file stays, though it is a word elsewhere', () => {
    expect(read(['Rock vista back', 'cut 1 on fold'], ['Sleeve', 'cut 2'])[0]!.draft.name).toBe('Rock vista back')
  })
})
