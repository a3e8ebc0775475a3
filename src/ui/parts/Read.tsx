'use client'
import { useUnits } from '../hooks/useUnits'

/** A sentence of ours in the units of the salon. */
export const Read = ({ children }: { children: string }) => useUnits().read(children)
