import { expose } from 'comlink'
import { suggestFormulas, type Suggestion, type Wanted } from '@/core/product/formula'
import type { Product } from '@/core/model'

const api = {
  suggest: (wanted: Wanted, products: readonly Product[], onProgress: (done: number) => void): Suggestion[] =>
    suggestFormulas(wanted, products, onProgress),
}
export type MixWorker = typeof api

expose(api)
