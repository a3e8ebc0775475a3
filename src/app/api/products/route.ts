import { ProductChangeDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { catalogueOf, saveProduct } from '@/server/shelf'

export const GET = signedIn(async (member) => ({ products: await catalogueOf(member) }))
export const PUT = signedIn(async (member, request) => saveProduct(member, await readEntry(request, ProductChangeDto)))
