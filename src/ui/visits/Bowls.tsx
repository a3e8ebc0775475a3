'use client'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { OpenVisit } from '@/core/record/visit'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { NumberField, Read } from '../parts'
import { Section } from './Section'
import { Facts } from './table'

/** What was mixed: planned, weighed and left over, formula by formula; what was left is told bowl by bowl. */
export function Bowls({ visit, mayMix }: { visit: OpenVisit; mayMix: boolean }) {
  const { summary, bowls } = visit
  return (
    <Section title="What was mixed">
      <Facts
        head={['Formula', 'planned', 'weighed', 'left']}
        rows={summary.formulas.map(
          ({ id, name, product, developerVol, ratio, level, tone, planned, weighed, left }) => [
            <>
              <b>{id}</b> {name}
              <Typography variant="body2" color="textSecondary">
                <Read>{`${product}, ${developerVol} vol, 1 : ${ratio}, level ${level} ${tone}`}</Read>
              </Typography>
            </>,
            <Read key="planned">{`${planned.expected} g (${planned.low}–${planned.high})`}</Read>,
            weighed === null ? 'not weighed' : <Read>{`${weighed} g`}</Read>,
            left === null ? '–' : <Read>{`${left} g`}</Read>,
          ],
        )}
      />
      {bowls.length > 0 && (
        <>
          {!visit.wasTold && (
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
              What was left in a bowl tells how much your hands use.
            </Typography>
          )}
          {bowls.map((bowl, i) => (
            <Left key={bowl.id} visitId={visit.id} bowl={bowl} turn={i + 1} mayMix={mayMix} />
          ))}
        </>
      )}
    </Section>
  )
}

interface LeftProps {
  visitId: string
  bowl: OpenVisit['bowls'][number]
  turn: number
  mayMix: boolean
}

function Left({ visitId, bowl: { id, formulaId, weighed, left, by }, turn, mayMix }: LeftProps) {
  const router = useRouter()
  const notice = useNotice()
  const [told, setTold] = useState(left ?? undefined)
  async function tell(grams: number) {
    setTold(grams)
    try {
      await callApi(`/api/visits/${visitId}/bowls/${id}`, 'POST', { grams })
      router.refresh()
    } catch (problem) {
      notice(failureWords(problem))
    }
  }
  return (
    <Typography component="div" variant="body2" sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.5 }}>
      <span style={{ flex: 1 }}>
        <Read>{`Bowl ${turn}, ${formulaId}: ${weighed} g, ${by}`}</Read>
      </span>
      {mayMix ? (
        <NumberField
          label={`Left of bowl ${turn}, ${formulaId}`}
          layout="row"
          value={told}
          limit={{ min: 0, max: weighed, unit: 'g' }}
          step={1}
          onChange={(grams) => void tell(grams)}
        />
      ) : (
        <Read>{left === null ? 'what was left is not told' : `${left} g left`}</Read>
      )}
    </Typography>
  )
}
