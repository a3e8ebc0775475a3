'use client'
import Alert from '@mui/material/Alert'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import type { Review } from '@/core/record/visit'
import { ReviewDto, REVIEW_LETTERS } from '@/dto'
import { CheckEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { useNotice } from '../notices'
import { SaveButton } from '../parts'
import { dateInWords } from '../words'
import { Section } from './Section'

/** What was thought of a visit afterwards: one's own words to change, and what others share. */
export function Reviews({ visitId, reviews }: { visitId: string; reviews: readonly Review[] }) {
  const router = useRouter()
  const notice = useNotice()
  const own = reviews.find((review) => review.own)
  const form = useEntryForm(ReviewDto, {
    start: { worked: own?.worked ?? '', change: own?.change ?? '', why: own?.why ?? '', shared: own?.shared ?? false },
    send: async (entry) => {
      await callApi(`/api/visits/${visitId}/review`, 'POST', entry)
      notice('Your words are kept with this visit.')
      router.refresh()
    },
  })
  const { control } = form
  const long = { longest: REVIEW_LETTERS, multiline: true, minRows: 2 }
  return (
    <Section title="Looking back">
      <Stack spacing={1.5}>
        {form.refused && <Alert severity="error">{form.refused}</Alert>}
        <TextEntry control={control} name="worked" label="What worked" {...long} />
        <TextEntry control={control} name="change" label="One thing to do otherwise next time" {...long} />
        <TextEntry control={control} name="why" label="Why" {...long} />
        <CheckEntry control={control} name="shared" label="Others here may read it" />
        <SaveButton onSave={form.save} busy={form.busy}>
          Keep
        </SaveButton>
      </Stack>
      {reviews
        .filter((review) => !review.own)
        .map(({ by, worked, change, why, at }) => (
          <Typography key={by} variant="body2" sx={{ mt: 1.5, whiteSpace: 'pre-wrap' }}>
            <b>
              {by}, {dateInWords(at)}
            </b>
            {worked && `\nWorked: ${worked}`}
            {change && `\nOtherwise: ${change}`}
            {why && `\nWhy: ${why}`}
          </Typography>
        ))}
    </Section>
  )
}
