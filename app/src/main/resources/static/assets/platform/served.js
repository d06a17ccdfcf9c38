// Where this server's pages are: a proxy may show them under a path of its own.
const under = new URL(import.meta.url).pathname.split('/assets/')[0];

/** @param address on this server, with a slash first */
export const served = (address) => `${under}${address}`;
