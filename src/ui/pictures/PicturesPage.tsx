'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Dialog from '@mui/material/Dialog'
import LinearProgress from '@mui/material/LinearProgress'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { useState, type ChangeEvent, type DragEvent } from 'react'
import type { PictureSummary } from '@/core/model'
import { failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { ClientHeader } from '../parts'
import { dateInWords } from '../words'
import { LARGEST_PICTURE_MB } from './upload'
import { usePictures } from './usePictures'

interface Props {
  client: { id: string; name: string }
  pictures: PictureSummary[]
  writable: boolean
}

/** Photographs of the hair and of what is wished, newest first. */
export function PicturesPage({ client, pictures: known, writable }: Props) {
  const { base, pictures, sending, faults, dismiss, send, remove, bringBack } = usePictures(client.id, known)
  const [large, setLarge] = useState<PictureSummary>()
  const notice = useNotice()

  function drop(event: DragEvent) {
    event.preventDefault()
    if (writable) void send([...event.dataTransfer.files])
  }

  /** Does something with a picture; what is refused is said. */
  async function attempt(work: () => Promise<void>) {
    try {
      await work()
    } catch (error) {
      notice(failureWords(error))
    }
  }
  const takeAway = (picture: PictureSummary) =>
    attempt(async () => {
      await remove(picture)
      setLarge(undefined)
      notice(`“${picture.name}” was removed.`, () => void attempt(() => bringBack(picture)))
    })

  return (
    <Box onDrop={drop} onDragOver={(event) => event.preventDefault()}>
      <ClientHeader id={client.id} name={client.name}>
        {writable && <AddButton onChosen={(files) => void send(files)} />}
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
          <Alert key={fault} severity="error" sx={{ mb: 1 }} onClose={() => dismiss(fault)}>
            {fault}
          </Alert>
        ))}
        {pictures.length === 0 ? (
          <NoPictures writable={writable} />
        ) : (
          <Gallery base={base} pictures={pictures} onShow={setLarge} />
        )}
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
          What a camera writes into a file (place, device, owner) is not kept.
        </Typography>
      </Box>
      {large && (
        <Large
          base={base}
          picture={large}
          onClose={() => setLarge(undefined)}
          onRemove={writable ? () => void takeAway(large) : undefined}
        />
      )}
    </Box>
  )
}

function AddButton({ onChosen }: { onChosen: (files: File[]) => void }) {
  function choose(event: ChangeEvent<HTMLInputElement>) {
    const files = [...(event.target.files ?? [])]
    event.target.value = ''
    onChosen(files)
  }
  return (
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
  )
}

function NoPictures({ writable }: { writable: boolean }) {
  return (
    <Paper variant="outlined" sx={{ p: 4, textAlign: 'center' }}>
      <Typography>No pictures yet.</Typography>
      <Typography color="textSecondary">
        {writable
          ? `Add photographs of the hair in daylight, straight and waved, and of what is wished: JPEG, PNG or WebP, up to ${LARGEST_PICTURE_MB} MB each.`
          : 'A colourist can add them.'}
      </Typography>
    </Paper>
  )
}

interface GalleryProps {
  base: string
  pictures: PictureSummary[]
  onShow: (picture: PictureSummary) => void
}

function Gallery({ base, pictures, onShow }: GalleryProps) {
  return (
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
            onClick={() => onShow(picture)}
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
  )
}

interface LargeProps {
  base: string
  picture: PictureSummary
  onClose: () => void
  onRemove: (() => void) | undefined
}

function Large({ base, picture: { id, name, widthPx, heightPx, bytes, sha256 }, onClose, onRemove }: LargeProps) {
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-label={name}>
      {/* eslint-disable-next-line @next/next/no-img-element -- private bytes, as in the gallery */}
      <img src={`${base}/${id}`} alt={name} style={{ maxWidth: '100%', maxHeight: '76vh', objectFit: 'contain' }} />
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, p: 1 }}>
        <Typography variant="caption" sx={{ flex: 1 }}>
          {widthPx} × {heightPx} · {Math.round(bytes / 1000)} kB · SHA-256 {sha256.slice(0, 12)}…
        </Typography>
        {onRemove && (
          <Button color="inherit" onClick={onRemove}>
            Remove
          </Button>
        )}
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
      </Box>
    </Dialog>
  )
}
