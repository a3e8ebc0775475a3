/** Names of headers that the proxy sets for what lies behind it. */

/** By this a request is found again in logs and in the audit. */
export const REQUEST_ID = 'x-request-id'

/** What scripts and style sheets of a page carry, so that only ours run. */
export const NONCE = 'x-nonce'
