/** The shelf: the salon's catalogue, with CSV both ways, and its stock by lot. */
export { catalogueOf, exportCatalogue, importCatalogue, saveProduct, setProductRemoved } from './catalogue'
export { csvOfCatalogue } from './csv'
export { countLot, gramsOf, receive, returnToShelf, shelfOf, takeOffShelf, tenthsOf } from './stock'
