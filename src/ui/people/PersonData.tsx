'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ErasureDto } from '@/dto'
import { FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'

interface Props {
  id: string
  name: string
}

/** What a client may ask of the salon: everything that is kept of her, or that nothing is kept any more. */
export function PersonData({ id, name }: Props) {
  const [erasing, setErasing] = useState(false)
  return (
    <>
      <Button color="inherit" component="a" href={`/api/clients/${id}/file`} download>
        All her data (ZIP)
      </Button>
      <Button color="error" onClick={() => setErasing(true)}>
        Erase for good…
      </Button>
      {erasing && <EraseDialog id={id} name={name} onClose={() => setErasing(false)} />}
    </>
  )
}

function EraseDialog({ id, name, onClose }: Props & { onClose: () => void }) {
  const router = useRouter()
  const form = useEntryForm(ErasureDto, {
    start: { name: '' },
    send: async (entry) => {
      await callApi(`/api/clients/${id}/erasure`, 'POST', entry)
      router.push('/people')
      router.refresh()
    },
  })
  return (
    <FormDialog title={`Erase ${name}?`} form={form} save="Erase for good" onClose={onClose} maxWidth="sm">
      <Alert severity="warning">
        Record, hair, pictures, care checks, consents, plans, visits and messages are deleted and cannot be brought
        back. What her visits took in grams and minutes stays in the salon’s monthly sums, without her. Backups made
        before keep her until they are deleted. Keep for yourself what the law tells you to keep.
      </Alert>
      <TextEntry control={form.control} name="name" label="Type her name to go on" autoFocus required />
    </FormDialog>
  )
}
