import { signedIn } from '@/server/http'

export const GET = signedIn(async ({ name, role, tablet }) => ({ name, role, tablet }))
