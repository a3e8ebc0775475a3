/**
 * What a plan will look like, from where light and low hair grows and what is seen of it, as counted in coarse
 * pictures. Shares 0…1, levels 1…12, weeks.
 */
export { lookOf, type ContrastVerdict, type Look } from './look'
