import { Circuit } from '@/core/circuit'
import { waitsFor } from '@/core/time'
import { degF } from '@/core/units'
import { demoInstallation } from '../../tests/helpers/demo'
import { clock, duration, waitsSentences } from '.'

describe('times in words', () => {
  it.each([
    [0, 'at once', '0:00'],
    [12, '12 s', '0:12'],
    [95, '1 min 35 s', '1:35'],
    [300, '5 min', '5:00'],
    [3720, '1 h 2 min', '1:02:00'],
  ])('%d s', (s, words, face) => {
    expect([duration(s), clock(s)]).toEqual([words, face])
  })

  it('a clock that runs down never shows less than there is left', () => {
    expect(clock(59.2)).toBe('1:00')
    expect(clock(-3)).toBe('0:00')
  })

  it('what a call brings, with what each waits for', () => {
    const inst = demoInstallation('quillfeather-lane', { 'tstat.minimumOff': 5 })
    const at = { call: 'off' as const, outdoorF: degF(20), modes: {} }
    const past = [
      { call: 'heat1' as const, seconds: 600 },
      { call: 'off' as const, seconds: 60 },
    ]
    expect(waitsSentences(inst, waitsFor(new Circuit(inst), 'heatAux1', at, past))).toEqual([
      'Blower at once.',
      'Strip row 1 after 12 s: Row 1 sequencer contact closes after 12 s.',
      'Strip row 2 after 24 s: Row 2 sequencer contact closes after 24 s.',
      'Compressor after 4 min: Compressor minimum-off timer, 5 min.',
      'Outdoor fan after 4 min: Compressor minimum-off timer, 5 min.',
    ])
    const open = demoInstallation('quillfeather-lane', { 'tstat.minimumOff': null })
    expect(waitsSentences(open, waitsFor(new Circuit(open), 'heat1', at, past)).at(-1)).toBe(
      'How long compressor minimum-off timer takes is not known: its setting is not.',
    )
  })
})

describe('timers that run at the same time', () => {
  it('are told together, and not one after the other', () => {
    const inst = demoInstallation('pennywort-close')
    const past = [
      { call: 'heat1', seconds: 1800 },
      { call: 'off', seconds: 1 },
    ] as const
    const at = { call: 'heat1', outdoorF: degF(45), modes: {} } as const
    const said = waitsSentences(inst, waitsFor(new Circuit(inst), 'heat1', at, past))
    expect(said).toContain(
      'Compressor after 4 min 59 s: Compressor minimum-off timer, 5 min together with Board minimum-off timer, 5 min.',
    )
  })
})
