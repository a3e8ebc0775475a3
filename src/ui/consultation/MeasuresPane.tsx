'use client'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { densityFromPonytail } from '@/core/hair/fibre'
import {
  CURLS,
  CUT_LINES,
  DENSITIES,
  FALLS,
  FRAGILE_AREAS,
  HAIRLINE_SHAPES,
  LENGTH_REGIONS,
  LIMITS,
  PARTS,
  SCALP_CONDITIONS,
  TEXTURES,
  type HairState,
} from '@/core/model'
import { Choice, Choices, NumberField } from '../parts'
import { optionsOf, WORDS } from '../words'
import { useConsultation, useEntry } from './context'

const grid = { display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))' } as const

/** What is true of the whole head: fibre, cut, growth, scalp, how it falls. */
export function MeasuresPane() {
  return (
    <Stack spacing={3} sx={{ p: { xs: 1.5, md: 3 }, overflow: { md: 'auto' }, minHeight: 0, flex: 1 }}>
      <Fibre />
      <Fall />
      <Frail />
      <Worn />
    </Stack>
  )
}

/** The hair as it is recorded, and how that is changed. */
function useHair() {
  const { store, writable } = useConsultation()
  const hair = useEntry((state) => state.entry.hair)
  return {
    hair,
    off: !writable,
    set: (label: string, change: Partial<HairState>) =>
      store.edit(label, `hair/${Object.keys(change)[0]}`, (entry) => ({
        ...entry,
        hair: { ...entry.hair, ...change },
      })),
  }
}

function Fibre() {
  const { hair, off, set } = useHair()
  return (
    <Box component="section" aria-labelledby="fibre">
      <Typography id="fibre" variant="h2" sx={{ mb: 1 }}>
        Fibre and amount
      </Typography>
      <Box sx={grid}>
        <NumberField
          label="Natural level"
          value={hair.naturalLevel}
          limit={LIMITS.naturalLevel}
          step={0.25}
          help="1 black to 10 lightest blonde."
          disabled={off}
          onChange={(naturalLevel) => set(`Natural level ${naturalLevel}`, { naturalLevel })}
        />
        <Choice
          label="Fibre"
          value={hair.texture}
          options={optionsOf(TEXTURES, WORDS.texture)}
          disabled={off}
          onChange={(texture) => set(`Fibre ${texture}`, { texture })}
        />
        <NumberField
          label="Around a ponytail of all hair"
          value={hair.ponytailCm}
          limit={LIMITS.ponytailCm}
          step={0.5}
          disabled={off}
          help={
            hair.ponytailCm
              ? `With ${hair.texture} fibre this is ${WORDS.density[densityFromPonytail(hair.ponytailCm, hair.texture)]} density.`
              : 'Instead of judging density by eye.'
          }
          onChange={(ponytailCm) =>
            set(`Ponytail ${ponytailCm} cm`, { ponytailCm, density: densityFromPonytail(ponytailCm, hair.texture) })
          }
          onClear={() => set('Ponytail not measured', { ponytailCm: undefined })}
        />
        <Choice
          label="Density"
          value={hair.density}
          options={optionsOf(DENSITIES, WORDS.density)}
          disabled={off}
          onChange={(density) => set(`Density ${density}`, { density, ponytailCm: undefined })}
        />
        <Choice
          label="Curl"
          value={hair.curl}
          options={optionsOf(CURLS, WORDS.curl)}
          disabled={off}
          onChange={(curl) => set(`Curl ${curl}`, { curl })}
        />
        <Choice
          label="Cut line"
          value={hair.cutLine}
          options={optionsOf(CUT_LINES, WORDS.cutLine)}
          disabled={off}
          onChange={(cutLine) => set(`Cut ${WORDS.cutLine[cutLine]}`, { cutLine })}
        />
      </Box>
    </Box>
  )
}

