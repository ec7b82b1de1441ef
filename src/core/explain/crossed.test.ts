import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { slipsOf } from '../../../tests/helpers/slips'
import { installationOf } from '@/jobfile'
import { gateWords } from '@/words'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Ref } from '../installation'
import { degF } from '../units'
import { gateChain } from '.'

/** What first holds a load where two conductors are crossed, and the place where a person is sent. */
function held(gear: readonly string[], slip: string, call: Call, outdoorF: number, load: Ref): string {
  const found = [...slipsOf(installationOf(compose(gear)))].find(
    (s) => s.what === slip || s.what === `swap ${slip}`,
  )
  if (!found) throw new Error(`no slip ${slip}`)
  const solved = solve(new Circuit(found.inst), { call, outdoorF: degF(outdoorF), modes: {} })
  if (!solved.ok) throw new Error(solved.why)
  const chain = gateChain(solved, load)
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  return gate ? `${gate.at}: ${gateWords(found.inst, gate).reason}` : 'on'
}

it.each([
  // A kit’s lead is where it belongs: what its board hears is what is wanting, at the lower input of two that are joined.
  [G.LEAK, 'tstat.AUX=ah.W1 and ah.R=lk.T1 at ah.W1, ah.R', 'heatAux1', 20, 'kit.row1', 'tstat.AUX: No conductor leads from Thermostat or controller AUX to Air handler W1'],
  [G.LEAK, 'tstat.AUX=ah.W1 and ah.R=lk.T1 at ah.W1, ah.R', 'heatAux1', 20, 'kit.row2', 'tstat.AUX: No conductor leads from Thermostat or controller AUX to Air handler W1'],
  // The burner’s input holds the board’s own contact open, and the call is still the heat pump’s.
  [G.PACKAGED_FUEL, 'tstat.Y=od.Y and tstat.AUX=od.W at tstat.Y, tstat.AUX', 'cool1', 90, 'od.compressor', 'tstat.Y: No conductor leads from Thermostat or controller Y to Packaged unit Y'],
  // The fan’s call stands at the kit’s W, which stops the heat pump.
  [G.KIT_FUEL, 'tstat.G=fur.G and tstat.AUX=fk.Win at tstat.G, tstat.AUX', 'heat1', 52, 'od.compressor', 'fk.yOut: Its coil has 24 V: kit input on W holds it open'],
  // Backup is called by a thermostat that is dead, and the weather was never asked.
  [G.KIT_FUEL, 'tstat.Y=fk.Yin and tstat.C=fur.C at tstat.Y, tstat.C', 'heatAux1', 52, 'fur.valve', 'fk.Yin: Not wired: the path ends at Fossil fuel kit Y in'],
  // A common ends where it is landed: at a sensor, at an input, at a panel’s own side.
  [G.SENSOR_FUEL, 'tstat.C=fur.C and tstat.S1=spl2.x at tstat.C, tstat.S1', 'heat1', 50, 'od.compressor', 'os.S1: Not wired: the path ends at Outdoor sensor S1'],
  [G.TWO_STAGE, 'tstat.AUX=ah.W1 and ah.C=od.C at ah.W1, ah.C', 'cool2', 20, 'od.compressor', 'ah.W1: Not wired: the path ends at Air handler W1'],
  [G.ZONES, 'zp.C=ah.C and zp.G=ah.G at zp.C, zp.G', 'cool1', 90, 'od.compressor', 'ah.G: Not wired: the path ends at Air handler G'],
  // Behind a panel whose own R nothing feeds.
  [G.ZONES, 'tstat.Y=zp.Yz and zp.R=ah.R at zp.Yz, zp.R', 'fan', 20, 'ah.blower', 'zp.R: Nothing feeds Zone panel R: no supply reaches it'],
  // A thermostat without its common closes no output: that its C stands at one shorts nothing.
  [G.SENSOR_FUEL, 'move tstat.C=fur.C: tstat.C to tstat.OB', 'cool1', 90, 'od.rvCoil', 'od.rvCoil: Both ends stand at the common of the same supply: no volts between them'],
  [G.ONE_STAGE, 'move tstat.C=ah.C: tstat.C to tstat.Y', 'cool1', 90, 'od.compressor', 'od.contactor: Both ends stand at the common of the same supply: no volts between them'],
  // Through a switch that is open it is joined.
  [G.OUTDOOR_THERMOSTAT, 'tstat.R=ah.R and tstat.C=ah.C at tstat.R, tstat.C', 'heatAux1', 52, 'ah.blower', 'tstat.R: R and C are swapped at the thermostat or controller: both ends stand at the common'],
  // A dead panel hands no call on, and what its output is crossed with is the common.
  [G.ZONES, 'zp.C=ah.C and zp.O=ah.O at zp.C, zp.O', 'cool1', 90, 'od.rvCoil', 'zp.O: No conductor leads from Zone panel O to Air handler O'],
  // A common does not come through an output, nor what a leak sensor hands on.
  [G.OUTDOOR_THERMOSTAT, 'tstat.AUX=spl1.x and tstat.C=ah.C at tstat.AUX, tstat.C', 'cool1', 52, 'od.compressor', 'odt.T1: Not wired: the path ends at Outdoor thermostat 1'],
  [G.LEAK, 'ah.O=od.OB and ah.R=lk.T1 at ah.O, ah.R', 'heatAux1', 20, 'kit.row1', 'tstat.OB: Not wired: the path ends at Thermostat or controller O/B'],
  [G.TWO_STAGE, 'ah.K2=kit.W2 and ah.C=kit.C at kit.W2, kit.C', 'heatAux1', 20, 'kit.row1', 'ah.K2: Not wired: the path ends at Air handler kit 2'],
  // A dead device’s R, or its C, at the other end of the supply.
  [G.FLOAT, 'tstat.R=ah.R and ah.C=od.C at ah.R, ah.C', 'cool1', 90, 'od.compressor', 'tstat.R: Both ends stand at the common of the same supply, and so does Thermostat or controller R: no volts between them'],
  [G.BUS, 'ah.R=od.R and ah.C=kit.C at ah.R, ah.C', 'cool1', 90, 'od.compressor', 'od.R: Both ends stand at the common of the same supply, and so does Outdoor unit R: no volts between them'],
  // One stage: the board’s upper input hears the first by its jumper.
  [G.FLOAT_BOARD, 'ah.W1=od.W and ah.Y=ah.Y2 at ah.W1, ah.Y', 'heat1', 20, 'ah.blowerHigh', 'ah.Y: No conductor leads from Air handler Y1 to Air handler Y2'],
  // Its setting leaves the bus to start it, and the board that hears it has no R.
  [G.BUS, 'move ah.R=od.R: od.R to od.Y', 'heat1', 40, 'od.compressor', 'od.R: Nothing feeds Outdoor unit R: no supply reaches it'],
  // A leak sensor's contact comes from R, whatever else would close.
  [G.LEAK, 'ah.W1=od.W and lk.T2=ah.LK at ah.W1, ah.LK', 'heatAux1', 20, 'kit.row1', 'od.W: Not wired: the path ends at Outdoor unit W'],
  [G.LEAK, 'move ah.R=lk.T1: ah.R to ah.K2', 'heatAux1', 20, 'kit.row1', 'ah.K2: Not wired: the path ends at Air handler kit 2'],
  // A panel’s R is not fed by a thermostat of its own zone, and its common ends at itself.
  [G.ZONES, 'move zp.R=ah.R: zp.R to zp.Gz', 'fan', 20, 'ah.blower', 'zp.R: Nothing feeds Zone panel R: no supply reaches it'],
  [G.ZONES, 'move zp.C=ah.C: zp.C to zp.Oz', 'cool1', 20, 'od.compressor', 'zp.C: Not wired: the path ends at Zone panel C'],
  // From an outdoor thermostat to its pin, and never past it.
  [G.OUTDOOR_THERMOSTAT, 'move odt.T2=od.P2: od.P2 to od.Y', 'heatAux1', 20, 'kit.row1', 'odt.T2: No conductor leads from Outdoor thermostat 2 to Outdoor unit pin 2'],
  [G.OUTDOOR_THERMOSTAT, 'lift odt.T2=od.P2', 'heatAux1', 20, 'kit.row1', 'odt.T2: No conductor leads from Outdoor thermostat 2 to Outdoor unit pin 2'],
  [G.OUTDOOR_THERMOSTAT, 'lift od.P1=odt.T1', 'heatAux1', 20, 'kit.row1', 'od.P1: No conductor leads from Outdoor unit pin 1 to Outdoor thermostat 1'],
  // The upper input of one stage, crossed with the banks’ jumper; a panel that is dead between two commons.
  [G.ONE_STAGE_BOARD, 'ah.Y=ah.Y2 and ah.W1=ah.W2 at ah.Y2, ah.W1', 'cool1', 20, 'ah.blowerHigh', 'ah.Y: No conductor leads from Air handler Y1 to Air handler Y2'],
  [G.ZONES, 'ah.C=kit.C and zp.R=ah.R at ah.C, ah.R', 'cool1', 20, 'od.rvCoil', 'zp.R: Both ends stand at the common of the same supply, and so does Zone panel R: no volts between them'],
  // A relay that leaves its furnace’s T ends there, not at its free throw; an R that only that relay could feed is dead.
  [G.OIL, 'move rel.COM=fur.T1: fur.T1 to fur.T2', 'heatAux1', 20, 'fur.burnerLoad', 'rel.COM: Not wired: the path ends at Relay COM'],
  [G.OIL, 'move tstat.R=fur.R: fur.R to fur.T2', 'cool1', 20, 'od.rvCoil', 'tstat.R: Nothing feeds Thermostat or controller R: no supply reaches it'],
  [G.OIL, 'move tstat.R=fur.R: fur.R to fur.T2', 'cool1', 20, 'od.compressor', 'tstat.R: Nothing feeds Thermostat or controller R: no supply reaches it'],
] as [readonly string[], string, Call, number, Ref, string][])('%#', (gear, slip, call, outdoorF, load, said) => {
  expect(held(gear, slip, call, outdoorF, load)).toBe(said)
}) // prettier-ignore
