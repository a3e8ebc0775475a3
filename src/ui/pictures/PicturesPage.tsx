'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Dialog from '@mui/material/Dialog'
import LinearProgress from '@mui/material/LinearProgress'
import Paper from '@mui/material/Paper'
import Snackbar from '@mui/material/Snackbar'
import Typography from '@mui/material/Typography'
import { useState, type ChangeEvent, type DragEvent } from 'react'
import type { PictureSummary } from '@/core/model'
import { callApi } from '../hooks/api'
import { ClientHeader } from '../parts'
import { dateInWords } from '../words'
import { fileFault, LARGEST_PICTURE_MB, uploadPicture } from './upload'

interface Props {
  client: { id: string; name: string }
  pictures: PictureSummary[]
  writable: boolean
}

/** Photographs of the hair and of what is wished, newest first. */
export function PicturesPage({ client, pictures: known, writable }: Props) {
  const [pictures, setPictures] = useState(known)
  const [sending, setSending] = useState<{ name: string; share: number }>()
  const [faults, setFaults] = useState<string[]>([])
  const [removed, setRemoved] = useState<PictureSummary>()
  const [large, setLarge] = useState<PictureSummary>()
  const base = `/api/clients/${client.id}/pictures`

  async function send(files: readonly File[]) {
    setFaults(files.map(fileFault).filter((fault) => fault !== undefined))
    for (const file of files.filter((one) => fileFault(one) === undefined)) {
      setSending({ name: file.name, share: 0 })
      try {
        const picture = await uploadPicture(client.id, file, (share) => setSending({ name: file.name, share }))
        setPictures((before) => [picture, ...before.filter(({ id }) => id !== picture.id)])
      } catch (error) {
        setFaults((before) => [
          ...before,
          `${file.name}: ${error instanceof Error ? error.message : 'was not kept. Try again.'}`,
        ])
      }
    }
    setSending(undefined)
  }

  function choose(event: ChangeEvent<HTMLInputElement>) {
    const files = [...(event.target.files ?? [])]
    event.target.value = ''
    void send(files)
  }

  function drop(event: DragEvent) {
    event.preventDefault()
    if (writable) void send([...event.dataTransfer.files])
  }

  async function remove(picture: PictureSummary) {
    await callApi(`${base}/${picture.id}`, 'DELETE')
    setPictures((before) => before.filter(({ id }) => id !== picture.id))
    setRemoved(picture)
    setLarge(undefined)
  }

  async function bringBack(picture: PictureSummary) {
    await callApi(`${base}/${picture.id}/restore`, 'POST')
    setPictures((before) => [...before, picture].sort((a, b) => (a.at < b.at ? 1 : -1)))
    setRemoved(undefined)
  }

  return (
    <Box onDrop={drop} onDragOver={(event) => event.preventDefault()}>
      <ClientHeader id={client.id} name={client.name}>
        {writable && (
          <Button component="label" variant="contained">
            Add pictures
            <input
              type="file"
              hidden
              multiple
              accept="image/jpeg,image/png,image/webp"
              onChange={choose}
              aria-label="Picture files"
            />
          </Button>
        )}
      </ClientHeader>
      <Box sx={{ maxWidth: 1120, mx: 'auto', p: { xs: 1.5, md: 3 } }}>
        {sending && (
          <Box sx={{ mb: 2 }}>
            <Typography variant="caption">
              Sending {sending.name}, {Math.round(100 * sending.share)} %
            </Typography>
            <LinearProgress variant="determinate" value={100 * sending.share} aria-label={`Sending ${sending.name}`} />
          </Box>
        )}
        {faults.map((fault) => (
          <Alert
            key={fault}
            severity="error"
            sx={{ mb: 1 }}
            onClose={() => setFaults((before) => before.filter((one) => one !== fault))}
          >
            {fault}
          </Alert>
        ))}
        {pictures.length === 0 ? (
          <Paper variant="outlined" sx={{ p: 4, textAlign: 'center' }}>
            <Typography>No pictures yet.</Typography>
            <Typography color="textSecondary">
              {writable
                ? `Add photographs of the hair in daylight, straight and waved, and of what is wished: JPEG, PNG or WebP, up to ${LARGEST_PICTURE_MB} MB each.`
                : 'A colourist can add them.'}
            </Typography>
          </Paper>
        ) : (
          <Box
            component="ul"
            aria-label="Pictures"
            sx={{
              listStyle: 'none',
              p: 0,
              m: 0,
              display: 'grid',
              gap: 2,
              gridTemplateColumns: 'repeat(auto-fill, minmax(180px, 1fr))',
            }}
          >
            {pictures.map((picture) => (
              <Box component="li" key={picture.id}>
                <ButtonBase
                  onClick={() => setLarge(picture)}
                  aria-label={`Show ${picture.name} large`}
                  sx={{ width: '100%', aspectRatio: '1', border: 1, borderColor: 'divider', bgcolor: 'action.hover' }}
                >
                  {/* Private bytes behind a session, which the image optimiser has not. */}
                  {/* eslint-disable-next-line @next/next/no-img-element */}
                  <img
                    src={`${base}/${picture.id}?size=thumbnail`}
                    alt={picture.name}
                    style={{ width: '100%', height: '100%', objectFit: 'contain' }}
                  />
                </ButtonBase>
                <Typography variant="caption" component="p" noWrap>
                  {picture.name}
                </Typography>
                <Typography variant="caption" color="textSecondary" component="p">
                  {dateInWords(picture.at)}, {picture.by}
                </Typography>
              </Box>
            ))}
          </Box>
        )}
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
          What a camera writes into a file (place, device, owner) is not kept.
        </Typography>
      </Box>
      {large && (
        <Dialog open onClose={() => setLarge(undefined)} maxWidth="lg" aria-label={large.name}>
          {/* eslint-disable-next-line @next/next/no-img-element -- as above */}
          <img
            src={`${base}/${large.id}`}
            alt={large.name}
            style={{ maxWidth: '100%', maxHeight: '76vh', objectFit: 'contain' }}
          />
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, p: 1 }}>
            <Typography variant="caption" sx={{ flex: 1 }}>
              {large.widthPx} × {large.heightPx} · {Math.round(large.bytes / 1000)} kB · SHA-256{' '}
              {large.sha256.slice(0, 12)}…
            </Typography>
            {writable && (
              <Button color="inherit" onClick={() => void remove(large)}>
                Remove
              </Button>
            )}
            <Button color="inherit" onClick={() => setLarge(undefined)}>
              Close
            </Button>
          </Box>
        </Dialog>
      )}
      <Snackbar
        open={removed !== undefined}
        autoHideDuration={10_000}
        onClose={(_event, reason) => reason !== 'clickaway' && setRemoved(undefined)}
        message={`“${removed?.name}” was removed.`}
        action={
          <Button color="inherit" onClick={() => removed && void bringBack(removed)}>
            Undo
          </Button>
        }
      />
    </Box>
  )
}
