'use client'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { partX } from '@/core/hair/fibre'
import { circleRadiusFor, TEMPLATE_PARAMETERS } from '@/core/placement/layout'
import { LIMITS, type HairState, type LayoutParameters, type LayoutTemplate } from '@/core/model'
import { NumberField } from '../../parts'

type Measure = Exclude<keyof LayoutParameters, 'separateNape'>

/** How far a zigzag part is usually drawn to either side, mm. Our estimate. */
const ZIGZAG_MM = 4

const FIELDS: Record<Measure, { label: string; step: number; help?: string; usual: (hair: HairState) => number }> = {
  stripWidthCm: {
    label: 'Panel along the part',
    step: 0.5,
    help: 'For a rim, 0 leaves the part alone.',
    usual: () => 6,
  },
  partOffsetCm: {
    label: 'Part from the middle',
    step: 0.5,
    help: 'Positive towards the client’s left.',
    usual: () => 0,
  },
  pastPartCm: {
    label: 'Past a side part by',
    step: 0.5,
    help: '2.5–5 cm, so that the part line is worked together.',
    usual: () => 0,
  },
  zigzagMm: {
    label: 'Zigzag',
    step: 1,
    help: '0 is straight; more is softer.',
    usual: ({ part }) => (part === 'zigzag' ? ZIGZAG_MM : 0),
  },
  radiusCm: {
    label: 'Radius of the circle',
    step: 0.5,
    help: 'Finer hair carries a larger one, denser hair a smaller one.',
    usual: (hair) => circleRadiusFor(hair.density),
  },
  rimCm: { label: 'Width of the rim', step: 0.5, usual: () => 2.5 },
  pieces: { label: 'Pieces', step: 1, usual: () => 4 },
  cutCornersCm: { label: 'Corners cut off by', step: 0.5, usual: () => 0 },
}

/** The measures of a layout, those that were left open as they usually are. */
export const measuresOf = (template: LayoutTemplate, parameters: LayoutParameters, hair: HairState) =>
  Object.fromEntries(
    TEMPLATE_PARAMETERS[template].flatMap((key) =>
      key === 'separateNape' ? [] : [[key, parameters[key] ?? FIELDS[key].usual(hair)]],
    ),
  )

/** Where the client's own part is recorded. */
function partWords(hair: HairState): string {
  const x = partX(hair)
  return x === 0 ? '' : `It is recorded on the ${x > 0 ? 'left' : 'right'}, about ${Math.abs(x)} cm.`
}

interface Props {
  template: LayoutTemplate
  parameters: LayoutParameters
  hair: HairState
  onChange: (change: Partial<LayoutParameters>) => void
}

/** What of a layout can be set. */
export function MeasureFields({ template, parameters, hair, onChange }: Props) {
  return TEMPLATE_PARAMETERS[template].map((key) =>
    key === 'separateNape' ? (
      <FormControlLabel
        key={key}
        control={
          <Switch
            checked={parameters.separateNape}
            onChange={(event) => onChange({ separateNape: event.target.checked })}
          />
        }
        label="Nape as a section of its own, under the occipital bone"
      />
    ) : (
      <NumberField
        key={key}
        layout="row"
        label={FIELDS[key].label}
        value={parameters[key] ?? FIELDS[key].usual(hair)}
        limit={LIMITS[key]}
        step={FIELDS[key].step}
        help={key === 'partOffsetCm' ? `${FIELDS[key].help} ${partWords(hair)}` : FIELDS[key].help}
        onChange={(value) => onChange({ [key]: value })}
      />
    ),
  )
}
