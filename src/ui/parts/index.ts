export { Choice } from './Choice'
export { HairFields, HeadFields } from './RecordFields'
export { NumberField } from './NumberField'
