import type { StaffRole } from '@/core/model'
import { AppError } from '../errors'

/** What each role may do. */
const MAY = {
  /** Sees what the salon plans and does: everybody who works there. */
  look: ['owner', 'colourist', 'assistant', 'apprentice'],
  write: ['owner', 'colourist'],
  acknowledge: ['owner', 'colourist', 'assistant'],
  mix: ['owner', 'colourist', 'assistant'],
  stock: ['owner', 'colourist', 'assistant'],
  /** What the products are, and what they cost. */
  catalogue: ['owner', 'colourist'],
  /** Tests, consents and what was said of health. */
  health: ['owner', 'colourist', 'assistant'],
  /** What the salon charges and pays. */
  money: ['owner', 'colourist'],
  prices: ['owner'],
  units: ['owner'],
  /** Who works here, and as what. */
  team: ['owner'],
  /** Who read and changed what; everything about one client; the salon as a whole. */
  oversee: ['owner'],
} as const satisfies Record<string, readonly StaffRole[]>
export type Permission = keyof typeof MAY

export const may = (member: { role: StaffRole }, permission: Permission): boolean =>
  (MAY[permission] as readonly StaffRole[]).includes(member.role)

/** @throws AppError 403 */
export function requirePermission(member: { role: StaffRole }, permission: Permission): void {
  if (!may(member, permission))
    throw new AppError(
      403,
      'forbidden',
      `Your role (${member.role}) may look but not do this. Ask an owner or colourist.`,
    )
}
