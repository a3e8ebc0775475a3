'use client'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { v7 as newId } from 'uuid'
import { CareCheckDto } from '@/dto'
import { VALID_DAYS } from '@/core/judgement/care'
import { COUNTS, type CareKind } from '@/core/model'
import { ChoiceEntry, DateEntry, FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { WORDS } from '../words'

const QUESTIONS: Record<CareKind, string> = {
  allergyAlert: 'Made and read as the product’s instructions say. What did the skin show?',
  strandTest: 'A hidden strand with the planned product, stretched wet afterwards.',
  scalp: 'Dry, in good light: calm, or irritated, broken, flaking, sore?',
  age: 'The instructions and local rules name the lowest age.',
  metallicHenna: 'Restoring lotions, henna, colour of unknown make, ever on these lengths?',
  reactions:
    'Earlier reactions to colour, black tattoos or latex; illness, pregnancy, medicines. With a yes, the instructions and a doctor decide.',
}
const WITH_PRODUCT: readonly CareKind[] = ['allergyAlert', 'strandTest']

const RESULTS = [
  { value: 'clear', label: 'Nothing found' },
  { value: 'concern', label: 'Cause for concern' },
] as const

interface Props {
  clientId: string
  kind: CareKind
  today: string
  onClose: () => void
  onRecorded: () => void
}

/** A check before anything was seen: what it showed is only told by a hand. */
const unseen = (kind: CareKind, on: string) =>
  ({ id: newId(), kind, on, product: '', note: '' }) as Partial<CareCheckDto> as CareCheckDto

/** Records one check: when, with what, what it showed. */
export function CheckDialog({ clientId, kind, today, onClose, onRecorded }: Props) {
  const [start] = useState(() => unseen(kind, today))
  const form = useEntryForm(CareCheckDto, {
    start,
    send: async (check) => {
      await callApi(`/api/clients/${clientId}/care/checks`, 'POST', check)
      onRecorded()
    },
  })
  const { control } = form
  const result = useWatch({ control, name: 'result' })
  const days = VALID_DAYS[kind]
  return (
    <FormDialog
      title={WORDS.care[kind]}
      form={form}
      save="Record"
      ready={result !== undefined}
      onClose={onClose}
      maxWidth="sm"
    >
      <Typography color="textSecondary">{QUESTIONS[kind]}</Typography>
      <ChoiceEntry control={control} name="result" label="Result" options={RESULTS} />
      <DateEntry control={control} name="on" label="Made on" max={today} />
      {WITH_PRODUCT.includes(kind) && (
        <TextEntry control={control} name="product" label="With which product" longest={COUNTS.nameLength} />
      )}
      <TextEntry control={control} name="note" label="Note" multiline minRows={2} longest={COUNTS.noteLength} />
      {days > 0 && (
        <DateEntry
          control={control}
          name="expiresOn"
          label="Counts until (if the instructions name a day)"
          optional
          help={days === Infinity ? 'Left empty, it does not run out.' : `Left empty: ${days} days.`}
        />
      )}
    </FormDialog>
  )
}
