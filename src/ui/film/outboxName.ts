/**
 * The outbox's store in the browser, the lock under which one page sends, and the one that a page
 * holds while it films.
 */
export const OUTBOX = {
  name: "kingfisher-outbox",
  sending: "kingfisher-outbox",
  filming: "kingfisher-filming",
} as const;
