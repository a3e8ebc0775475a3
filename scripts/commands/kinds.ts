import { SERVICES } from '@/core/plan/serviceKinds'

/** `./falto kinds`: every kind of service. */
export const kinds = () => SERVICES.map(({ id, name, help }) => ({ id, name, help }))
