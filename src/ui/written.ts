import { useMemo } from 'react'

/**
 * What a page is given, as one string: React writes data value by value, twice over, and a day's plans have some
 * thousand values.
 */
export type Written<T> = string & { readonly of?: T }

export const written = <T>(data: T): Written<T> => JSON.stringify(data)

/** What was written, the same for as long as that is. */
export const useWritten = <T>(data: Written<T>): T => useMemo(() => JSON.parse(data) as T, [data])
