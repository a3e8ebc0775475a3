/** The invented demo salon. */
export { DEMO_CLIENTS, DEMO_STAFF, type DemoClient } from './scenario'
export { seedDemo } from './seed'
export { DEMO_CATALOGUE } from './catalogue'
