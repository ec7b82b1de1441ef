import { Circuit } from '../circuit'
import { demoSeen } from '../../../tests/helpers/seen'
import { customSceneText, readCustomScene, sceneInput, simulate, type SceneEvent } from '.'

const read = (text: string): SceneEvent[] => {
  const found = readCustomScene(text)
  if (!found.ok) throw new Error(JSON.stringify(found.problems))
  return found.value
}

describe('a scene of one’s own', () => {
  it('is written and read back, on one line or on several', () => {
    const text =
      '0:00 out 28; 0:00 set 70; 1:00 set 72.5; 2:00 power off; 2:20 power on; 3:05 system emergency; 4:00 fault lowCharge; 5:00 fault none; 6:00 end'
    expect(customSceneText(read(text))).toBe(text)
    expect(read(text.replaceAll('; ', '\n'))).toEqual(read(text))
    expect(read('2:20 power on')).toEqual([{ at: 8400, what: 'power', value: 'on' }])
    expect(read('')).toEqual([])
  })

  it.each([
    ['0:00 out 28; soon set 70', 2, 'time'],
    ['0:61 set 70', 1, 'time'],
    ['241:00 end', 1, 'time'],
    ['1:00 set 70; 0:30 set 71', 2, 'order'],
    ['1:00 dance', 1, 'what'],
    ['1:00', 1, 'what'],
    ['1:00 set', 1, 'set'],
    ['1:00 set 39', 1, 'set'],
    ['1:00 set 91', 1, 'set'],
    ['1:00 out warm', 1, 'out'],
    ['1:00 out -21', 1, 'out'],
    ['1:00 system auto', 1, 'system'],
    ['1:00 power out', 1, 'power'],
    ['1:00 fault gremlin', 1, 'fault'],
    [Array.from({ length: 61 }, () => '0:00 set 70').join(';'), 61, 'events'],
  ])('%s is refused at its entry', (text, entry, expected) => {
    const found = readCustomScene(text)
    expect(found.ok ? null : found.problems.map((p) => [p.entry, p.expected])).toEqual([[entry, expected]])
  })

  it('has its weather in straight lines, level before the first point and after the last', () => {
    const seen = demoSeen('quillfeather-lane')
    const { air, until } = sceneInput(seen, 'own', { own: read('1:00 out 40; 3:00 out 20; 3:00 out 30') })
    // 20 °F in 2 h: 10 an hour.
    expect([0, 1, 1.5, 2.5, 3, 9].map((h) => air.at(h * 3600))).toEqual([40, 40, 35, 25, 30, 30])
    // It goes on for two hours after its last event.
    expect(until).toBe(5 * 3600)
    expect(sceneInput(seen, 'own', { own: read('0:00 out 20; 0:30 end') }).until).toBe(1800)
  })

  it('runs what happens in it, each at its second', () => {
    const seen = demoSeen('quillfeather-lane')
    const own = read(
      '0:00 out 30; 0:00 set 70; 0:10 set 74; 1:00 fault compressorDead; 2:00 power off; 2:10 end',
    )
    const run = simulate(new Circuit(seen.inst), seen, sceneInput(seen, 'own', { own }))
    const loads = run.steps.flatMap((s) =>
      s.moves.flatMap((m) => (m.kind === 'load' ? [`${m.on ? '+' : '-'}${m.ref}@${Math.round(s.at)}`] : [])),
    )
    // 4 °F are past the droop of 2: the sequencers close 12 and 24 s after their coils.
    expect(loads).toEqual(expect.arrayContaining(['+kit.row1@612', '+kit.row2@624', '-od.compressor@7200']))
    expect(run.steps.flatMap((s) => s.moves.flatMap((m) => (m.kind === 'outside' ? [s.at] : [])))).toEqual(
      expect.arrayContaining([3600, 7200]),
    )
    // A compressor that does not turn over takes nothing and gives nothing, though its contactor is in.
    const alone = read('0:00 out 30; 0:00 set 70; 0:00 fault compressorDead; 3:00 end')
    const dead = simulate(new Circuit(seen.inst), seen, sceneInput(seen, 'own', { own: alone }))
    expect([dead.sums.heatPumpBtu, dead.sums.heatPumpKwh]).toEqual([0, 0])
    expect(dead.sums.compressorHours).toBeGreaterThan(0)
  })
})
