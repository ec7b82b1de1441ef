'use client'

import { useEffect, useRef, useState } from 'react'
import type SignaturePad from 'signature_pad'
import { now } from '@/client'
import { sentence, SIGNER_ROLES, type SignerRole } from '@/jobfile'
import { Button, Field, Input, SelectField, TypedInput } from '@/ui'
import { useDraft, useJobScreen, useStamp } from '../session'

const ROLE_WORDS: Record<SignerRole, string> = {
  technician: 'Technician',
  owner: 'Owner',
  inspector: 'Inspector',
}

/** Licence and times of the visit, and signatures drawn with a finger. */
export function Signatures({ state }: { state: string }) {
  const { job, edit, who } = useJobScreen()
  const stamp = useStamp()
  const { licence = '', arrived, departed, signatures = [] } = job.handover ?? {}
  const open = job.setup.temporary.filter((t) => !t.back).length
  const [isSigning, setSigning] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  return (
    <div className="no-print mt-3 max-w-2xl" data-testid="signing">
      <div className="grid grid-cols-1 items-end gap-3 sm:grid-cols-2">
        <Field label="Licence of the technician">
          {(ids) => (
            <TypedInput
              {...ids}
              value={licence}
              maxLength={80}
              onValue={(text) => edit({ kind: 'setHandover', field: 'licence', value: text || null })}
            />
          )}
        </Field>
        <div className="flex gap-3">
          {(['arrived', 'departed'] as const).map((field) => (
            <Button
              key={field}
              aria-pressed={(field === 'arrived' ? arrived : departed) !== undefined}
              onClick={() => edit({ kind: 'setHandover', field, value: now().toISOString() })}
            >
              {field === 'arrived' ? 'Arrived now' : 'Leaving now'}
            </Button>
          ))}
        </div>
      </div>
      {signatures
        .filter((s) => !s.withdrawn)
        .map((s) => (
          <p key={s.id} className="mt-2 flex flex-wrap items-center gap-3">
            {s.name} has signed.
            <Button
              look="quiet"
              onClick={() => edit({ kind: 'withdrawSignature', signature: s.id, by: stamp() })}
            >
              Withdraw it
            </Button>
          </p>
        ))}
      <div className="mt-3">
        {open > 0 ? (
          <p className="bg-watch-soft p-3">
            Nothing is signed while something stands otherwise for a test: put back{' '}
            {open === 1 ? 'it' : `the ${open}`} first.
          </p>
        ) : isSigning ? (
          <SigningField
            name={who}
            onDone={(drawn) => {
              setSigning(false)
              setSaid(null)
              if (!drawn) return
              const signature = { id: crypto.randomUUID(), of: state, ...drawn, ...stamp() }
              const made = edit({ kind: 'sign', signature })
              if (!made.ok) setSaid(made.problems.map(sentence).join('; '))
            }}
          />
        ) : (
          <Button look="strong" onClick={() => setSigning(true)}>
            Sign
          </Button>
        )}
        {said && (
          <p role="alert" className="mt-2 text-harm">
            {said}
          </p>
        )}
      </div>
    </div>
  )
}

interface Drawn {
  role: SignerRole
  name: string
  strokes: number[][]
}

/** A field to draw in. Strokes are kept in thousandths of its width, so that paper can draw them at any size. */
function SigningField({ name: first, onDone }: { name: string; onDone: (drawn: Drawn | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<SignaturePad | null>(null)
  const draft = useDraft<{ role: SignerRole; name: string }>('signing')
  const { role, name } = draft.value ?? { role: 'technician', name: first }
  const [said, setSaid] = useState<string | null>(null)
  useEffect(() => {
    const at = canvas.current
    if (!at) return
    let gone = false
    // Fetched when somebody signs.
    void import('signature_pad').then(({ default: Pad }) => {
      if (gone) return
      at.width = at.clientWidth
      at.height = at.clientHeight
      pad.current = new Pad(at, { penColor: getComputedStyle(at).color })
    })
    return () => {
      gone = true
      pad.current?.off()
    }
  }, [])
  const done = () => {
    const drawn = pad.current
    const at = canvas.current
    if (!at || !drawn || drawn.isEmpty()) return setSaid('Sign in the field first.')
    if (!name.trim()) return setSaid('Whose signature is it?')
    const scale = 1000 / at.width
    const strokes = drawn.toData().map((group) =>
      // So many points that a signature stays itself, and a job small.
      thin(group.points, 200).flatMap((p) => [clamp(p.x * scale), clamp(p.y * scale)]),
    )
    draft.clear()
    onDone({ role, name: name.trim(), strokes: strokes.slice(0, 80) })
  }
  return (
    <div className="border-2 border-ink bg-raised p-3">
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        <SelectField
          label="Signing as"
          value={role}
          options={SIGNER_ROLES.map((r) => [r, ROLE_WORDS[r]] as const)}
          onValue={(next) => {
            draft.put({ role: next, name: next === 'technician' ? first : '' })
          }}
        />
        <Field label="Name">
          {(ids) => (
            <Input
              {...ids}
              value={name}
              maxLength={80}
              onChange={(e) => draft.put({ role, name: e.target.value })}
            />
          )}
        </Field>
      </div>
      <canvas
        ref={canvas}
        aria-label="Sign here"
        role="img"
        className="mt-3 h-40 w-full touch-none border-b-2 border-ink bg-panel text-ink"
      />
      {said && (
        <p role="alert" className="mt-2 text-harm">
          {said}
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <Button look="strong" onClick={done}>
          That is my signature
        </Button>
        <Button onClick={() => pad.current?.clear()}>Clear</Button>
        <Button
          look="quiet"
          onClick={() => {
            draft.clear()
            onDone(null)
          }}
        >
          Do not sign
        </Button>
      </div>
    </div>
  )
}

const clamp = (n: number): number => Math.round(Math.min(2000, Math.max(0, n)))
/** At most so many points of a stroke, evenly, its ends among them. */
const thin = <T,>(points: readonly T[], most: number): T[] =>
  points.length <= most
    ? [...points]
    : points.filter((_, i) => i === points.length - 1 || i % Math.ceil(points.length / most) === 0)
