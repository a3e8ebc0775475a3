'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Advice, Placement } from '@/core/model'
import { Read } from '../parts'
import { usePlan, usePlanStore, variantOf } from './context'

const SCHOOLS: Record<Advice['school'], string> = {
  common: '',
  backFirst: 'Back first',
  frontFirst: 'Front first',
  lowAndSlow: 'Low and slow',
  stepUp: 'Step up',
}

/** Rules of thumb that have something to say, each with its reason; one press does what it suggests. */
export function AdviceList() {
  const { store, permissions } = usePlanStore()
  const advice = usePlan((state) => state.judged?.figures.advice) ?? []
  const proposal = usePlan((state) => state.document.proposal) ?? []

  function apply({ id, suggestion }: Advice) {
    store.edit(suggestion!.label, `advice/${id}`, (draft) => {
      for (const { zoneId, set } of suggestion!.changes)
        for (const { zones } of variantOf({ document: draft }).stages) {
          const zone = zones.find((candidate) => candidate.id === zoneId)
          if (zone) Object.assign(zone.placement, structuredClone(set) as Partial<Placement>)
        }
    })
  }

  return (
    <Box component="section" aria-label="Advice">
      {advice.length === 0 && <Typography color="textSecondary">No rule of thumb has anything to say.</Typography>}
      {advice.map((one) => (
        <Box key={one.id} sx={{ borderLeft: 3, borderColor: 'divider', pl: 1.25, mb: 1.25 }}>
          <Typography variant="body2">
            {SCHOOLS[one.school] && <b>School “{SCHOOLS[one.school]}”. </b>}
            <Read>{one.text}</Read>
          </Typography>
          <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
            {one.suggestion && permissions.write && (
              <Button variant="outlined" color="inherit" size="small" onClick={() => apply(one)}>
                <Read>{one.suggestion.label}</Read>
              </Button>
            )}
            {one.zoneIds[0] && (
              <Button color="inherit" size="small" onClick={() => store.select(one.zoneIds[0])}>
                Show
              </Button>
            )}
          </Box>
        </Box>
      ))}
      {proposal.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1.5, mb: 0.5 }}>
            Why this plan was proposed
          </Typography>
          {proposal.map((reason) => (
            <Typography key={reason} variant="body2" sx={{ mb: 0.5 }}>
              <Read>{reason}</Read>
            </Typography>
          ))}
        </>
      )}
    </Box>
  )
}
