import type { Paper } from './paper'
import { unprintable, wordParts } from './printable'

const paper = (...texts: string[]): Paper => ({
  lang: 'en',
  title: 'Report',
  under: texts.map((text) => ({ text })),
  sections: [],
  foot: '',
})
/** A font that has every character but a smiling face. */
const hasGlyph = (codePoint: number) => codePoint !== 0x1f600

describe('what a PDF can print', () => {
  it.each(['Zażółć Ångström', 'Ελένη Παππά', 'Ольга Жукова', '5 Ω, −3 °F ≥ 2 → "x"', 'e\u0301'])(
    '%s goes through',
    (text) => expect(unprintable(paper(text), hasGlyph)).toEqual([]),
  )

  it.each([
    ['“王芳”, Hale', ['王芳']],
    ['Owner: ליאור כהן', ['ליאור', 'כהן']],
    ['ليلى', ['ليلى']],
    ['प्रिया प्रिया', ['प्रिया']],
    ['a 😀', ['😀']],
    ['あ い う え', ['あ', 'い', 'う']],
  ])('%s is named', (text, words) => expect(unprintable(paper(text), hasGlyph)).toEqual(words))

  it('is asked of drawings too', () => {
    const drawing = { width: 1, height: 1, shapes: [{ kind: 'text', x: 0, y: 0, size: 1, text: '電' }] }
    const sections = [{ id: 'a', title: '', blocks: [{ kind: 'drawing', title: '', drawing }] }] as never
    expect(unprintable({ ...paper(), sections }, hasGlyph)).toEqual(['電'])
  })
})

describe('where a word may be broken', () => {
  it.each(['thermostat', 'communicating-only', 'x'.repeat(20)])('%s stays whole', (word) =>
    expect(wordParts(word)).toEqual([word]),
  )

  it('one that runs over a column is broken between characters, accents on their letters', () => {
    const word = 'é'.normalize('NFD').repeat(21)
    const parts = wordParts(word)
    expect(parts.join('')).toBe(word)
    expect(parts.map((p) => p.normalize('NFC').length)).toEqual([8, 8, 5])
  })
})
