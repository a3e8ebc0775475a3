'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Slider from '@mui/material/Slider'
import Typography from '@mui/material/Typography'
import { VIEW_NAMES, VIEWS } from '@/core/appearance/picture'
import { WEARS } from '@/core/appearance/strands'
import { ListChoice } from '../../parts'
import { usePlan, variantOf } from '../context'
import { MOST_WEEKS, type Beside, type LookSettings, type When } from './pose'
import { VIEW_WORDS, WEAR_WORDS } from './words'

interface Props {
  settings: LookSettings
  onChange: (changes: Partial<LookSettings>) => void
}

interface ViewProps {
  settings: Pick<LookSettings, 'view' | 'mirrored'>
  onChange: (changes: Pick<LookSettings, 'view' | 'mirrored'>) => void
}

/** From where she is looked at, by one press. */
export function ViewButtons({ settings, onChange }: ViewProps) {
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

type PoseProps = Omit<LookSettings, 'view' | 'mirrored'> & Pick<Props, 'onChange'>

/** How it is worn, when, and what stands beside it. */
export function PoseFields({ wear, when, weeks, glossed, beside, onChange }: PoseProps) {
  const { stages } = usePlan(variantOf)
  const ideas = usePlan((state) => state.document.variants)
  const active = usePlan((state) => variantOf(state).id)
  return (
    <Box sx={FIELDS}>
      <ListChoice
        label="Worn"
        value={wear}
        options={WEARS.map((value) => ({ value, label: WEAR_WORDS[value] }))}
        onChange={(worn) => onChange({ wear: worn })}
      />
      <ListChoice<When>
        label="When"
        value={when}
        options={[
          { value: 'before', label: 'As she comes' },
          ...stages.slice(0, -1).map(({ name }, i) => ({
            value: `stage ${i + 1}` as const,
            label: `After ${i + 1}, ${name}`,
          })),
          { value: 'after', label: 'After the visit' },
        ]}
        onChange={(moment) => onChange({ when: moment, weeks: 0 })}
      />
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
      <ListChoice<Beside>
        label="Beside it"
        value={beside}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'before', label: 'As she comes' },
          { value: 'later', label: 'Ten weeks later' },
          { value: 'waved', label: wear === 'waved' ? 'Straight' : 'Waved' },
          ...ideas
            .filter(({ id }) => id !== active)
            .map(({ id, name }) => ({ value: `idea ${id}` as const, label: name })),
        ]}
        onChange={(other) => onChange({ beside: other })}
      />
    </Box>
  )
}

/** Below each other, or beside each other where there is room. */
const FIELDS = { display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))' } as const
