/** Small maps and heads that stand for plans, ideas, layouts and kinds of service. */
export { SmallPair } from './Small'
export { useLayoutOptions } from './useLayoutOptions'
export { useThumbnails, type Wanted } from './useThumbnails'
