'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { COUNTS, type OwnLayout } from '@/core/model'
import { callApi, problemAt } from '../../hooks/api'
import { LINE } from '../../theme'
import { dateInWords } from '../../words'
import { editStage, stageOf, usePlanStore } from '../context'
import { relay } from '../relay'

/** Sections that the salon keeps as its own: to use, to keep the ones on the map, to remove. */
export function OwnLayouts({ onUsed }: { onUsed: () => void }) {
  const { store } = usePlanStore()
  const [layouts, setLayouts] = useState<OwnLayout[]>()
  const [removed, setRemoved] = useState<OwnLayout>()
  const [name, setName] = useState('')
  const [trouble, setTrouble] = useState<unknown>()

  const load = () => callApi<{ layouts: OwnLayout[] }>('/api/layouts').then((answer) => setLayouts(answer.layouts))
  useEffect(() => {
    void load().catch(setTrouble)
  }, [])

  /** Does one thing on the server and then shows what it holds. */
  async function change(work: () => Promise<unknown>): Promise<void> {
    setTrouble(undefined)
    try {
      await work()
      await load()
    } catch (error) {
      setTrouble(error)
    }
  }

  function keep() {
    const stage = stageOf(store.getState())
    const zones = stage.order.map((id) => {
      const { id: _own, ...section } = stage.zones.find((zone) => zone.id === id)!
      return section
    })
    void change(async () => {
      await callApi('/api/layouts', 'POST', { name: name.trim(), layout: stage.layout, zones })
      setName('')
    })
  }

  function use({ name: chosen, layout, zones }: OwnLayout) {
    editStage(store, `${chosen} layout`, 'layout', (stage) =>
      relay(stage, structuredClone({ layout, sections: zones })),
    )
    store.select(undefined)
    onUsed()
  }

  const small = { borderColor: 'divider' }
  return (
    <Box component="section" aria-label="Our own sections" sx={{ borderTop: LINE, pt: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        Our own sections
      </Typography>
      {layouts?.length === 0 && (
        <Typography color="textSecondary">
          None yet. Draw or set out sections on the map, then keep them here under a name.
        </Typography>
      )}
      {layouts?.map((one) => (
        <Box key={one.id} sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.5 }}>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Typography noWrap sx={{ fontWeight: 600 }}>
              {one.name}
            </Typography>
            <Typography variant="caption" color="textSecondary">
              {one.zones.length} zones · {one.by}, {dateInWords(one.at)}
            </Typography>
          </Box>
          <Button variant="outlined" color="inherit" sx={small} aria-label={`Use ${one.name}`} onClick={() => use(one)}>
            Use
          </Button>
          <Button
            color="inherit"
            aria-label={`Remove ${one.name}`}
            onClick={() =>
              void change(async () => {
                await callApi(`/api/layouts/${one.id}`, 'DELETE')
                setRemoved(one)
              })
            }
          >
            Remove
          </Button>
        </Box>
      ))}
      {removed && (
        <Alert
          severity="info"
          action={
            <Button
              color="inherit"
              onClick={() =>
                void change(async () => {
                  await callApi(`/api/layouts/${removed.id}/restore`, 'POST')
                  setRemoved(undefined)
                })
              }
            >
              Undo
            </Button>
          }
        >
          “{removed.name}” was removed.
        </Alert>
      )}
      {trouble !== undefined && (
        <Alert severity="warning">
          {problemAt(trouble, 'name') ?? (trouble instanceof Error ? trouble.message : 'This did not work. Try again.')}
        </Alert>
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label="Keep the sections on the map as"
          value={name}
          onChange={({ target }) => setName(target.value)}
          sx={{ flex: 1 }}
          slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
        />
        <Button
          variant="outlined"
          color="inherit"
          disabled={name.trim() === ''}
          sx={{ ...small, minHeight: 40 }}
          onClick={keep}
        >
          Keep
        </Button>
      </Box>
    </Box>
  )
}
