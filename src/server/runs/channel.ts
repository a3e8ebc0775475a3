/** PostgreSQL tells every server process on this channel which run has something new. */
export const RUN_CHANNEL = 'falto_run'
