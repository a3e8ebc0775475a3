/** Pixels of a small map or head: half as much again as it is shown in. Our choice. */
export const THUMBNAIL = { width: 96, height: 128 } as const
