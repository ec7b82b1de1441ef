'use client'

import { useState } from 'react'
import { CLIMATES, designTemperature, degreeDaysBelow, weatherOf, type Climate } from '@/core/house'
import type { JobSeen } from '@/core/installation'
import { readWeather, sentence } from '@/jobfile'
import { Button, FileButton, SelectField } from '@/ui'
import { CLIMATE_WORDS, count, degrees } from '@/words'
import { useJobScreen } from '../session'
import { BinsForm } from './BinsForm'

const OPTIONS = (Object.keys(CLIMATES) as Climate[]).map((c) => [c, CLIMATE_WORDS[c]] as const)

/** Lets the page do what is due before a long work goes on. */
const painted = () => new Promise<void>((resolve) => setTimeout(resolve))

/** The weather that the year is calculated with: a climate that ships, or a file. */
export function WeatherForm({ seen }: { seen: JobSeen }) {
  const { edit } = useJobScreen()
  const [wrong, setWrong] = useState<string[]>([])
  const { climate } = seen
  const weather = climate && weatherOf(climate)
  const take = async (file: File) => {
    const read = await readWeather(await file.text(), file.name, painted)
    if (!read.ok) return setWrong(read.problems.map((p) => `${file.name}: ${sentence(p)}`))
    const done = edit({ kind: 'setClimate', climate: read.value })
    setWrong(done.ok ? [] : done.problems.map(sentence))
  }
  return (
    <fieldset data-testid="weather-form">
      <legend className="font-bold">Climate</legend>
      <SelectField
        label="A year of outdoor temperatures"
        className="mt-1 max-w-xs"
        value={climate?.kind === 'shipped' ? climate.climate : ''}
        none={climate && climate.kind !== 'shipped' ? climate.name : 'Not chosen'}
        options={OPTIONS}
        onValue={(c: Climate | '') =>
          edit(
            c ? { kind: 'setClimate', climate: { kind: 'shipped', climate: c } } : { kind: 'clearClimate' },
          )
        }
      />
      {weather && (
        <p className="mt-1 text-sm text-soft">
          All but the coldest hundredth of its hours lie above {degrees(designTemperature(weather))};{' '}
          {count(Math.round(degreeDaysBelow(weather, 65)))} °F·day below 65.
          {climate?.kind === 'shipped'
            ? ' It is invented, to begin with: a file of the place is better.'
            : ''}
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <FileButton
          label="Import a weather file"
          name="Weather file"
          accept=".epw,.csv,.txt"
          onFile={(file) => void take(file)}
        />
        {climate && <Button onClick={() => edit({ kind: 'clearClimate' })}>Take it away</Button>}
      </div>
      <p className="mt-1 text-sm text-soft">
        EPW, a CSV by the hour or finer, or a CSV of temperatures and hours.
      </p>
      {wrong.map((w) => (
        <p key={w} role="alert" className="text-sm text-harm">
          {w}
        </p>
      ))}
      <BinsForm />
    </fieldset>
  )
}
