export * from './auth'
export * from './consultation'
export * from './plan'
export * from './salon'
