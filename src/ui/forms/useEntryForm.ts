import { classValidatorResolver } from '@hookform/resolvers/class-validator'
import { useState } from 'react'
import { useForm, type DefaultValues, type FieldPath, type FieldValues, type Resolver } from 'react-hook-form'
import { ApiError, failureWords } from '../hooks/api'

interface Options<Entry> {
  /** What the fields hold at first. */
  start: Entry
  /** Sends what was entered. Refusals that name a field are shown there. */
  send: (entry: Entry) => Promise<void>
}

/**
 * A form over one of the server's own entries: its class says in the browser what it will say on the server, and what
 * only the server knows is told at the same fields.
 */
export function useEntryForm<Entry extends FieldValues>(type: new () => Entry, { start, send }: Options<Entry>) {
  const [refused, setRefused] = useState<string>()
  const [resolver] = useState(() => checkedAs(type))
  const form = useForm<Entry>({ resolver, defaultValues: start as DefaultValues<Entry>, mode: 'onTouched' })

  const save = form.handleSubmit(async (entry) => {
    setRefused(undefined)
    try {
      await send(entry)
    } catch (error) {
      setRefused(failureWords(error))
      if (error instanceof ApiError)
        for (const { path, message } of error.body.problems ?? [])
          form.setError(dotted(path) as FieldPath<Entry>, { message })
    }
  })

  return { ...form, save: () => save(), refused, busy: form.formState.isSubmitting }
}

/** Holds what was entered, without blanks around it, against a class. */
function checkedAs<Entry extends FieldValues>(type: new () => Entry): Resolver<Entry> {
  const options = { whitelist: true, forbidNonWhitelisted: true, stopAtFirstError: true }
  const resolve = classValidatorResolver(type, { validator: options }, { mode: 'sync', raw: true }) as Resolver<Entry>
  return (values, context, fields) => resolve(trimmed(values), context, fields)
}

/** `zones[2].name` as forms name it. */
const dotted = (path: string): string => path.replace(/\[(\d+)\]/g, '.$1')

/** The same with no blanks at the ends of its texts, and without what was left empty. */
function trimmed<T>(value: T): T {
  if (typeof value === 'string') return value.trim() as T
  if (Array.isArray(value)) return value.map(trimmed) as T
  if (typeof value !== 'object' || value === null) return value
  const fields = Object.entries(value).filter(([, own]) => own !== undefined)
  return Object.fromEntries(fields.map(([name, own]) => [name, isSecret(name) ? own : trimmed(own)])) as T
}

/** A blank belongs to a password like any other sign. */
const isSecret = (name: string): boolean => /password$/i.test(name)
