'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type ChangeEvent } from 'react'
import { PICTURE_MOMENTS, PICTURE_SIDES, type PictureOf, type PictureSummary } from '@/core/model'
import type { OpenVisit } from '@/core/record/visit'
import { failureWords } from '../hooks/api'
import { ListChoice } from '../parts'
import { fileFault, uploadPicture } from '../pictures'
import { optionsOf } from '../words'
import { Section } from './Section'

const MOMENT_WORDS: Record<PictureOf['moment'], string> = { before: 'Before', after: 'After' }

/** Pictures of the visit: before and after from the same side beside each other, then those that say nothing of it. */
export function VisitPictures({ visit, mayWrite }: { visit: OpenVisit; mayWrite: boolean }) {
  const { client, pictures } = visit
  const sides = PICTURE_SIDES.map((side) => ({
    side,
    of: PICTURE_MOMENTS.map((moment) => ({
      moment,
      found: pictures.filter(({ of }) => of?.side === side && of.moment === moment),
    })),
  })).filter(({ of }) => of.some(({ found }) => found.length > 0))
  const others = pictures.filter(({ of }) => of === null)
  return (
    <Section title="Pictures">
      {pictures.length === 0 && <Typography color="textSecondary">None yet.</Typography>}
      {sides.map(({ side, of }) => (
        <Box key={side} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mb: 1 }}>
          {of.map(({ moment, found }) => (
            <div key={moment}>
              <Typography variant="body2" color="textSecondary">
                {MOMENT_WORDS[moment]}, {side}
              </Typography>
              <Small clientId={client.id} pictures={found} />
            </div>
          ))}
        </Box>
      ))}
      {others.length > 0 && <Small clientId={client.id} pictures={others} />}
      {mayWrite && <AddPicture visit={visit} />}
    </Section>
  )
}

function Small({ clientId, pictures }: { clientId: string; pictures: readonly PictureSummary[] }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      {pictures.map(({ id, name }) => (
        <a key={id} href={`/api/clients/${clientId}/pictures/${id}`}>
          {/* Private bytes behind a session, which the image optimiser has not. */}
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img src={`/api/clients/${clientId}/pictures/${id}?size=thumbnail`} alt={name} width={150} />
        </a>
      ))}
    </Box>
  )
}

/** Takes pictures, or chooses files, of one side before or after. */
function AddPicture({ visit }: { visit: OpenVisit }) {
  const router = useRouter()
  const [moment, setMoment] = useState<PictureOf['moment']>('after')
  const [side, setSide] = useState<PictureOf['side']>('front')
  const [share, setShare] = useState<number>()
  const [trouble, setTrouble] = useState<string>()

  async function send({ target }: ChangeEvent<HTMLInputElement>) {
    const [file] = target.files ?? []
    target.value = ''
    if (!file) return
    setTrouble(fileFault(file))
    if (fileFault(file)) return
    setShare(0)
    try {
      await uploadPicture(visit.client.id, file, setShare, { visitId: visit.id, moment, side })
      router.refresh()
    } catch (error) {
      setTrouble(failureWords(error))
    }
    setShare(undefined)
  }

  return (
    <Box className="screen-only" sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {share !== undefined && <LinearProgress variant="determinate" value={100 * share} aria-label="Sending" />}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr auto', gap: 1, alignItems: 'center' }}>
        <ListChoice
          label="When"
          value={moment}
          options={optionsOf(PICTURE_MOMENTS, MOMENT_WORDS)}
          onChange={setMoment}
        />
        <ListChoice
          label="From"
          value={side}
          options={PICTURE_SIDES.map((value) => ({ value, label: value }))}
          onChange={setSide}
        />
        <Button component="label" color="inherit" variant="outlined">
          Add
          <input
            type="file"
            hidden
            accept="image/jpeg,image/png,image/webp"
            capture="environment"
            aria-label="Picture of the visit"
            onChange={(event) => void send(event)}
          />
        </Button>
      </Box>
    </Box>
  )
}
