'use client'
import Typography from '@mui/material/Typography'
import countryToCurrency, { type Countries } from 'country-to-currency'
import { useRouter } from 'next/navigation'
import { useEffect } from 'react'
import { useWatch } from 'react-hook-form'
import { STARTING_RATES } from '@/core/product/money'
import { AS_KEPT, type ReadingUnits } from '@/core/units'
import { SetUpDto } from '@/dto'
import { SelectEntry, NewPasswordEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { Choice } from '../parts'
import { EntryPage } from './EntryPage'

/** Where product is weighed in ounces and hair measured in inches. Common practice. */
const OUNCE_COUNTRIES = ['US', 'LR', 'MM']
const IN_OUNCES: ReadingUnits = { mass: 'oz', length: 'in', developer: 'vol', clock: '12' }
const UNITS = [
  { value: 'metric', label: 'Grams, centimetres' },
  { value: 'ounces', label: 'Ounces, inches' },
] as const

const named = new Intl.DisplayNames('en', { type: 'region', fallback: 'none' })
const COUNTRIES = Object.keys(countryToCurrency)
  .flatMap((value) => {
    const label = named.of(value)
    return label ? [{ value, label }] : []
  })
  .sort((one, other) => one.label.localeCompare(other.label))
const money = new Intl.DisplayNames('en', { type: 'currency' })
const CURRENCIES = Intl.supportedValuesOf('currency').map((value) => ({
  value,
  label: `${value} · ${money.of(value)}`,
}))
const ZONES = ['UTC', ...Intl.supportedValuesOf('timeZone')].map((value) => ({
  value,
  label: value.replaceAll('_', ' '),
}))

const currencyOf = (country: string): string | undefined => countryToCurrency[country as Countries]

/** Sets the first salon of an installation up: what it is, and who owns it. */
export function SetUp({ setUpKey }: { setUpKey: string }) {
  const router = useRouter()
  const form = useEntryForm(SetUpDto, {
    start: {
      key: setUpKey,
      salon: '',
      country: '',
      currency: STARTING_RATES.currency,
      timeZone: 'UTC',
      units: AS_KEPT,
      owner: '',
      email: '',
      password: '',
    },
    send: async (entry) => {
      await callApi('/api/set-up', 'POST', entry)
      await callApi('/api/auth/sign-in/email', 'POST', { email: entry.email, password: entry.password })
      router.push('/salon')
    },
  })
  const { control, setValue } = form
  const units = useWatch({ control, name: 'units' }) as ReadingUnits

  function choose(country: string) {
    const currency = currencyOf(country)
    if (currency) setValue('currency', currency)
    setValue('units', OUNCE_COUNTRIES.includes(country) ? IN_OUNCES : AS_KEPT)
  }

  // What the device knows of where it stands is a better start than nothing.
  useEffect(() => {
    setValue('timeZone', Intl.DateTimeFormat().resolvedOptions().timeZone)
    const country = new Intl.Locale(navigator.language).region
    if (country && currencyOf(country)) {
      setValue('country', country)
      choose(country)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page comes alive
  }, [])

  return (
    <EntryPage
      title="Set up your salon"
      says="What is entered here can be changed later. You become its owner, and can ask others to join."
      form={form}
      save="Set up"
    >
      <TextEntry control={control} name="salon" label="Name of the salon" autoFocus required />
      <SelectEntry control={control} name="country" label="Country" options={COUNTRIES} onChosen={choose} />
      <SelectEntry control={control} name="currency" label="Currency" options={CURRENCIES} />
      <SelectEntry control={control} name="timeZone" label="Time zone" options={ZONES} />
      <Choice
        label="Product and lengths are read in"
        value={units.mass === 'oz' ? 'ounces' : 'metric'}
        options={UNITS}
        onChange={(chosen) => setValue('units', chosen === 'ounces' ? IN_OUNCES : AS_KEPT)}
      />
      <Typography variant="h2">Its owner</Typography>
      <TextEntry control={control} name="owner" label="Your name" autoComplete="name" required />
      <TextEntry control={control} name="email" label="E-mail" type="email" autoComplete="username" required />
      <NewPasswordEntry control={control} name="password" />
    </EntryPage>
  )
}
