import { useState } from 'react'
import type { PictureSummary } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { fileFault, uploadPicture } from './upload'

const newestFirst = (a: PictureSummary, b: PictureSummary): number => (a.at < b.at ? 1 : -1)

/** A client's pictures: sent one after the other, removed and brought back. */
export function usePictures(clientId: string, known: PictureSummary[]) {
  const [pictures, setPictures] = useState(known)
  const [sending, setSending] = useState<{ name: string; share: number }>()
  const [faults, setFaults] = useState<string[]>([])
  const base = `/api/clients/${clientId}/pictures`
  const add = (picture: PictureSummary) =>
    setPictures((before) => [picture, ...before.filter(({ id }) => id !== picture.id)].sort(newestFirst))
  const fault = (words: string) => setFaults((before) => [...before, words])

  async function sendOne(file: File) {
    setSending({ name: file.name, share: 0 })
    try {
      add(await uploadPicture(clientId, file, (share) => setSending({ name: file.name, share })))
    } catch (error) {
      fault(`${file.name}: ${failureWords(error, 'was not kept. Try again.')}`)
    }
  }

  return {
    base,
    pictures,
    sending,
    faults,
    dismiss: (words: string) => setFaults((before) => before.filter((one) => one !== words)),
    async send(files: readonly File[]) {
      setFaults(files.map(fileFault).filter((words) => words !== undefined))
      for (const file of files) if (fileFault(file) === undefined) await sendOne(file)
      setSending(undefined)
    },
    /** @throws ApiError, OfflineError */
    async remove({ id }: PictureSummary) {
      await callApi(`${base}/${id}`, 'DELETE')
      setPictures((before) => before.filter((one) => one.id !== id))
    },
    /** @throws ApiError, OfflineError */
    async bringBack(picture: PictureSummary) {
      await callApi(`${base}/${picture.id}/restore`, 'POST')
      add(picture)
    },
  }
}
