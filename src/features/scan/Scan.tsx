'use client'

import { ArrowLeft, Camera } from 'lucide-react'
import Link from 'next/link'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { addJob, ask, linesOf } from '@/client'
import type { Device } from '@/core/equipment'
import type { Proof } from '@/core/rules'
import { JobAnalysis, sentence } from '@/jobfile'
import { isCardCode, PaperView, paperInput, readCode, reportOf, type CardRead } from '@/papers'
import { Button, Field, FileButton, Input, useLocalStorage } from '@/ui'
import { proofSentence } from '@/words'
import { ProofRunner, QrReader } from '@/workers'
import { imageOf } from './picture'
import { useCamera } from './useCamera'

/** A cabinet card, scanned or from a picture: what was left in this house, with no signal. */
export function Scan() {
  const [card, setCard] = useState<CardRead | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  const [typed, setTyped] = useLocalStorage('gate-cross-scan', '')
  const open = useCallback(async (text: string) => {
    setCard(null)
    if (!isCardCode(text)) return setSaid('That is a code, and not of a cabinet card.')
    // Kept on the device since the library was last looked at.
    const answer = await ask<{ devices: Device[] }>(fetch, '/api/library')
    if (!answer.ok)
      return setSaid('The device library is not on this device: open it once where there is a signal.')
    const read = readCode(text, answer.value.devices)
    setSaid(read.ok ? null : read.problems.map(sentence).join('; '))
    if (read.ok) setCard(read.value)
  }, [])
  const { video, isOn, said: noCamera, start, stop } = useCamera((text) => void open(text))
  const fromPicture = async (file: File) => {
    setSaid(null)
    const reader = new QrReader()
    try {
      const picture = await createImageBitmap(file)
      const text = await reader.read(imageOf(picture, picture.width, picture.height))
      if (text === null) setSaid(`${file.name}: no code is seen in it. Take it again, flat and well lit.`)
      else await open(text)
    } catch {
      setSaid(`${file.name} is no picture that can be opened here.`)
    }
    reader.close()
  }
  return (
    <main className="mx-auto max-w-4xl px-4 pt-4 pb-12">
      <Link href="/" className="inline-flex min-h-12 items-center gap-1.5 text-sm text-soft">
        <ArrowLeft aria-hidden className="size-4" /> All jobs
      </Link>
      <h1 className="border-b-2 border-ink pb-3 text-3xl font-bold">Scan a cabinet card</h1>
      <div className="mt-4 flex flex-wrap items-end gap-3">
        <Button look="strong" onClick={isOn ? stop : start}>
          <Camera aria-hidden className="size-4" /> {isOn ? 'Stop the camera' : 'Use the camera'}
        </Button>
        <FileButton
          label="Choose a picture"
          name="Picture of a card"
          accept="image/*"
          onFile={(file) => void fromPicture(file)}
        />
        <Field label="Or the code’s text">
          {(ids) => (
            <Input
              {...ids}
              value={typed}
              placeholder="GC1…"
              onChange={(e) => setTyped(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && void open(typed.trim())}
            />
          )}
        </Field>
      </div>
      {isOn && <video ref={video} muted playsInline className="mt-4 w-full max-w-md border-2 border-ink" />}
      {(said ?? noCamera) && (
        <p role="alert" className="mt-4 bg-harm-soft p-3">
          {said ?? noCamera}
        </p>
      )}
      {card ? <CardShown key={card.job.title} card={card} /> : null}
    </main>
  )
}

/** Content of a card, proven again, with a way to open it as a job. */
function CardShown({ card }: { card: CardRead }) {
  const { job, day, otherwise } = card
  const [analysis] = useState(() => new JobAnalysis(job))
  const [proof, setProof] = useState<Proof | null>(null)
  const [made, setMade] = useState<{ id: string } | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  useEffect(() => {
    const runner = new ProofRunner()
    runner.request(analysis.inst, setProof)
    return () => runner.close()
  }, [analysis])
  const paper = useMemo(() => proof && reportOf(paperInput(analysis, proof, null)), [analysis, proof])
  const makeJob = async () => {
    const answer = await addJob({
      ...job,
      note: `From the cabinet card of ${day.toISOString().slice(0, 10)}.`,
    })
    if (answer.ok) setMade(answer.value)
    setSaid(answer.ok ? null : linesOf(answer, 'No job was made').join('; '))
  }
  return (
    <section aria-label="The card" data-testid="card" className="mt-6">
      <p className="text-lg font-bold" role="status">
        {job.title}, as left on {day.toISOString().slice(0, 10)}.
      </p>
      <p className="mt-2 border-l-4 border-line pl-3 text-[15px]">
        This is data from a card. It is checked like any file. It doesn’t prove that this shop made the card,
        or that the equipment is still as it says. Nothing is saved until you make a job.
      </p>
      {otherwise.length > 0 && (
        <p className="mt-2 bg-watch-soft p-3">
          This library describes otherwise what the card was made with: {otherwise.join(', ')}. What is proven
          here goes by this library: look at what it says of {otherwise.length === 1 ? 'it' : 'them'} twice.
        </p>
      )}
      <p className="mt-2">{proof ? proofSentence(analysis.inst, proof) : 'Working through every state …'}</p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {made ? (
          <Link href={`/job/${made.id}/bench`} className="text-copper underline">
            Open the job
          </Link>
        ) : (
          <Button onClick={() => void makeJob()}>Make job from card</Button>
        )}
        {said && (
          <p role="alert" className="text-harm">
            {said}
          </p>
        )}
      </div>
      {paper && <PaperView paper={paper} />}
    </section>
  )
}
