import type { Ref } from '@/core/installation'
import type { ChainBecause, ChainGate } from '@/core/explain'
import { degF } from '@/core/units'
import { demoInstallation } from '../../tests/helpers/demo'
import { chainSentence, gateWords } from '.'

const inst = demoInstallation('quillfeather-lane')
const truth = { truth: 'no', negated: false } as const
const gate = (
  because: ChainBecause[],
  state: ChainGate['state'] = 'blocking',
  at: Ref = 'tstat.y',
): ChainGate => ({
  at,
  side: 'control',
  state,
  because,
})
const reason = (b: ChainBecause, state: ChainGate['state'] = 'blocking', at?: Ref) =>
  gateWords(inst, gate([b], state, at)).reason
/** An outdoor switch at 35 °F with 5 °F of differential, seen at a temperature. */
const sense = (at: number, over: { inBand?: boolean; negated?: boolean; below?: number | null; band?: number } = {}) =>
  ({ kind: 'sense', at: degF(at), below: 35, band: 5, inBand: false, ...truth, ...over }) as unknown as ChainBecause // prettier-ignore

describe('why a gate stands as it does', () => {
  it.each([
    [{ kind: 'notWired', last: 'ah.W2' }, 'Not wired: the path ends at Air handler W2'],
    [
      { kind: 'notJoined', from: 'ah.W1', to: 'ah.W2', instead: null },
      'No conductor leads from Air handler W1 to Air handler W2',
    ],
    [
      { kind: 'notJoined', from: 'ah.Y', to: 'od.Y', instead: 'ah.W2' },
      'No conductor leads from Air handler Y to Outdoor unit Y. The one that belongs there is on Air handler W2',
    ],
    [
      { kind: 'crossed', one: ['tstat.R', 'ah.C'], other: ['tstat.C', 'ah.R'], at: ['ah.C', 'ah.R'] },
      'R and C are crossed at the air handler: Thermostat R goes to Air handler C, and Thermostat C goes to Air handler R',
    ],
    [
      { kind: 'crossed', one: ['ah.O', 'odt.T2'], other: ['od.OB', 'od.W'], at: ['odt.T2', 'od.OB'] },
      'Two conductors are crossed: Air handler O goes to Outdoor thermostat 2, and Outdoor unit O/B goes to Outdoor unit W',
    ],
    [
      { kind: 'extra', a: 'ah.R', b: 'ah.C' },
      'A conductor that does not belong joins Air handler R and Air handler C',
    ],
    [{ kind: 'shorted', pole: 'ah.R' }, 'The two ends of its supply are joined, a short: air handler'],
    [{ kind: 'notWired', last: null }, 'Not wired'],
    [{ kind: 'volts', volts: 16.24, needs: 18 }, 'Only 16.2 V there; it needs 18 V'],
    [{ kind: 'energised', part: 'k1', ...truth }, 'Its coil has no 24 V'],
    [
      { kind: 'condition', condition: 'leak', ...truth, truth: 'yes', negated: true },
      'Refrigerant leak alarm',
    ],
    [
      { kind: 'condition', condition: 'warmCoil', ...truth, truth: 'yes', negated: true },
      'Air entering the coil is still cooling down',
    ],
    [
      { kind: 'condition', condition: 'lockout', ...truth, truth: 'yes', negated: true },
      'The outdoor unit is locked out on a fault',
    ],
    [
      { kind: 'condition', condition: 'noGas', ...truth, truth: 'no', negated: true },
      'Gas pressure is there',
    ],
  ] as [ChainBecause, string][])('%j', (b, words) => expect(reason(b)).toBe(words))

  it('a furnace’s own fan contact feels the air that leaves it', () => {
    const furnace = demoInstallation('tallow-mill')
    const hot = (state: ChainGate['state'], yes: 'yes' | 'no', negated: boolean) =>
      gateWords(
        furnace,
        gate([{ kind: 'condition', condition: 'hotCoil', truth: yes, negated }], state, 'fur.heatFan'),
      ).reason
    expect(hot('blocking', 'no', false)).toBe('Air leaving the furnace is not hot')
    expect(hot('blocking', 'yes', true)).toBe('Air leaving the furnace is hot')
  })

  it('an outdoor switch says the temperature, its setting and where it lets go again', () => {
    expect(reason(sense(50))).toBe('50 °F outside; closes below 35 °F, opens at 40 °F')
    expect(reason(sense(20), 'passing')).toBe('20 °F outside; closes below 35 °F')
    expect(reason(sense(37, { inBand: true }), 'unknown')).toBe(
      '37 °F outside, inside its differential (35 to 40 °F): stays as it was',
    )
    expect(reason(sense(20, { negated: true, band: 0 }))).toBe('20 °F outside; opens below 35 °F')
    expect(reason(sense(20, { below: null }), 'unknown')).toBe('20 °F outside; its setting is not known yet')
  })

  it('a call that is not made names the calls that would do, of those that this thermostat has', () => {
    const wants = { kind: 'call', call: 'fan', wants: ['cool1', 'heat1', 'heat2', 'heatAux1'], ...truth } as ChainBecause
    // One stage: there is no second stage of heat here to be named.
    expect(reason(wants)).toBe('Not called: closes on cool, heat, heat + aux')
    expect(reason({ ...wants, call: 'heat1' } as ChainBecause, 'passing')).toBe('Heat is called')
  }) // prettier-ignore

  it('a setting by its name and its option, and one that nobody knows', () => {
    const set = (value: string | null) => ({ kind: 'set', setting: 'rvSense', value, ...truth }) as unknown as ChainBecause
    expect(reason(set('cooling'), 'blocking', 'od.rv')).toMatch(/^Reversing valve energised in: Cooling/)
    expect(reason(set(null), 'unknown', 'od.rv')).toBe('Reversing valve energised in: not known yet')
  }) // prettier-ignore

  it('of several reasons it gives the one that can be acted on first', () => {
    const several = gate([
      { kind: 'energised', part: 'k1', ...truth },
      { kind: 'call', call: 'fan', wants: ['cool1'], ...truth },
      { kind: 'notWired', last: 'ah.Y' },
    ])
    expect(gateWords(inst, several).reason).toBe('Not wired: the path ends at Air handler Y')
    expect(gateWords(inst, gate([])).reason).toBe('')
  })

  it('a chain says that it runs, where it is held, what it hangs on, or that nobody knows', () => {
    const chain = (running: 'yes' | 'no' | 'unknown', gates: ChainGate[], first: number | null) =>
      chainSentence(inst, { target: 'kit.row1', running, gates, first, onBy: [], route: [] })
    const held = gate([{ kind: 'volts', volts: 9, needs: 18 }])
    expect(chain('yes', [held], null)).toBe('On')
    const cut = gate([{ kind: 'notJoined', from: 'ah.Y', to: 'od.Y', instead: null }])
    expect(chain('no', [cut], 0)).toMatch(/to Outdoor unit Y$/)
    expect(chain('no', [cut, cut], 0)).toMatch(/to Outdoor unit Y\. 2 connections are wrong for this load/)
    expect(chain('no', [held], 0)).toMatch(/^Held at .+\. Only 9 V there; it needs 18 V$/)
    expect(chain('unknown', [{ ...held, state: 'unknown' }], 0)).toMatch(/^Depends on /)
    expect([chain('no', [], null), chain('unknown', [], null)]).toEqual(['Off', 'Not known yet'])
  })
})