function Fall() {
  const { hair, off, set } = useHair()
  return (
    <Box component="section" aria-labelledby="fall">
      <Typography id="fall" variant="h2" sx={{ mb: 1 }}>
        How it grows and falls
      </Typography>
      <Box sx={grid}>
        <Choice
          label="Natural part"
          value={hair.part}
          options={optionsOf(PARTS, WORDS.part)}
          disabled={off}
          onChange={(part) => set(`Part ${part}`, { part })}
        />
        <Choice
          label="Natural fall"
          value={hair.fall}
          options={optionsOf(FALLS, WORDS.fall)}
          disabled={off}
          onChange={(fall) => set(`Falls ${WORDS.fall[fall]}`, { fall })}
        />
        <Choice
          label="Hairline"
          value={hair.hairlineShape}
          options={optionsOf(HAIRLINE_SHAPES, WORDS.hairline)}
          disabled={off}
          onChange={(hairlineShape) => set(`Hairline ${hairlineShape}`, { hairlineShape })}
        />
        <NumberField
          label="Growth a month"
          value={hair.growthCmPerMonth ?? 1.25}
          limit={LIMITS.growthCmPerMonth}
          step={0.05}
          help="1.25 cm is usual; change it once two visits have shown otherwise."
          disabled={off}
          onChange={(growthCmPerMonth) => set(`Growth ${growthCmPerMonth} cm`, { growthCmPerMonth })}
        />
        <NumberField
          label="Washes a week"
          value={hair.washesPerWeek ?? 3}
          limit={LIMITS.washesPerWeek}
          step={1}
          disabled={off}
          onChange={(washesPerWeek) => set(`${washesPerWeek} washes a week`, { washesPerWeek })}
        />
        <NumberField
          label="Weeks since the last colour"
          value={hair.weeksSinceColour}
          limit={LIMITS.weeksSinceColour}
          step={1}
          help="0 when freshly done or unknown."
          disabled={off}
          onChange={(weeksSinceColour) => set(`${weeksSinceColour} weeks since colour`, { weeksSinceColour })}
        />
      </Box>
    </Box>
  )
}

function Frail() {
  const { hair, off, set } = useHair()
  return (
    <Box component="section" aria-labelledby="frail">
      <Typography id="frail" variant="h2" sx={{ mb: 1 }}>
        Scalp and fragile places
      </Typography>
      <Box sx={grid}>
        <Choice
          label="Scalp"
          value={hair.scalp}
          options={optionsOf(SCALP_CONDITIONS, WORDS.scalp)}
          disabled={off}
          onChange={(scalp) => set(`Scalp ${WORDS.scalp[scalp]}`, { scalp })}
        />
        <Choices
          label="Fragile"
          values={hair.fragile ?? []}
          options={optionsOf(FRAGILE_AREAS, WORDS.fragile)}
          disabled={off}
          onChange={(fragile) => set('Fragile places', { fragile })}
        />
      </Box>
    </Box>
  )
}

function Worn() {
  const { hair, off, set } = useHair()
  return (
    <Box component="section" aria-labelledby="worn">
      <Typography id="worn" variant="h2">
        Length as worn
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1 }}>
        Where curl shortens it. Stretched lengths are measured under Hair.
      </Typography>
      <Box sx={{ ...grid, gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))' }}>
        {LENGTH_REGIONS.map((region) => (
          <NumberField
            key={region}
            label={WORDS.region[region]}
            value={hair.wornLengthsCm?.[region]}
            limit={LIMITS.bandEdgeCm}
            step={1}
            disabled={off}
            onChange={(cm) =>
              set(`${WORDS.region[region]} worn ${cm} cm`, { wornLengthsCm: { ...hair.wornLengthsCm, [region]: cm } })
            }
            onClear={() =>
              set(`${WORDS.region[region]} worn not measured`, {
                wornLengthsCm: { ...hair.wornLengthsCm, [region]: undefined },
              })
            }
          />
        ))}
      </Box>
    </Box>
  )
}
