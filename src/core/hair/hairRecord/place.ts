import { directionFromMap, mapFromPlace, type Head } from '../../scalp/head'
import type { Place } from '../../model'

/** Surface direction of a head-free place. */
export const directionOf = (head: Head, place: Place): { theta: number; psi: number } =>
  directionFromMap(head, mapFromPlace(head, place))
