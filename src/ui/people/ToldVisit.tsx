'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { type Control } from 'react-hook-form'
import { LIMITS, TONES, type Formula } from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { REVIEW_LETTERS, ToldVisitDto, VISIT_MINUTES } from '@/dto'
import { DateEntry, FormDialog, NumberEntry, SelectEntry, TextEntry, useEntryForm } from '../forms'
import { callApi, failureWords } from '../hooks/api'
import { LINE } from '../theme'
import { optionsOf, WORDS } from '../words'

interface Props {
  clientId: string
  today: string
  onClose: () => void
  onEntered: (visitId: string) => void
}

interface Draft {
  formulas: Formula[]
  products: { id: string; name: string }[]
}

const KINDS = SERVICES.map(({ id, name }) => ({ value: id, label: name }))

/** A visit that was done without Falto, told afterwards: what, when, what was mixed, and how long it took. */
export function ToldVisit({ clientId, today, onClose, onEntered }: Props) {
  const [draft, setDraft] = useState<Draft>()
  const [isLoading, setLoading] = useState(false)
  const [trouble, setTrouble] = useState<string>()
  const path = `/api/clients/${clientId}/visits`
  const form = useEntryForm(ToldVisitDto, {
    start: { on: today, service: '', name: '', formulas: [], change: '' },
    send: async (entry) => onEntered((await callApi<{ visitId: string }>(path, 'POST', entry)).visitId),
  })
  const { control, setValue } = form

  /** Formulas that such a visit would be mixed from, to be corrected to what was. */
  async function choose(service: string) {
    setValue('name', SERVICES.find(({ id }) => id === service)?.name ?? '')
    setLoading(true)
    setTrouble(undefined)
    try {
      const made = await callApi<Draft>(`${path}?service=${encodeURIComponent(service)}`)
      setValue(
        'formulas',
        made.formulas.map(({ productId, developerVol, level, tone }) => ({ productId, developerVol, level, tone })),
      )
      setDraft(made)
    } catch (error) {
      setTrouble(failureWords(error))
    }
    setLoading(false)
  }

  return (
    <FormDialog
      title="A visit done without Falto"
      form={form}
      save="Enter the visit"
      ready={draft !== undefined}
      onClose={onClose}
      maxWidth="md"
      fullWidth
    >
      <Typography color="textSecondary">
        Choose what was done, correct what was mixed, and leave empty what nobody remembers. Nothing is taken off the
        shelf for it, and nothing is learned from it.
      </Typography>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      <Box sx={{ ...ROW, gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr 1fr' } }}>
        <SelectEntry
          control={control}
          name="service"
          label="What was done"
          sx={BESIDE}
          options={KINDS}
          onChosen={(service) => void choose(service)}
        />
        <Box sx={BESIDE}>
          <DateEntry control={control} name="on" label="On" max={today} />
        </Box>
        <NumberEntry control={control} name="minutes" label="It took" limit={VISIT_MINUTES} step={15} optional />
      </Box>
      {isLoading && <LinearProgress aria-label="Looking up what it is mixed from" />}
      {draft?.formulas.map(({ id, name }, at) => (
        <ToldFormula key={id} control={control} at={at} letter={id} name={name} products={draft.products} />
      ))}
      <TextEntry
        control={control}
        name="change"
        label="One thing to do otherwise next time"
        longest={REVIEW_LETTERS}
        multiline
        minRows={2}
      />
    </FormDialog>
  )
}

interface FormulaProps {
  control: Control<ToldVisitDto>
  at: number
  letter: string
  name: string
  products: Draft['products']
}

function ToldFormula({ control, at, letter, name, products }: FormulaProps) {
  return (
    <Box component="fieldset" sx={{ border: 0, borderTop: LINE, m: 0, p: 0, pt: 1 }}>
      <Typography component="legend" sx={{ fontWeight: 700, pr: 1 }}>
        {letter} {name}
      </Typography>
      <Box sx={{ ...ROW, gridTemplateColumns: { xs: '1fr 1fr', sm: '2fr 1fr 1fr' } }}>
        <SelectEntry
          control={control}
          name={`formulas.${at}.productId`}
          label="Product"
          sx={BESIDE}
          options={products.map((product) => ({ value: product.id, label: product.name }))}
        />
        <NumberEntry
          control={control}
          name={`formulas.${at}.developerVol`}
          label="Developer"
          limit={LIMITS.developerVol}
          step={1}
        />
        <NumberEntry
          control={control}
          name={`formulas.${at}.level`}
          label="Level"
          limit={LIMITS.targetLevel}
          step={1}
        />
        <SelectEntry
          control={control}
          name={`formulas.${at}.tone`}
          label="Tone"
          sx={BESIDE}
          options={optionsOf(TONES, WORDS.tone)}
        />
        <NumberEntry
          control={control}
          name={`formulas.${at}.grams`}
          label="Mixed"
          limit={LIMITS.stockG}
          step={5}
          optional
        />
        <NumberEntry
          control={control}
          name={`formulas.${at}.left`}
          label="Left over"
          limit={LIMITS.stockG}
          step={1}
          optional
        />
      </Box>
    </Box>
  )
}

const ROW = { display: 'grid', gap: 1.5, alignItems: 'start' } as const
/** Figures have their label above them; fields with the label in them stand beside, not higher. */
const BESIDE = { mt: 2.75 } as const
