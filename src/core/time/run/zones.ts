import { WAITING, type RunState } from './fold'
import { endsOf, zoneOfStep, type RunScript } from './script'

export type ZoneStatus = 'waiting' | 'goingOn' | 'sitting' | 'comingOut' | 'out' | 'skipped'

/** One zone of one stage, for its place on the head. */
export interface RunZone {
  stageId: string
  zoneId: string
  name: string
  status: ZoneStatus
  /** When product first went in and when it has to come out at the latest, ms. */
  onAt: number | undefined
  latest: number | undefined
}

/** Where every zone stands. A zone with several formulas or stretches is one: it is out when all of it is. */
export function runZones(script: RunScript, state: RunState): RunZone[] {
  const zones = new Map<string, { stageId: string; zoneId: string; name: string; putIn: string[]; out: string[] }>()
  for (const step of script.steps) {
    const zone = step.kind === 'apply' ? zoneOfStep(script, step) : undefined
    if (!zone) continue
    const { stageId, zoneId, name } = zone
    const own = zones.get(`${stageId}/${zoneId}`) ?? { stageId, zoneId, name, putIn: [], out: [] }
    zones.set(`${stageId}/${zoneId}`, own)
    own.putIn.push(step.id)
    own.out.push(...endsOf(script, step.id))
  }
  const of = (id: string) => state.steps.get(id) ?? WAITING
  return [...zones.values()].map(({ stageId, zoneId, name, putIn, out }) => {
    const begun = putIn.flatMap((id) => of(id).begunAt ?? [])
    const latest = script.lags.flatMap(({ from, most, formulaId }) =>
      putIn.includes(from) && formulaId !== null && most !== null && of(from).begunAt !== undefined
        ? [of(from).begunAt! + 1000 * most]
        : [],
    )
    return {
      stageId,
      zoneId,
      name,
      status: statusOf(
        putIn.map((id) => of(id).status),
        out.map((id) => of(id).status),
      ),
      onAt: begun.length > 0 ? Math.min(...begun) : undefined,
      latest: latest.length > 0 ? Math.min(...latest) : undefined,
    }
  })
}

function statusOf(putIn: readonly string[], out: readonly string[]): ZoneStatus {
  const over = (status: string) => status === 'done' || status === 'skipped'
  if (putIn.every((status) => status === 'skipped')) return 'skipped'
  if (putIn.every((status) => status === 'waiting')) return 'waiting'
  if (!putIn.every(over)) return 'goingOn'
  if (out.length > 0 && out.every(over)) return 'out'
  return out.some((status) => status !== 'waiting') ? 'comingOut' : 'sitting'
}
