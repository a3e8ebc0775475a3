'use client'
import { get, useController, type FieldErrors } from 'react-hook-form'
import { v7 as newId } from 'uuid'
import { ClientDto } from '@/dto'
import { STARTING_HAIR, STARTING_HEAD } from '@/core/model'
import { FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { HairFields, HeadFields } from '../parts'

const problemIn =
  (errors: FieldErrors) =>
  (path: string): string | undefined =>
    (get(errors, path) as { message?: string } | undefined)?.message

export function NewClient({ onClose, onMade }: { onClose: () => void; onMade: (id: string) => void }) {
  const form = useEntryForm(ClientDto, {
    start: { id: newId(), name: '', note: '', head: STARTING_HEAD, hair: STARTING_HAIR },
    send: async (entry) => onMade((await callApi<{ id: string }>('/api/clients', 'POST', entry)).id),
  })
  const { control, formState } = form
  const head = useController({ control, name: 'head' }).field
  const hair = useController({ control, name: 'hair' }).field
  const problemAt = problemIn(formState.errors)
  return (
    <FormDialog title="New client" form={form} save="Add client" onClose={onClose} maxWidth="md">
      <TextEntry control={control} name="name" label="Name" size="medium" autoFocus required />
      <HeadFields head={head.value} onChange={head.onChange} problemAt={problemAt} />
      <HairFields hair={hair.value} onChange={hair.onChange} problemAt={problemAt} />
    </FormDialog>
  )
}
