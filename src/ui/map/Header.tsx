'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { usePlanStore } from './context'
import { PageBar } from '../parts'
import { PlanTitle } from './PlanTitle'
import { SaveStatus } from './SaveStatus'
import { UndoPlan } from './UndoPlan'
import { More as MoreIcon } from '../parts/icons'

const PlanMenu = dynamic(() => import('./PlanMenu').then((module) => module.PlanMenu))

export type DialogName = 'layout' | 'head' | 'formulas' | 'keys' | 'variants'

export interface Props {
  client: { id: string; name: string }
  onOpen: (dialog: DialogName) => void
  onRename: () => void
  /** Foils of the plan carried out last, if there is one. */
  underlay: { shown: boolean; on: string; toggle: () => void } | undefined
}

/** Whose plan this is, what can be opened, and whether all is saved. */
export function Header({ client, onOpen, onRename, underlay }: Props) {
  const { permissions } = usePlanStore()
  return (
    <PageBar>
      <PlanTitle client={client} />
      <Box className="screen-only" sx={{ display: 'flex', alignItems: 'center', columnGap: 1, flexWrap: 'wrap' }}>
        <SaveStatus />
        {!permissions.write && (
          <Typography variant="caption" color="warning">
            view only
          </Typography>
        )}
        <Button color="inherit" onClick={() => onOpen('head')}>
          Head &amp; hair
        </Button>
        {permissions.write && (
          <Button color="inherit" onClick={() => onOpen('layout')}>
            Sections
          </Button>
        )}
        <Button color="inherit" onClick={() => onOpen('formulas')}>
          Formulas
        </Button>
        {permissions.write && <UndoPlan />}
        <More onOpen={onOpen} onRename={onRename} underlay={underlay} />
      </Box>
    </PageBar>
  )
}

function More({ onOpen, onRename, underlay }: Omit<Props, 'client'>) {
  const [anchor, setAnchor] = useState<HTMLElement>()
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-label="More"
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ minWidth: 44 }}
      >
        <MoreIcon />
      </Button>
      {anchor && (
        <PlanMenu
          anchor={anchor}
          onClose={() => setAnchor(undefined)}
          onOpen={onOpen}
          onRename={onRename}
          underlay={underlay}
        />
      )}
    </>
  )
}
