'use client'

import { terminalOf, type Ref, type Wire } from '@/core/installation'
import { COLOUR_NAMES } from '@/drawing'
import { Button, Select, Swatch } from '@/ui'
import { findingWords, figure, refWords } from '@/words'
import type { TerminalVolts } from '@/core/startup'
import { useJobScreen } from '../session'
import type { LandingTools } from './useLanding'

interface Props {
  terminal: Ref
  volts: TerminalVolts | undefined
  landing: LandingTools
}

/** The chosen terminal beside the gates; nothing while none is chosen. */
export const ChosenTerminal = ({ terminal, ...rest }: Omit<Props, 'terminal'> & { terminal: Ref | null }) =>
  terminal && (
    <div className="hidden lg:block">
      <TerminalPanel terminal={terminal} {...rest} />
    </div>
  )

function voltsWords(volts: TerminalVolts | undefined): string {
  if (!volts) return 'Not known'
  if (volts.state === 'common') return 'Common'
  if (volts.state === 'unknown') return 'Live or dead by what is not known yet'
  return `${figure(volts.volts)} V to common`
}

/** Conductors on the chosen terminal, and actions for them. */
function TerminalPanel({ terminal, volts, landing }: Props) {
  const { inst, conflicts: all } = useJobScreen()
  const conflicts = all.filter((c) => [c.at, ...c.also].includes(terminal))
  const about = terminalOf(inst, terminal)?.terminal.about
  const landed = inst.wires.flatMap((wire) => [
    ...(wire.a === terminal ? [{ wire, end: 'a' as const }] : []),
    ...(wire.b === terminal ? [{ wire, end: 'b' as const }] : []),
  ])
  return (
    <section
      aria-label="Chosen terminal"
      className="mb-3 rounded border border-ink bg-raised p-3"
      data-testid="terminal-panel"
    >
      <h3 className="font-bold">{refWords(inst, terminal)}</h3>
      <p className="text-sm text-soft">
        {voltsWords(volts)}
        {about ? `. ${about}` : ''}
      </p>
      {conflicts.map((c) => (
        <p key={c.code} className="mt-1 border-l-4 border-harm bg-harm-soft px-2 py-1 text-sm">
          {findingWords(inst, c)}.
        </p>
      ))}
      <ul className="my-2 space-y-2">
        {landed.length === 0 && <li className="text-[15px]">Nothing is landed here.</li>}
        {landed.map(({ wire, end }) => (
          <LandedWire key={`${wire.id}${end}`} wire={wire} end={end} landing={landing} />
        ))}
      </ul>
      <Button look="strong" onClick={() => landing.setState({ step: 'landing', from: terminal })}>
        Land a conductor from here
      </Button>
    </section>
  )
}

function LandedWire({ wire, end, landing }: { wire: Wire; end: 'a' | 'b'; landing: LandingTools }) {
  const { inst, edit } = useJobScreen()
  const other = wire[end === 'a' ? 'b' : 'a']
  const name = refWords(inst, `wires.${wire.id}`)
  return (
    <li className="border-t border-line pt-2 text-[15px]">
      <div className="flex items-center gap-2">
        <Swatch colour={wire.colour} other={wire.colourB} />
        <span>
          {name}
          {other ? ` from ${refWords(inst, other)}` : ', other end not landed'}
        </span>
      </div>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button onClick={() => landing.setState({ step: 'moving', wire: wire.id, end })}>
          Move this end
        </Button>
        <Button
          onClick={() =>
            landing.perform({ kind: 'landWire', wire: wire.id, end, terminal: null }, `Lifted the ${name}`)
          }
        >
          Lift
        </Button>
        {wire.cable === null && (
          <Button
            look="harm"
            onClick={() => landing.perform({ kind: 'removeWire', wire: wire.id }, 'Jumper removed')}
          >
            Remove
          </Button>
        )}
        <Button
          onClick={() => edit({ kind: 'markWire', wire: wire.id, doubt: !wire.doubt })}
          aria-pressed={wire.doubt ?? false}
        >
          {wire.doubt ? 'Checked' : 'Not checked yet'}
        </Button>
        <Select
          aria-label={`Colour of the ${name} here`}
          className="!w-32"
          value={end === 'a' ? wire.colour : (wire.colourB ?? wire.colour)}
          onChange={(e) => edit({ kind: 'colourWire', wire: wire.id, end, colour: e.target.value })}
        >
          {COLOUR_NAMES.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </Select>
      </div>
    </li>
  )
}
