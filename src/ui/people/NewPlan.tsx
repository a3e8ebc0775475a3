'use client'
import Typography from '@mui/material/Typography'
import { useWatch, type Control } from 'react-hook-form'
import { v7 as newId } from 'uuid'
import { NewPlanDto, PROPOSED } from '@/dto'
import { SERVICES } from '@/core/plan/serviceKinds'
import { CheckEntry, ChoiceEntry, FormDialog, SelectEntry, TextEntry, useEntryForm } from '../forms'
import type { OpenConsultation } from '@/core/model'
import type { Sitter } from '@/workers/gallery.worker'
import { opening } from '../consultation/store'
import { callApi } from '../hooks/api'
import { useLayoutOptions } from '../thumbnails'
import { WORDS } from '../words'
import { StartGallery } from './StartGallery'

interface Props {
  clientId: string
  consultation: OpenConsultation
  onClose: () => void
  onMade: (id: string) => void
}

/** What a plan can be started from: its word in the list, what it is called at first, and when one would choose it. */
const STARTS = [
  {
    value: '',
    label: 'An empty plan',
    name: 'New plan',
    help: 'An empty plan: choose the sections, then set what is taken in each.',
  },
  {
    value: PROPOSED,
    label: 'Proposed from the consultation',
    name: 'Proposed plan',
    help: 'A whole plan from the hair, the wish and how it is worn; every choice says why, and everything can be changed.',
  },
  ...SERVICES.map(({ id, name, help }) => ({ value: id, label: name, name, help })),
]
/** Those that have a map before anything is decided, the one proposed for her first. */
const DRAWN = STARTS.filter(({ value }) => value !== '')

/** The client as her plan would have her. */
function sitterOf(consultation: OpenConsultation): Sitter {
  const { head, hair, latest } = consultation
  return { head, hair, canvas: latest ? opening(consultation).entry.canvas : undefined, goal: latest?.goal }
}

const startOf = (service = '') => STARTS.find(({ value }) => value === service) ?? STARTS[0]!

function Sections({ control, of }: { control: Control<NewPlanDto>; of: Pick<OpenConsultation, 'head' | 'hair'> }) {
  return <ChoiceEntry control={control} name="template" label="Sections" options={useLayoutOptions(of)} />
}

/** An empty plan on a layout, or a kind of service fitted to this client's hair. */
export function NewPlan({ clientId, consultation, onClose, onMade }: Props) {
  const form = useEntryForm(NewPlanDto, {
    start: { id: newId(), name: startOf().name, template: 'fourQuadrants', ownFigures: false },
    send: async (entry) => onMade((await callApi<{ id: string }>(`/api/clients/${clientId}/plans`, 'POST', entry)).id),
  })
  const { control } = form
  const { name, template, service } = useWatch({ control })
  return (
    <FormDialog
      title="New plan"
      form={form}
      save="Start planning"
      ready={name?.trim() !== ''}
      onClose={onClose}
      maxWidth="md"
    >
      <TextEntry control={control} name="name" label="Name" size="medium" autoFocus required />
      <SelectEntry
        control={control}
        name="service"
        label="Start from"
        size="medium"
        options={STARTS}
        help={startOf(service).help}
        onChosen={(chosen) => form.setValue('name', startOf(chosen).name)}
      />
      <StartGallery
        starts={consultation.latest ? DRAWN : DRAWN.filter(({ value }) => value !== PROPOSED)}
        chosen={service ?? ''}
        sitter={sitterOf(consultation)}
        onChoose={(chosen) => {
          form.setValue('service', chosen)
          form.setValue('name', startOf(chosen).name)
        }}
      />
      {!service && template && (
        <>
          <Sections control={control} of={consultation} />
          <Typography color="textSecondary">{WORDS.templateHelp[template]}</Typography>
        </>
      )}
      <CheckEntry control={control} name="ownFigures" label="Reckon with my own figures, learned from my visits" />
    </FormDialog>
  )
}
