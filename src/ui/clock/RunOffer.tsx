'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { v7 as newId } from 'uuid'
import { ApiError, callApi, failureWords } from '../hooks/api'
import { usePlan, usePlanStore } from '../map/context'
import { CautionSheet, type WaitingCaution } from './CautionSheet'
import { MINUTES, type WhatIf } from './whatIf'

interface Begun {
  id: string
  startedAt: string
  ended: boolean
}

/** Takes the clock to the chair. */
export function RunOffer({ what }: { what: WhatIf }) {
  const { store, permissions } = usePlanStore()
  const id = usePlan((state) => state.id)
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [waiting, setWaiting] = useState<readonly WaitingCaution[]>()
  const [runs, setRuns] = useState<Begun[]>([])
  useEffect(() => {
    callApi<{ runs: Begun[] }>(`/api/plans/${id}/runs`).then(
      (answer) => setRuns(answer.runs),
      () => {},
    )
  }, [id])
  const going = runs.find(({ ended }) => !ended)

  async function begin(acknowledged: { cautionId: string; reason: string }[] = []) {
    setProblem(undefined)
    try {
      await store.flush()
      const entry = { id: newId(), ...wantedOf(what), acknowledged }
      const run = await callApi<{ id: string }>(`/api/plans/${id}/runs`, 'POST', entry)
      router.push(`/runs/${run.id}`)
    } catch (error) {
      if (error instanceof ApiError && error.code === 'unacknowledged')
        setWaiting(error.body['cautions'] as WaitingCaution[])
      else {
        setWaiting(undefined)
        setProblem(failureWords(error))
      }
    }
  }

  return (
    <Box sx={{ px: 2, pb: 1, display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      {going && (
        <Button variant="contained" component="a" href={`/runs/${going.id}`}>
          Go on at the chair
        </Button>
      )}
      {permissions.acknowledge && (
        <Button
          variant={going ? 'outlined' : 'contained'}
          color={going ? 'inherit' : 'primary'}
          onClick={() => void begin()}
        >
          {going ? 'Begin anew' : 'Begin at the chair'}
        </Button>
      )}
      {what.bowls === 'weakerFirst' && (
        <Typography variant="body2">Keep the weaker first bowls in the plan to take them to the chair.</Typography>
      )}
      {problem && (
        <Typography role="alert" color="error">
          {problem}
        </Typography>
      )}
      {waiting && <CautionSheet cautions={waiting} onBegin={begin} onClose={() => setWaiting(undefined)} />}
    </Box>
  )
}

const wantedOf = ({ hands, from, to, may, celsius, order, foils }: WhatIf) => ({
  helping: hands,
  order,
  foils,
  celsius,
  ...(hands.includes('assistant') && {
    assistantFrom: from,
    assistantMay: may,
    ...(to < MINUTES.max && { assistantTo: to }),
  }),
})
