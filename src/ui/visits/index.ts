/** Visits as they are remembered: one of them, the log of all, and what is learned from them. */
export { CatchUp } from './CatchUp'
export { DuePage } from './DuePage'
export { FormulasPage } from './FormulasPage'
export { FiguresPage } from './FiguresPage'
export { OutboxPage } from './OutboxPage'
export { LogPage } from './LogPage'
export { VisitPage } from './VisitPage'
