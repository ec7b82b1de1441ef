'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import equal from 'fast-deep-equal'
import { useCallback, useEffect } from 'react'
import {
  useForm,
  useWatch,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form'
import type { AnyObjectSchema } from 'yup'
import { removeStored, writeStored, readStoredValue } from './localStore'

export interface DraftForm<T extends FieldValues> {
  form: UseFormReturn<T>
  /** The values as they stand. */
  values: T
  /** Changes some fields at once. */
  put: (change: Partial<T>) => void
  /** Starts afresh and forgets the draft, for when what was typed has arrived where it belongs. */
  clear: (values?: T) => void
  /** The sent values have arrived: the draft is deleted, unless somebody has typed since. */
  arrived: (sent: T) => void
}

/**
 * A form whose half-typed values outlive the page on this device, so that an interruption loses nothing.
 * @param key names the draft; another key is another thing
 * @param schema what the values must be to be sent; each wrong field gets its message
 */
export function useDraftForm<T extends FieldValues>(
  key: string,
  schema: AnyObjectSchema,
  fresh: T,
): DraftForm<T> {
  const form = useForm<T>({
    defaultValues: fresh as DefaultValues<T>,
    resolver: yupResolver(schema) as unknown as Resolver<T>,
    mode: 'onChange',
  })
  const values = useWatch({ control: form.control }) as T
  const { reset, setValue, subscribe } = form
  useEffect(() => {
    const stored = readStoredValue<Partial<T>>(storageKey(key))
    // Fields that a newer version of the form has, and an older draft lacks, start empty.
    if (stored) reset({ ...form.getValues(), ...stored })
    return subscribe({
      formState: { values: true },
      callback: ({ values: now }) => writeStored(storageKey(key), JSON.stringify(now)),
    })
  }, [key, form, reset, subscribe])
  const put = useCallback(
    (change: Partial<T>) => {
      for (const [name, value] of Object.entries(change))
        setValue(name as Path<T>, value as PathValue<T, Path<T>>, { shouldValidate: true, shouldDirty: true })
    },
    [setValue],
  )
  const clear = useCallback(
    (next?: T) => {
      reset(next)
      removeStored(storageKey(key))
    },
    [key, reset],
  )
  const arrived = useCallback((sent: T) => void (equal(form.getValues(), sent) && clear(sent)), [form, clear])
  return { form, values, put, clear, arrived }
}

const storageKey = (key: string): string => `gate-cross-draft-${key}`
