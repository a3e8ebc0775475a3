'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { chosenZones, usePlan } from './context'

const load = () => import('./ChosenZones').then((module) => module.ChosenZones)
const ChosenZones = dynamic(load)

/** Fetches what a chosen zone needs, as soon as a hand is on the page, so that it is there when one is chosen. */
export const prepareZoneCard = (): void => void load()

/**
 * Everything that is decided for the selected zones. Every part takes from the plan only what it shows, so that a drag
 * redraws little.
 */
export function ZoneCard() {
  const zoneId = usePlan((state) => chosenZones(state)[0]?.id)
  if (zoneId) return <ChosenZones key={zoneId} />
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2">Choose a zone</Typography>
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        Tap a zone on the map or in the order list; with Shift, or with “Several” pressed, more than one. Then set its
        partings, what is taken from each subsection, and which formula each row gets. Press ? for the keys.
      </Typography>
      <NextTime />
    </Box>
  )
}

/** What earlier visits asked to be done otherwise, where it can still be. */
function NextTime() {
  const nextTime = usePlan((state) => state.nextTime)
  if (nextTime.length === 0) return null
  return (
    <Box component="section" aria-label="From earlier visits" sx={{ mt: 3, borderTop: LINE, pt: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        From earlier visits
      </Typography>
      {nextTime.map(({ id, on, by, change }) => (
        <Typography key={id} variant="body2" sx={{ mt: 1 }}>
          {change}{' '}
          <Link href={`/visits/${id}`} style={{ color: 'inherit' }}>
            {by}, {dateInWords(on)}
          </Link>
        </Typography>
      ))}
    </Box>
  )
}
