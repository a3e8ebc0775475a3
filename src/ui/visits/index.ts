/** Visits as they are remembered: one of them, the log of all, and what is learned from them. */
export { DuePage } from './DuePage'
export { FormulasPage } from './FormulasPage'
export { FiguresPage } from './FiguresPage'
export { LogPage } from './LogPage'
export { VisitPage } from './VisitPage'
