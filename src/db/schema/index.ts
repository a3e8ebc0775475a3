export * from './auth'
export * from './plan'
export * from './salon'
