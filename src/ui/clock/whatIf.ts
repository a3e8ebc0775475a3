import type { Limit } from '@/core/model'
import type { Helper, WorkingOrder } from '@/core/time/schedule'

/** What a colourist tries out on the Clock page. */
export interface WhatIf {
  hands: Helper[]
  /** When the assistant can be had, min of the visit. */
  from: number
  to: number
  celsius: number
  order: WorkingOrder
  bowls: 'same' | 'weakerFirst'
}

/** Minutes of a visit that can be chosen. */
export const MINUTES: Limit = { min: 0, max: 600, unit: 'min' }
