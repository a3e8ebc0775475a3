'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { failureWords } from './api'

/** Does something on the server and has the page read again; what the server refuses is there as `problem`. */
export function useAttempt() {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const forget = () => setProblem(undefined)
  async function attempt(work: () => Promise<unknown>): Promise<void> {
    forget()
    try {
      await work()
      router.refresh()
    } catch (error) {
      setProblem(failureWords(error))
    }
  }
  return { attempt, problem, forget }
}
