'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import type { OpenVisit } from '@/core/record/visit'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { dateInWords } from '../words'
import { Section } from './Section'

/** Takes a visit back, or lets it count again; what is refused is said. */
function useStanding({ id }: OpenVisit) {
  const router = useRouter()
  const notice = useNotice()
  async function set(how: 'POST' | 'DELETE'): Promise<void> {
    try {
      await callApi(`/api/visits/${id}/withdraw`, how)
      if (how === 'POST') notice('The visit counts no more.', () => void set('DELETE'))
      router.refresh()
    } catch (error) {
      notice(failureWords(error))
    }
  }
  return set
}

/** What one has to know of the whole visit first: that it was told afterwards, or counts no more. */
export function Standing({ visit }: { visit: OpenVisit }) {
  return (
    <>
      {visit.withdrawn && (
        <Alert severity="warning">
          Taken back {dateInWords(visit.withdrawn.at)} by {visit.withdrawn.by}: no sum, list or figure counts it, and
          what its bowls took is on the shelf again.
        </Alert>
      )}
      {visit.wasTold && (
        <Alert severity="info">
          Entered afterwards. What stands as planned is what such a visit would come to on her hair.
        </Alert>
      )}
    </>
  )
}

/** The way to undo a visit that was entered wrongly. */
export function TakeBack({ visit }: { visit: OpenVisit }) {
  const set = useStanding(visit)
  return (
    <Section title="Entered wrongly?">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {visit.withdrawn
          ? 'It can count again as it did before.'
          : 'Taken back, it stays readable here and counts no more; what was mixed goes back on the shelf. The hair stays as it is recorded: correct it in the consultation.'}
      </Typography>
      <Button
        className="screen-only"
        color="inherit"
        variant="outlined"
        onClick={() => void set(visit.withdrawn ? 'DELETE' : 'POST')}
      >
        {visit.withdrawn ? 'Let it count again' : 'Take this visit back'}
      </Button>
    </Section>
  )
}
