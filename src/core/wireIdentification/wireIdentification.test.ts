import { asOhms } from '../units'
import { cableFeet, farGroups, identify, METAL, MOST_CONDUCTORS, nearGroups, type Metal } from '.'

/** The size of the group that an end is in, itself included, in a cable with a secret order: order[near] is the far end. */
function meter(order: number[], groups: (number | Metal)[][], twistedAt: 'near' | 'far') {
  return (end: number): number => {
    const other = twistedAt === 'near' ? order.indexOf(end) : order[end]!
    return groups.find((g) => g.includes(other))!.length
  }
}

function shuffled(n: number, seed: number): number[] {
  const list = Array.from({ length: n }, (_, i) => i)
  let x = seed
  for (let i = n - 1; i > 0; i--) {
    x = (Math.imul(x, 1103515245) + 12345) & 0x7fffffff
    const j = x % (i + 1)
    ;[list[i], list[j]] = [list[j]!, list[i]!]
  }
  return list
}

describe('the wire finder', () => {
  it.each(Array.from({ length: MOST_CONDUCTORS }, (_, i) => i + 1))(
    'names every one of %i conductors in two trips, whatever their order',
    (n) => {
      for (let seed = 1; seed <= 30; seed++) {
        const order = shuffled(n, seed * 7919)
        const conductors = Array.from({ length: n }, (_, i) => i)
        const first = nearGroups(conductors)!
        expect(
          first
            .flat()
            .filter((c) => c !== METAL)
            .sort((a, b) => Number(a) - Number(b)),
        ).toEqual(conductors)
        const there = meter(order, first, 'near')
        const sizes = conductors.map((far) => ({ far, size: there(far) }))
        const second = farGroups(sizes)
        if (!second.ok) throw new Error('sizes refused')
        const here = meter(order, second.groups, 'far')
        const found = identify(
          conductors.map((near) => ({ near, size: here(near) })),
          sizes,
        )
        if (!found.ok) throw new Error('not identified')
        for (const { near, far } of found.pairs) expect(far).toBe(order[near])
      }
    },
  )

  it('brings in cabinet metal where the number alone gives no way, and only there', () => {
    const needs = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].filter((n) =>
      nearGroups(Array.from({ length: n }, (_, i) => i))!
        .flat()
        .includes(METAL),
    )
    // Two conductors are alike to any twisting; five and nine fill no set of whole groups of at most four.
    expect(needs).toEqual([2, 5, 9])
  })

  it('knows when two readings cannot both be', () => {
    const names = ['a', 'b', 'c', 'd']
    const sizes = ['A', 'B', 'C', 'D'].map((far, i) => ({ far, size: i < 2 ? 1 : 2 }))
    const near = names.map((n, i) => ({ near: n, size: i < 2 ? 1 : 2 }))
    // Counts are right (two alone, two paired), but with two alone here one of them must pair at the far end.
    expect(identify(near, sizes).ok).toBe(true)
    expect(
      identify(
        near.map((n) => ({ ...n, size: 1 })),
        sizes,
      ),
    ).toEqual({ ok: false, size: 1, expected: 2, read: 4 })
  })

  it('says which count cannot be when a conductor is broken', () => {
    // Three conductors: one alone and a pair. All three alone: the pair is broken somewhere.
    const sizes = ['A', 'B', 'C'].map((far) => ({ far, size: 1 }))
    expect(farGroups(sizes)).toEqual({ ok: false, size: 1, expected: 1, read: 3 })
  })

  it('has no way for more conductors than a cable has', () => {
    expect(nearGroups(Array.from({ length: 13 }, (_, i) => i))).toBeNull()
  })

  it('takes the length from the loop: 0.64 Ω of 18 AWG is 50 ft there and 50 back', () => {
    // Handbook: 6.385 Ω per 1,000 ft; 100 ft of it is 0.6385 Ω.
    expect(cableFeet(asOhms(0.6385), 18)).toBeCloseTo(50, 1)
  })
})
