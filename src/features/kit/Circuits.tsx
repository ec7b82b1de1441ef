'use client'

import { heatingVa, lineCircuitsOf, serviceLoadOf, type ServiceMethod } from '@/core/kit'
import {
  CABLE_RATINGS,
  cableOf,
  HOUSE_VALUES,
  houseValue,
  type CableRating,
  type HouseValue,
} from '@/core/house'
import type { JobSeen } from '@/core/installation'
import { stripsNeverTogether } from '@/core/rules'
import { NumberField, SelectField } from '@/ui'
import { circuitNoteWords, circuitSentence, HOUSE_WORDS, serviceSentence } from '@/words'
import { useJobScreen, useProof } from '../session'

const RATING_WORDS: Record<CableRating, string> = {
  copper75: 'Copper, terminals marked 75 °C',
  copper60: 'NM-B cable, or terminals not marked 75 °C',
  aluminium75: 'Aluminium, 75 °C',
}
const METHOD_WORDS: Record<ServiceMethod, string> = {
  existing: 'An existing dwelling (220.83)',
  new: 'A new dwelling (220.82)',
  metered: 'By its metered demand (220.87)',
}

/** Every line circuit against what it feeds, and whether the service carries the heating. */
export function Circuits({ seen }: { seen: JobSeen }) {
  const { inst } = seen
  const { edit } = useJobScreen()
  const rating: CableRating = cableOf(seen.house)
  const circuits = lineCircuitsOf(inst, seen.plates, rating)
  return (
    <section aria-label="Circuits" className="mt-5 border-t border-line pt-2" data-testid="circuits">
      <h2 className="text-lg font-bold">Line circuits</h2>
      <SelectField
        label="Cable and terminals"
        className="mt-1 max-w-sm"
        value={seen.house.cable ?? ''}
        options={[['', 'Not entered'] as const, ...CABLE_RATINGS.map((r) => [r, RATING_WORDS[r]] as const)]}
        onValue={(r) => edit({ kind: 'setHouseChoice', of: 'cable', value: r || null })}
      />
      {seen.house.cable === undefined && (
        <p className="text-sm text-watch">
          Cable and terminals not entered. Calculated as NM-B (60 °C column), the lower of the two.
        </p>
      )}
      <ul className="mt-2">
        {circuits.map((c) => (
          <li key={c.feed} className="border-t border-line py-2 text-[15px]" data-circuit={c.feed}>
            {circuitSentence(inst, c)}
            {c.notes.map((n) => (
              <span key={n.code} className="block font-bold text-watch">
                {circuitNoteWords(n)}
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft">
        NEC 2023; numbers differ by edition. Hot attics and bundles derate (310.15). The plate wins; confirm
        with local code.
      </p>
      <Service seen={seen} />
    </section>
  )
}

const FIELDS: Record<ServiceMethod, readonly HouseValue[]> = {
  existing: ['serviceA', 'areaFt2', 'applianceVa'],
  new: ['serviceA', 'areaFt2', 'applianceVa'],
  metered: ['serviceA', 'peakKw'],
}

function Service({ seen }: { seen: JobSeen }) {
  const { edit } = useJobScreen()
  const proof = useProof()
  const { inst, house } = seen
  const method = house.service ?? 'existing'
  const serviceA = houseValue(house, 'serviceA')
  // An interlock counts only where the sweep proves it.
  const neverTogether = stripsNeverTogether(inst, proof)
  const { stripsVa } = heatingVa(inst)
  const load = serviceLoadOf(inst, house, neverTogether)
  return (
    <div className="mt-3" data-testid="service">
      <h3 className="font-bold">Can the service carry it?</h3>
      <div className="mt-1 grid grid-cols-1 items-end gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <SelectField
          label="Reckoned as"
          value={method}
          options={(Object.keys(METHOD_WORDS) as ServiceMethod[]).map((m) => [m, METHOD_WORDS[m]] as const)}
          onValue={(m) => edit({ kind: 'setHouseChoice', of: 'service', value: m })}
        />
        {FIELDS[method].map((of) => (
          <NumberField
            key={of}
            label={HOUSE_WORDS[of]}
            value={houseValue(house, of)}
            {...HOUSE_VALUES[of]}
            onValue={(value) => edit({ kind: 'setHouse', of, value, source: 'typed' })}
          />
        ))}
      </div>
      <p className="mt-2 text-[15px]" role="status">
        {load && serviceA !== undefined
          ? serviceSentence(load, serviceA)
          : 'It is reckoned once these are known.'}
        {load && stripsVa > 0
          ? neverTogether
            ? ' The compressor is left out: the proof has it that it never runs with the strips.'
            : ' Compressor and strips are both counted: they may run together.'
          : ''}
      </p>
    </div>
  )
}
