'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { useWatch } from 'react-hook-form'
import { LabelDto } from '@/dto'
import { byId, COUNTS, type OwnLayout, type SavedSections, type Stage } from '@/core/model'
import { TextEntry, useEntryForm } from '../../forms'
import { callApi, failureWords } from '../../hooks/api'
import { useNotice } from '../../notices'
import { LINE } from '../../theme'
import { dateInWords } from '../../words'
import { editStage, stageOf, usePlanStore } from '../context'
import { relay } from '../relay'

/** Sections that the salon keeps as its own: to use, to keep the ones on the map, to remove. */
export function OwnLayouts({ onUsed }: { onUsed: () => void }) {
  const { layouts, trouble, change, load } = useOwnLayouts()
  const notice = useNotice()
  const { store } = usePlanStore()

  function use({ name: chosen, layout, zones }: OwnLayout) {
    editStage(store, `${chosen} layout`, 'layout', (stage) =>
      relay(stage, structuredClone({ layout, sections: zones })),
    )
    store.select(undefined)
    onUsed()
  }
  const restore = ({ id }: OwnLayout) => change(() => callApi(`/api/layouts/${id}/restore`, 'POST'))
  const remove = (one: OwnLayout) =>
    change(async () => {
      await callApi(`/api/layouts/${one.id}`, 'DELETE')
      notice(`“${one.name}” was removed.`, () => void restore(one))
    })

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
        <LayoutRow key={one.id} layout={one} onUse={() => use(one)} onRemove={() => void remove(one)} />
      ))}
      {trouble && <Alert severity="warning">{trouble}</Alert>}
      <KeepAs sections={() => sectionsOf(stageOf(store.getState()))} onKept={load} />
    </Box>
  )
}

/** The salon's own layouts as the server holds them. */
function useOwnLayouts() {
  const [layouts, setLayouts] = useState<OwnLayout[]>()
  const [trouble, setTrouble] = useState<string>()
  const told = (error: unknown) => setTrouble(failureWords(error, 'This did not work. Try again.'))
  const load = () => callApi<{ layouts: OwnLayout[] }>('/api/layouts').then((answer) => setLayouts(answer.layouts))
  useEffect(() => {
    void load().catch(told)
  }, [])
  return {
    layouts,
    trouble,
    load,
    /** Does one thing on the server and then shows what it holds. */
    async change(work: () => Promise<unknown>): Promise<void> {
      setTrouble(undefined)
      try {
        await work()
        await load()
      } catch (error) {
        told(error)
      }
    },
  }
}

const sectionsOf = (stage: Stage): SavedSections => ({
  layout: stage.layout,
  zones: stage.order.map((id) => {
    const { id: _own, ...section } = byId(stage.zones, id)
    return section
  }),
})

interface RowProps {
  layout: OwnLayout
  onUse: () => void
  onRemove: () => void
}

function LayoutRow({ layout: { name, zones, by, at }, onUse, onRemove }: RowProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.5 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography noWrap sx={{ fontWeight: 600 }}>
          {name}
        </Typography>
        <Typography variant="caption" color="textSecondary">
          {zones.length} zones · {by}, {dateInWords(at)}
        </Typography>
      </Box>
      <Button
        variant="outlined"
        color="inherit"
        sx={{ borderColor: 'divider' }}
        aria-label={`Use ${name}`}
        onClick={onUse}
      >
        Use
      </Button>
      <Button color="inherit" aria-label={`Remove ${name}`} onClick={onRemove}>
        Remove
      </Button>
    </Box>
  )
}

/** Keeps the sections on the map under a name. The name is all that is entered here. */
function KeepAs({ sections, onKept }: { sections: () => SavedSections; onKept: () => Promise<void> }) {
  const form = useEntryForm(LabelDto, {
    start: { label: '' },
    send: async ({ label }) => {
      await callApi('/api/layouts', 'POST', { name: label, ...sections() })
      form.reset()
      await onKept()
    },
  })
  const label = useWatch({ control: form.control, name: 'label' })
  return (
    <>
      {form.refused && <Alert severity="warning">{form.refused}</Alert>}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <TextEntry
          control={form.control}
          name="label"
          label="Keep the sections on the map as"
          longest={COUNTS.nameLength}
          sx={{ flex: 1 }}
        />
        <Button
          variant="outlined"
          color="inherit"
          disabled={label.trim() === '' || form.busy}
          sx={{ borderColor: 'divider', minHeight: 40 }}
          onClick={() => void form.save()}
        >
          Keep
        </Button>
      </Box>
    </>
  )
}
