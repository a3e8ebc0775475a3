import type { ComponentProps, ReactElement } from 'react'
import type { StaffMember } from '@/server/auth'
import { FEW_BEHIND, visitsBehind } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { CatchUp } from '@/ui/visits'

/** What a page of the log shows in its place while many visits are not summed up yet; undefined where it can open. */
export async function catchUpFor(
  member: StaffMember,
  here: ComponentProps<typeof CatchUp>['here'],
): Promise<ReactElement | undefined> {
  const behind = await visitsBehind(member)
  if (behind <= FEW_BEHIND) return undefined
  return (
    <Shell member={member}>
      <CatchUp here={here} behind={behind} />
    </Shell>
  )
}
