import { hasTrait } from '../equipment'
import { placedByRef, splitRef, terminalOf, type Installation, type Ref } from '../installation'
import type { StateRule } from './rule'

/**
 * Every board that is wired for 24 V has its R and its C while nothing is called. One without counts no minutes to a
 * defrost and ends none, even where a plain Y still pulls its contactor in.
 */
export const boardsPowered: StateRule<'boardsPowered', 'boardUnpowered'> = {
  id: 'boardsPowered',
  scope: 'state',
  severity: 'wrong',
  codes: ['boardUnpowered'],
  applies: (inst) =>
    inst.placed.some((p) => !hasTrait(p.device, 'onWall') && !hasTrait(p.device, 'feedsLine')),
  each({ inst, situation, abnormalCount, facts }) {
    if (abnormalCount > 0 || situation.call !== 'off' || !facts.settled) return null
    return facts.deadBoards
      .filter((board) => isWired24(inst, board))
      .map((at) => ({ at, code: 'boardUnpowered' as const }))
  },
}

/** Whether some 24 V conductor is landed on a board's device: one that talks over a bus alone may have power of its own. */
function isWired24(inst: Installation, board: Ref): boolean {
  const ref = splitRef(board).placed
  return inst.wires.some((w) =>
    [w.a, w.b].some((end) => {
      const at = end === null || w.a === null || w.b === null ? null : terminalOf(inst, end)
      if (!at || at.placed !== placedByRef(inst, ref)) return false
      const { side, role } = at.terminal
      return side === 'low' && role !== 'bus'
    }),
  )
}

/** Whether a defrost can stand at all: a board without power neither begins nor holds one. */
export const canDefrost = (inst: Installation, deadBoards: readonly Ref[]): boolean =>
  !deadBoards.some((board) =>
    placedByRef(inst, splitRef(board).placed)?.device.modes.some((m) =>
      m.states.some((s) => s.condition === 'defrost'),
    ),
  )
