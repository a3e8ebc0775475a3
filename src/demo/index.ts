/** The invented salon: its people, products and clients. All of it is made up. */
export { DEMO_CATALOGUE } from './catalogue'
export { DEMO_HEADS, type DemoHead } from './heads'
export { DEMO_CLIENTS, DEMO_SALON, DEMO_STAFF, type DemoClient } from './scenario'
