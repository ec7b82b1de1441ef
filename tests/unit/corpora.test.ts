import { tryCorpora } from '../helpers/corpora'

describe('files, devices, operations and tables that somebody has spoilt', () => {
  const found = tryCorpora(500, 20261127, 12)
  it.each(Object.entries(found))('%s: none crashes, hangs or is taken wrongly', (_, t) => {
    expect([t.crashes, t.hangs, t.wrongly]).toEqual([[], [], []])
    expect(t.tried).toBeGreaterThan(100)
    // A corpus of which nothing is taken, or nothing refused, tries nothing.
    expect(Math.min(t.taken, t.refused)).toBeGreaterThan(0)
  })
  it('a refusal is short', () => {
    for (const t of Object.values(found)) expect(Math.max(...t.sizes)).toBeLessThan(64 * 1024)
  })
})
