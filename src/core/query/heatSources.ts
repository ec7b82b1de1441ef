import { placedByRef, splitRef, type Installation } from '../installation'
import { makesHeatAhead } from './ahead'
import { targetsOf, type Target } from './targets'

/** Everything that makes heat ahead of the indoor coil. */
export const aheadTargets = (inst: Installation): Target[] =>
  targetsOf(inst).filter((t) => {
    const { placed: p, id } = splitRef(t.ref)
    const placed = placedByRef(inst, p)
    const part = placed?.device.parts.find((x) => x.id === id)
    return placed && part?.kind === 'load' && makesHeatAhead(placed, part)
  })

export const hasStrips = (inst: Installation): boolean => targetsOf(inst).some((t) => t.does.what === 'strip')
export const hasBurner = (inst: Installation): boolean =>
  targetsOf(inst).some((t) => t.does.what === 'burner')
export const hasCompressor = (inst: Installation): boolean =>
  targetsOf(inst).some((t) => t.does.what === 'compressor')

/** Whether strips are all that stands behind the heat pump. */
export const onStripsAlone = (inst: Installation): boolean => hasStrips(inst) && !hasBurner(inst)
