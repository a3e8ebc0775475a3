import { createHead, HeadMeasureError } from '@/core/scalp/head'
import type { HeadMeasures } from '@/core/model'
import { AppError } from '../errors'

/** Refuses tape measures that cannot belong to one head. @throws AppError 422 at the field */
export function checkPlanHead(head: HeadMeasures): void {
  try {
    createHead(head)
  } catch (error) {
    if (!(error instanceof HeadMeasureError)) throw error
    throw new AppError(422, 'invalid', error.message, {
      problems: [{ path: `head.${error.field}`, message: error.message }],
    })
  }
}
