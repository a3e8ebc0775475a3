'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import Slider from '@mui/material/Slider'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { VIEW_NAMES, VIEWS } from '@/core/appearance/picture'
import { WEARS, type Wear } from '@/core/appearance/strands'
import { usePlan, variantOf } from '../context'
import { MOST_WEEKS, type Beside, type LookSettings, type When } from './pose'
import { VIEW_WORDS, WEAR_WORDS } from './words'

interface Props {
  settings: LookSettings
  onChange: (changes: Partial<LookSettings>) => void
}

/** From where she is looked at, by one press. */
export function ViewButtons({ settings, onChange }: Props) {
  return (
    <Box role="group" aria-label="From where" sx={{ display: 'flex', flexWrap: 'wrap' }}>
      {VIEW_NAMES.map((name) => (
        <Button
          key={name}
          color="inherit"
          aria-pressed={settings.view === VIEWS[name] && !settings.mirrored}
          onClick={() => onChange({ view: VIEWS[name], mirrored: false })}
          sx={settings.view === VIEWS[name] && !settings.mirrored ? PRESSED : PLAIN}
        >
          {VIEW_WORDS[name]}
        </Button>
      ))}
      <Button
        color="inherit"
        aria-pressed={settings.mirrored}
        onClick={() => onChange({ view: VIEWS.front, mirrored: true })}
        sx={settings.mirrored ? PRESSED : PLAIN}
      >
        Her mirror
      </Button>
    </Box>
  )
}

const PLAIN = { minWidth: 44, minHeight: 40, px: 1, borderRadius: 0 } as const
const PRESSED = { ...PLAIN, bgcolor: 'action.selected', fontWeight: 700 } as const

/** How it is worn, when, and what stands beside it. */
export function PoseFields({ settings, onChange }: Props) {
  const { stages } = usePlan(variantOf)
  const ideas = usePlan((state) => state.document.variants)
  const active = usePlan((state) => variantOf(state).id)
  const { when, weeks, glossed } = settings
  return (
    <Box sx={FIELDS}>
      <TextField
        select
        size="small"
        label="Worn"
        value={settings.wear}
        onChange={({ target }) => onChange({ wear: target.value as Wear })}
      >
        {WEARS.map((wear) => (
          <MenuItem key={wear} value={wear}>
            {WEAR_WORDS[wear]}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        label="When"
        value={when}
        onChange={({ target }) => onChange({ when: target.value as When, weeks: 0 })}
      >
        <MenuItem value="before">As she comes</MenuItem>
        {stages.slice(0, -1).map(({ id, name }, i) => (
          <MenuItem key={id} value={`stage ${i + 1}`}>
            After {i + 1}, {name}
          </MenuItem>
        ))}
        <MenuItem value="after">After the visit</MenuItem>
      </TextField>
      {when === 'after' && (
        <Box sx={{ px: 1 }}>
          <Typography variant="body2" id="look-weeks">
            {weeks === 0 ? 'On the day' : `${weeks} weeks later, grown and washed`}
          </Typography>
          <Slider
            aria-labelledby="look-weeks"
            value={weeks}
            min={0}
            max={MOST_WEEKS}
            step={2}
            onChange={(_, value) => onChange({ weeks: value as number })}
          />
          {weeks > 0 && (
            <FormControlLabel
              control={
                <Checkbox checked={glossed} onChange={(_, checked) => onChange({ glossed: checked })} size="small" />
              }
              label="with its tone put on again"
            />
          )}
        </Box>
      )}
      <TextField
        select
        size="small"
        label="Beside it"
        value={settings.beside}
        onChange={({ target }) => onChange({ beside: target.value as Beside })}
      >
        <MenuItem value="none">Nothing</MenuItem>
        <MenuItem value="before">As she comes</MenuItem>
        <MenuItem value="later">Ten weeks later</MenuItem>
        <MenuItem value="waved">{settings.wear === 'waved' ? 'Straight' : 'Waved'}</MenuItem>
        {ideas
          .filter(({ id }) => id !== active)
          .map(({ id, name }) => (
            <MenuItem key={id} value={`idea ${id}`}>
              {name}
            </MenuItem>
          ))}
      </TextField>
    </Box>
  )
}

/** Below each other, or beside each other where there is room. */
const FIELDS = { display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))' } as const
