/** Ports of the servers that the browser tests start: away from the ones that people use. */
const at = (port: number) => ({ port, address: `http://127.0.0.1:${port}` });

export const DEMO = at(4391);
export const OWN = at(4392);
