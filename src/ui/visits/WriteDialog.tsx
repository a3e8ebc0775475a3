'use client'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { v7 as newId } from 'uuid'
import { MESSAGE_KINDS, MESSAGE_LETTERS, messageFrom, type MessageKind } from '@/core/record/upkeep'
import type { DueClient, Outbox } from '@/core/record/visit'
import { MessageDto } from '@/dto'
import { FormDialog, SelectEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { dateInWords, optionsOf } from '../words'
import { MESSAGE_NAMES } from './words'

interface Props {
  due: DueClient
  kind: MessageKind
  words: Pick<Outbox, 'salon' | 'templates'>
  onClose: () => void
  onWritten: () => void
}

/** Writes to somebody who is due, beginning with the salon's own words. */
export function WriteDialog({ due, kind: first, words: { salon, templates }, onClose, onWritten }: Props) {
  const [id] = useState(() => newId())
  const textOf = (kind: MessageKind) => {
    const days = kind === 'gloss' && due.gloss ? due.gloss : due.next
    return messageFrom(templates[kind], {
      salon,
      name: due.client.name.split(' ')[0]!,
      last: dateInWords(due.on),
      from: dateInWords(days.from),
      to: dateInWords(days.to),
    })
  }
  const form = useEntryForm(MessageDto, {
    start: { id, clientId: due.client.id, kind: first, text: textOf(first) },
    send: async (entry) => {
      await callApi('/api/messages', 'POST', entry)
      onWritten()
    },
  })
  return (
    <FormDialog title={`Write to ${due.client.name}`} form={form} save="Put in the outbox" onClose={onClose} fullWidth>
      <SelectEntry
        control={form.control}
        name="kind"
        label="About"
        options={optionsOf(MESSAGE_KINDS, MESSAGE_NAMES)}
        onChosen={(kind) => form.setValue('text', textOf(kind as MessageKind))}
      />
      <TextEntry control={form.control} name="text" label="Words" longest={MESSAGE_LETTERS} multiline minRows={4} />
      <Typography variant="body2" color="textSecondary">
        It is kept here and sent by nobody but you.
      </Typography>
    </FormDialog>
  )
}
