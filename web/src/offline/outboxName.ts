/** What pages and the service worker call the outbox among themselves. */
export const OUTBOX = 'riffle-outbox';
