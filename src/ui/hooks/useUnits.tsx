'use client'
import { createContext, useContext, useMemo, type ReactNode } from 'react'
import { dateInWords } from '../words'
import { AS_KEPT, fieldIn, readIn, timeIn, type ReadingField, type ReadingUnits } from '@/core/units'

export interface Units {
  units: ReadingUnits
  /** A sentence of ours in the salon's units, days in words. */
  read: (text: string) => string
  /** A time of day, HH:MM, by the salon's clock. */
  time: (time: string) => string
  /** How a figure of a kept unit is shown and typed. */
  field: (unit: string) => ReadingField
}

/** A day as it is kept; sentences say it in words. */
const KEPT_DAY = /\b\d{4}-\d{2}-\d{2}\b/g

const unitsOf = (units: ReadingUnits): Units => ({
  units,
  read: (text) => readIn(units, text).replace(KEPT_DAY, dateInWords),
  time: (time) => timeIn(units, time),
  field: (unit) => fieldIn(units, unit),
})

const Context = createContext<Units>(unitsOf(AS_KEPT))

export function UnitsProvider({
  units: { mass, length, developer, clock },
  children,
}: {
  units: ReadingUnits
  children: ReactNode
}) {
  const value = useMemo(() => unitsOf({ mass, length, developer, clock }), [mass, length, developer, clock])
  return <Context value={value}>{children}</Context>
}

export const useUnits = (): Units => useContext(Context)
