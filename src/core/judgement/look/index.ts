/**
 * What a plan will look like, estimated from where light and low hair grows and what is seen of it. Shares 0…1, levels
 * 1…12, weeks. A strand simulation may take its place.
 */
export { lookOf, type ContrastVerdict, type Look } from './look'
export { type WearKind } from './visibility'
